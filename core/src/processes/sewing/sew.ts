import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { SEWING_CYCLES, STITCH_GROUPS, THREAD_A_BOOK, THREAD_METRES } from '../../finishing/sewn-block';
import { LEAVES_KG } from '../../finishing/stitching';
import { PRICE_OF } from '../../form/plates';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { PAGES_OF_A_FOLD } from '../../product/bound';
import { piecesOf } from '../../product/pieces';
import { ENDPAPER_PAGES } from '../../product/sewn';
import { boundLengthMm } from '../block-sizes';
import { bookStep } from '../book-step';
import { copiesWaste, flatMasses } from '../gathered-masses';
import { textSections } from '../hoppers';
import { type ConsumeContext, type DraftContext, limitTerm, type OwnRule, setting } from '../process';
import { settingRow } from '../rows';
import { paperOf, sectionsGathered } from '../sections-chosen';
import { blockFigures, sectionsSewn, sewnText } from './block-figures';

const pitchTerm = (cx: DraftContext): Term => setting(cx, 'pitchMm', practiceTerm(cx.plant, 'sew.pitchMm'));

/** A section that the machine does not open, or that the needles do not go through. */
const sectionThick: OwnRule = {
  code: 'sew.sectionThick',
  find: (cx) => {
    const [least, most] = [practiceValue(cx.plant, 'sew.leastMm'), practiceValue(cx.plant, 'sew.mostMm')];
    return sectionsGathered(cx)
      .map(({ part, section }) => {
        const { caliperUm } = paperOf(cx, part);
        return { section, mm: ((section.pages.length / 2) * ('value' in caliperUm ? caliperUm.value : 0)) / 1000 };
      })
      .filter(({ mm }) => mm > 0 && (mm < least || mm > most))
      .slice(0, 1)
      .map(({ section, mm }) => ({
        level: 'release',
        args: { section: section.name, sectionMm: Math.round(mm * 100) / 100, least, most },
        remedies: [],
      }));
  },
};

/** Four pages that nothing else holds: sewn only round their neighbour. */
const loneFour: OwnRule = {
  code: 'sew.loneFour',
  find: (cx) => {
    const made = textSections(cx);
    const at = made.indexOf(PAGES_OF_A_FOLD);
    return at >= 0 ? [{ level: 'decide', args: { beside: at === 0 ? 2 : at }, remedies: [] }] : [];
  },
};

/** Longer than the machine sews. */
const tooLong: OwnRule = {
  code: 'sew.tooLong',
  find: (cx) => {
    const [lengthMm, mostMm] = [boundLengthMm(cx), cx.ledger.value(idOf(cx.id, 'mostLengthMm'))];
    return lengthMm > mostMm + 1e-9
      ? [{ level: 'release', args: { lengthMm, mostMm, overMm: Math.round((lengthMm - mostMm) * 100) / 100 }, remedies: [] }]
      : [];
  },
};

/** A section a cycle, sewn through its fold and to the one before; an empty cycle parts the books. */
export const sew = bookStep({
  id: 'sew',
  abilities: ['bindLengthMm'],
  rules: [sectionThick, loneFour, tooLong],
  losses: { setup: 'sew.setupCycles', running: 'sew.runningPpm' },
  unit: 'block',
  cautions: ['sewNeedles'],
  joins: true,
  figures(cx) {
    const { ledger, id, plant } = cx;
    const block = blockFigures(cx);
    const book = sewnText(cx);
    ledger.figure(idOf(id, 'mostLengthMm'), SUM, { most: limitTerm(cx, 'bindLengthMm', practiceTerm(plant, 'sew.lengthMm')) }, 'mm');
    const heightMm = typed(book?.text.heightMm ?? 0, 'mm', 'heightMm');
    ledger.figure(idOf(id, 'groups'), STITCH_GROUPS, { heightMm, pitchMm: pitchTerm(cx) });
    ledger.figure(idOf(id, 'threadMm'), THREAD_A_BOOK, {
      heightMm,
      pitchMm: pitchTerm(cx),
      textMm: block ? fig(block.textMm) : typed(0, 'mm', 'none'),
      sections: typed(sectionsSewn(cx), '1', 'sections'),
    });
    blockMasses(cx);
  },
  makes: (cx) => {
    const [lead] = cx.parts;
    const block = blockFigures(cx);
    return {
      section: null,
      bundle: {
        footprintMm: [lead?.widthMm ?? 0, lead?.heightMm ?? 0],
        pieces: 1,
        layerMm: block ? cx.ledger.value(block.blockMm) : 0,
        paperMm2: 0,
        together: 1,
        kg: idOf(cx.id, 'copyKg'),
      },
    };
  },
  uses(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'threadM'), THREAD_METRES, { books: fig(idOf(id, 'run')), eachMm: fig(idOf(id, 'threadMm')) });
    ledger.figure(idOf(id, 'threadCost'), PRICE_OF, {
      number: fig(idOf(id, 'threadM')),
      price: practiceTerm(cx.plant, 'sew.threadPricePerM'),
    });
    return {
      costs: [{ figure: idOf(id, 'threadCost'), kind: 'goods', fixed: false }],
      wasteKg: copiesWaste(cx, { run: idOf(id, 'run'), good: idOf(id, 'good') }),
    };
  },
  time(cx) {
    cx.ledger.figure(idOf(cx.id, 'sewingCycles'), SEWING_CYCLES, {
      books: fig(idOf(cx.id, 'run')),
      sections: typed(sectionsSewn(cx), '1', 'sections'),
    });
    return { cycles: fig(idOf(cx.id, 'sewingCycles')) };
  },
  rows: (cx) => [
    { label: 'sectionsABook', text: String(sectionsSewn(cx)) },
    { label: 'sewingCycles', figure: idOf(cx.id, 'sewingCycles') },
    { label: 'stitchGroups', figure: idOf(cx.id, 'groups') },
    settingRow(cx, 'stitchPitch', 'pitchMm', practiceTerm(cx.plant, 'sew.pitchMm'), { kind: 'length', unit: 'mm' }),
    { label: 'headLies', text: 'at the guide of the machine, every section alike' },
    { label: 'threadABook', figure: idOf(cx.id, 'threadMm') },
    { label: 'thread', figure: idOf(cx.id, 'threadM') },
    { label: 'copyMass', figure: idOf(cx.id, 'copyKg') },
    { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  ],
  blanks: [
    'thread: kind, lot',
    'first block opened at every middle: thread through the fold',
    'pull test, first block (destroyed)',
    'thread breaks',
  ],
  scene: stitchPattern,
  says: (cx) => `${sectionsSewn(cx)} sections`,
});

/** What the leaves of a block weigh, as they are gathered and as they are trimmed. */
function blockMasses(cx: DraftContext): void {
  const { ledger, id } = cx;
  const book = sewnText(cx);
  if (!book) return;
  const { text } = book;
  const trimmed = { widthMm: typed(text.widthMm, 'mm', 'widthMm'), heightMm: typed(text.heightMm, 'mm', 'heightMm') };
  const masses: Record<string, Term> = {};
  const gathered: Record<string, Term> = flatMasses(cx);
  for (const part of cx.parts) {
    const { gsm } = paperOf(cx, part);
    const own = idOf(id, part.role);
    const leaves = part.traits?.endpaper ? ENDPAPER_PAGES : (part.traits?.bound?.pages ?? 0) / 2;
    ledger.figure(idOf(own, 'leavesKg'), LEAVES_KG, { leaves: typed(leaves, '1', 'leaves'), ...trimmed, gsm });
    masses[part.role] = fig(idOf(own, 'leavesKg'));
    if (!part.traits?.endpaper) continue;
    ledger.figure(idOf(own, 'flatKg'), LEAVES_KG, {
      leaves: typed(piecesOf(part), '1', 'endpapers'),
      widthMm: typed(part.widthMm, 'mm', 'endpaper'),
      heightMm: typed(part.heightMm, 'mm', 'endpaper'),
      gsm,
    });
    gathered[part.role] = fig(idOf(own, 'flatKg'));
  }
  ledger.figure(idOf(id, 'copyKg'), SUM, masses, 'kg');
  ledger.figure(idOf(id, 'gatheredKg'), SUM, gathered, 'kg');
}

/** The back of the block, head up: sections side by side, the stitch groups along it. */
function stitchPattern(cx: ConsumeContext): Scene {
  const book = sewnText(cx);
  const h = book?.text.heightMm ?? 150;
  const n = Math.max(sectionsSewn(cx), 1);
  const groups = cx.ledger.value(idOf(cx.id, 'groups'));
  const pitch = pitchTerm(cx);
  const pitchMm = 'value' in pitch ? pitch.value : 25;
  const t = h / 24;
  const shown = Math.min(n, 12);
  const wide = t * 1.6;
  const firstMm = (h - (groups - 1) * pitchMm) / 2;
  const shapes: Shape[] = [];
  for (let s = 0; s < shown; s++) {
    const x = s * wide;
    shapes.push({ kind: 'rect', role: 'copy', x, y: 0, w: wide * 0.86, h, ref: `section ${s + 1}` });
    shapes.push({ kind: 'text', role: 'label', x: x + wide * 0.43, y: -t * 0.5, text: String(s + 1), sizeMm: t * 0.8, anchor: 'middle' });
    for (let g = 0; g < groups; g++) {
      const y = firstMm + g * pitchMm;
      shapes.push({
        kind: 'line',
        role: 'perforation',
        x1: x + wide * 0.43,
        y1: y - pitchMm * 0.3,
        x2: x + wide * 0.43,
        y2: y + pitchMm * 0.3,
      });
    }
  }
  const right = shown * wide + t;
  for (let g = 0; g < groups; g++)
    shapes.push({
      kind: 'text',
      role: 'label',
      x: right,
      y: firstMm + g * pitchMm + t * 0.3,
      text: `${Math.round((firstMm + g * pitchMm) * 10) / 10}`,
      sizeMm: t * 0.9,
    });
  shapes.push({ kind: 'text', role: 'strong', x: 0, y: h + t * 1.6, text: `head up; groups from the head, mm`, sizeMm: t });
  if (n > shown) shapes.push({ kind: 'text', role: 'label', x: right + t * 3, y: t, text: `of ${n} sections`, sizeMm: t });
  return {
    title: 'stitch pattern',
    says: `${n} sections sewn in ${groups} groups, ${pitchMm} millimetres apart, the first ${Math.round(firstMm * 10) / 10} from the head.`,
    box: boxAround(shapes, t),
    toScale: false,
    shapes,
  };
}
