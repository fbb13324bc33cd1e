import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import type { Step } from '../../flow/net';
import { floorTolerant } from '../../quantity/round-tolerant';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { blockOf, mostTrims } from '../block-sizes';
import { inLineTime, isInLine } from '../in-line';
import { type ConsumeContext, type DraftContext, type OwnRule, type PanelRow, type Process, setting, settingPath } from '../process';
import { machineRow, runningLossRow } from '../rows';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { speedTerm } from '../time-and-cost';

const LOSSES = { setup: 'threeKnife.setupCycles', running: 'threeKnife.runningPpm' } as const;
/** Books on one another under the knives of a trimmer that stands alone. Source: arithmetic. */
const BOOKS_A_CUT: Formula<'pileMm' | 'bookMm'> = {
  id: 'threeKnife.booksACut',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ pileMm, bookMm }) => (bookMm > 0 ? Math.max(floorTolerant(pileMm / bookMm), 1) : 1),
};
const RATE: Formula<'perHour' | 'books'> = {
  id: 'threeKnife.rate',
  unit: '1/h',
  source: 'arithmetic',
  of: ({ perHour, books }) => perHour * books,
};

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** Flaps are folded round a face that is trimmed already: only head and foot are cut here. */
const isFlapped = ({ parts }: Pick<ConsumeContext, 'parts'>): boolean => parts.some((p) => (p.traits?.adhesive?.flapMm ?? 0) > 0);

/** What comes off a side at the most. */
function trimmedSays(cx: ConsumeContext): string {
  const most = mostTrims(cx);
  const face = isFlapped(cx) ? '' : `face ${mm(most?.faceMm ?? 0)}, `;
  return most ? `${face}head ${mm(most.headMm)}, foot ${mm(most.footMm)}` : '–';
}

/** A trim that the knives cannot take. */
const trimCannot: OwnRule = {
  code: 'threeKnife.trimCannot',
  find: (cx) => {
    const trims = mostTrims(cx);
    const [least, most] = [practiceValue(cx.plant, 'threeKnife.leastMm'), practiceValue(cx.plant, 'threeKnife.mostMm')];
    return Object.entries({ face: trims?.faceMm ?? least, head: trims?.headMm ?? least, foot: trims?.footMm ?? least })
      .filter(([, trimMm]) => trimMm < least || trimMm > most)
      .slice(0, 1)
      .map(([side, trimMm]) => ({ level: 'release', args: { side, trimMm, least, most }, remedies: [] }));
  },
};

/** What PUR binds cures before it is packed and shipped; null: nothing waits. */
function curesFirst(cx: DraftContext): Step['waits'][number] | null {
  if (cx.parts.find((p) => p.traits?.adhesive)?.traits?.adhesive?.adhesive !== 'pur') return null;
  const figure = idOf(cx.id, 'cureS');
  cx.ledger.figure(figure, SUM, { wait: setting(cx, 'cureS', practiceTerm(cx.plant, 'bind.purShipS')) }, 's');
  return { after: cx.id, figure, why: 'rest' };
}

const panel = (cx: ConsumeContext): PanelRow[] => {
  const [lead] = cx.parts;
  return [
    machineRow(cx),
    { label: 'trimmedSize', text: `${lead?.widthMm ?? 0} × ${lead?.heightMm ?? 0} mm` },
    {
      label: 'knivesFirst',
      text: isFlapped(cx)
        ? 'not the face: it was trimmed before the flaps were folded round it'
        : `face: width ${mm(lead?.widthMm ?? 0)} from the spine`,
    },
    { label: 'knivesThen', text: `head ${mm(blockOf(cx)?.trims.headMm ?? 0)}, and foot: height ${mm(lead?.heightMm ?? 0)}` },
    { label: 'trimmedMost', text: trimmedSays(cx) },
    { label: 'booksACut', figure: idOf(cx.id, 'booksACut') },
    ...(cx.ledger.has(idOf(cx.id, 'cureS'))
      ? [{ label: 'cures', figure: idOf(cx.id, 'cureS'), edit: { at: settingPath(cx, 'cureS'), kind: 'hours' as const } }]
      : []),
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
  ];
};

/** Books trimmed at the face, then at head and foot. */
export const threeKnife: Process = {
  id: 'threeKnife',
  abilities: ['inLine'],
  // A sewn block comes nipped, not from a binder.
  suits: (machine, parts) => (machine.limits.inLine ?? 0) === 0 || !parts.some((p) => p.traits?.sewn),
  losses: LOSSES,
  rules: [trimCannot],
  asks: () => ({}),
  draft(cx) {
    const rests = curesFirst(cx);
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['trimKnives'],
      ...(rests && { makes: { rests } }),
    });
  },
  consume(cx) {
    cx.ledger.figure(idOf(cx.id, 'booksACut'), BOOKS_A_CUT, {
      pileMm: isInLine(cx) ? typed(0, 'mm', 'one by one behind the binder') : practiceTerm(cx.plant, 'threeKnife.pileMm'),
      bookMm: typed(cx.bundle?.layerMm ?? 0, 'mm', 'spine'),
    });
    cx.ledger.figure(idOf(cx.id, 'rate'), RATE, { perHour: speedTerm(cx), books: fig(idOf(cx.id, 'booksACut')) });
    return { costs: inLineTime(cx, { step: cx.id, perHour: fig(idOf(cx.id, 'rate')) }) };
  },
  scene: knivesScene,
  panel,
  paper: (cx) => [
    {
      department: 'binding',
      scene: true,
      rows: panel(cx),
      lists: [],
      blanks: ['first book: width, height, square', 'spine centred within 0.5 mm'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: cx.machine.name }),
};

/** A book as it comes, spine left: what the three knives take off. */
function knivesScene(cx: ConsumeContext): Scene {
  const [lead] = cx.parts;
  const [w, h] = [lead?.widthMm ?? 0, lead?.heightMm ?? 0];
  const { faceMm: face = 0, headMm = 0, footMm = 0 } = blockOf(cx)?.trims ?? {};
  const faceMm = isFlapped(cx) ? 0 : face;
  const text = Math.max(w, h) / 22;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w: w + faceMm, h: h + headMm + footMm, ref: 'book as bound' },
    { kind: 'rect', role: 'copy', x: 0, y: headMm, w, h, ref: 'book as trimmed' },
    ...(faceMm > 0 ? [{ kind: 'line', role: 'cut', x1: w, y1: -text, x2: w, y2: h + headMm + footMm + text } as const] : []),
    { kind: 'line', role: 'cut', x1: -text, y1: headMm, x2: w + faceMm + text, y2: headMm },
    { kind: 'line', role: 'cut', x1: -text, y1: headMm + h, x2: w + faceMm + text, y2: headMm + h },
    {
      kind: 'text',
      role: 'strong',
      x: w + faceMm + text * 0.6,
      y: h / 2,
      text: faceMm > 0 ? `1  face ${mm(faceMm)}` : 'face trimmed already',
      sizeMm: text,
    },
    { kind: 'text', role: 'strong', x: w + faceMm + text * 0.6, y: text, text: `2  head ${mm(headMm)}`, sizeMm: text },
    { kind: 'text', role: 'strong', x: w + faceMm + text * 0.6, y: h + headMm + footMm, text: `2  foot ${mm(footMm)}`, sizeMm: text },
    { kind: 'text', role: 'label', x: w / 2, y: h / 2, text: `${w} × ${h} mm`, sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: text * 0.9, y: h / 2, text: 'spine', sizeMm: text * 0.8, anchor: 'middle', turn: -90 },
  ];
  return {
    title: 'three knives',
    says: `Trimmed to ${w} by ${h} millimetres: ${faceMm > 0 ? `face ${mm(faceMm)}` : 'the face before the flaps'}, then head ${mm(headMm)} and foot ${mm(footMm)}.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
