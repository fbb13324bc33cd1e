import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { ALL_GLUE_KG, CONVEYOR, CONVEYOR_RATE, IN_CYCLES, LEAVES_MM, MEASURED_BLOCK, SPINE, SPINE_GLUE_KG } from '../../finishing/adhesive';
import { SLOWEST } from '../../finishing/folding';
import { LEAVES_KG } from '../../finishing/stitching';
import { PRICE_OF } from '../../form/plates';
import type { AdhesiveBound } from '../../product/adhesive';
import { flatsACopy } from '../../signature/sheet-pages';
import { copiesWaste, flatMasses } from '../gathered-masses';
import { type Draft, type DraftContext, type Process, type ProcessContext, limitTerm, setting } from '../process';
import { paperOf, sectionsGathered, sectionsSet } from '../sections-chosen';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { speedTerm, timeAndCost } from '../time-and-cost';
import { adhesiveBindPanel, adhesiveBindPaper, adhesiveBindSummary } from './adhesive-bind-page';
import { ADHESIVE_BIND_RULES } from './adhesive-bind-rules';
import { binderScene } from './adhesive-bind-scene';
import { boundLengthMm } from '../block-sizes';
import { booksACycle, hopperOrder } from '../hoppers';

const LOSSES = { setup: 'bind.setupCycles', running: 'bind.runningPpm', samples: 'bind.samples' } as const;

const adhesiveOf = ({ parts }: Pick<ProcessContext, 'parts'>): AdhesiveBound | undefined =>
  parts.find((p) => p.traits?.adhesive)?.traits?.adhesive;

/** Gather, mill or notch, glue, put the cover on, cool: one line of machines, a book a cycle, or two as one length. */
export const adhesiveBind: Process = {
  id: 'adhesiveBind',
  abilities: ['feeders', 'thickMm', 'bindLengthMm', 'conveyorM', 'sawPerHour', 'trimPerHour'],
  rules: ADHESIVE_BIND_RULES,
  losses: LOSSES,
  asks: (cx) => {
    const bound = adhesiveOf(cx);
    const set = sectionsSet(cx);
    return {
      ...(bound && { section: { ...bound.trims, lapMm: 0, lapOn: 'high' as const } }),
      feeders: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'bind.feeders'),
      ...(set.length > 0 && { sections: set }),
    };
  },
  draft(cx): Draft {
    bookFigures(cx);
    const [lead] = cx.parts;
    const books = booksACycle(cx);
    const draft = singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'block',
      perGood: 1 / books,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: adhesiveOf(cx)?.adhesive === 'pur' ? ['binder', 'hotGlue', 'pur', 'paperDust'] : ['binder', 'hotGlue', 'paperDust'],
      makes: {
        section: null,
        bundle: {
          footprintMm: [lead?.widthMm ?? 0, lead?.heightMm ?? 0],
          pieces: 1,
          layerMm: cx.ledger.value(idOf(cx.id, 'spineMm')),
          paperMm2: 0,
          together: 1,
          kg: idOf(cx.id, 'copyKg'),
        },
      },
    });
    const step = draft.steps[cx.id]?.step;
    if (step) step.takes = cx.incoming.map((b) => ({ flow: b.flow, per: takesOf(cx, b.parts, b.section) * books }));
    // What comes out is a block, no section any more.
    draft.flows = Object.fromEntries(Object.entries(draft.flows).map(([id, { section: _, ...flow }]) => [id, flow]));
    return draft;
  },
  consume(cx) {
    const { ledger, id, plant } = cx;
    const books = typed(booksACycle(cx), '1', 'twoUp');
    ledger.figure(idOf(id, 'conveyorM'), CONVEYOR, {
      coolingS: fig(idOf(id, 'coolingS')),
      perHour: speedTerm(cx),
      pitchMm: practiceTerm(plant, 'bind.pitchMm'),
    });
    const { conveyorM, sawPerHour, trimPerHour } = cx.machine.limits;
    const ofMachine = (value: number, name: string, unit: '1/h' | 'm'): Term => ({
      value,
      unit,
      from: 'plant',
      at: `machine:${cx.machineId}.${name}`,
    });
    const line: Record<string, Term> = { machine: speedTerm(cx) };
    if (conveyorM !== undefined) {
      ledger.figure(idOf(id, 'conveyorRate'), CONVEYOR_RATE, {
        coolingS: fig(idOf(id, 'coolingS')),
        conveyorM: ofMachine(conveyorM, 'conveyorM', 'm'),
        pitchMm: practiceTerm(plant, 'bind.pitchMm'),
      });
      line['conveyor'] = fig(idOf(id, 'conveyorRate'));
    }
    if (sawPerHour !== undefined && booksACycle(cx) === 2) line['saw'] = ofMachine(sawPerHour, 'sawPerHour', '1/h');
    if (trimPerHour !== undefined) {
      ledger.figure(idOf(id, 'trimRate'), IN_CYCLES, { perHour: ofMachine(trimPerHour, 'trimPerHour', '1/h'), pieces: books });
      line['trimmer'] = fig(idOf(id, 'trimRate'));
    }
    ledger.figure(idOf(id, 'rate'), SLOWEST, line, '1/h');
    ledger.figure(idOf(id, 'glueKg'), ALL_GLUE_KG, { cycles: fig(idOf(id, 'run')), eachKg: fig(idOf(id, 'cycleGlueKg')) });
    ledger.figure(idOf(id, 'glueCost'), PRICE_OF, {
      number: fig(idOf(id, 'glueKg')),
      price: practiceTerm(plant, adhesiveOf(cx)?.adhesive === 'pur' ? 'bind.purPricePerKg' : 'bind.gluePricePerKg'),
    });
    ledger.figure(idOf(id, 'booksBound'), BOOKS_BOUND, { cycles: fig(idOf(id, 'run')), books });
    ledger.figure(idOf(id, 'booksGood'), BOOKS_BOUND, { cycles: fig(idOf(id, 'good')), books });
    return {
      wasteKg: copiesWaste(cx, { run: idOf(id, 'booksBound'), good: idOf(id, 'booksGood') }),
      costs: [
        ...timeAndCost(cx, {
          step: id,
          perHour: fig(idOf(id, 'rate')),
          forms: typed(hopperOrder(cx).length, '1', 'feeders'),
          perFormS: practiceTerm(plant, 'bind.perFeederS'),
        }),
        { figure: idOf(id, 'glueCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  paper: adhesiveBindPaper,
  scene: binderScene,
  panel: adhesiveBindPanel,
  summary: adhesiveBindSummary,
};

/** Books out of cycles. */
const BOOKS_BOUND = {
  id: 'adhesiveBind.books',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ cycles, books }: { cycles: number; books: number }) => cycles * books,
} as const;

/** So many of a batch for one book: folds by the hoppers they feed, covers by the copies in a piece. */
function takesOf(cx: DraftContext, parts: readonly Id<'part'>[], key: string | null): number {
  const part = cx.parts.find((p) => parts.includes(p.id));
  if (part?.traits?.spread) return 1 / part.traits.spread.copies;
  const found = sectionsGathered(cx).find((g) => g.part === part && (key === null || g.section.key === key));
  return found ? flatsACopy(found.section) : 1;
}

/** Thickness, spine, glue, cooling and mass of a book. */
function bookFigures(cx: DraftContext): void {
  const { ledger, id, plant } = cx;
  const bound = adhesiveOf(cx);
  const leaves: Record<string, Term> = {};
  const masses: Record<string, Term> = {};
  const gathered: Record<string, Term> = {};
  let coverUm: Term = typed(0, 'µm', 'none');
  const mm = (value: number): Term => ({ value, unit: 'mm', from: 'family', at: 'layout' });
  for (const part of cx.parts) {
    const { caliperUm, gsm } = paperOf(cx, part);
    const own = idOf(id, part.role);
    const { spread, bound: pages } = part.traits ?? {};
    if (spread) {
      const papers: Record<string, Term> = { cover: caliperUm };
      if (part.traits?.laminated) papers['film'] = practiceTerm(plant, 'laminate.filmUm');
      ledger.figure(idOf(id, 'coverUm'), SUM, papers, 'µm');
      coverUm = fig(idOf(id, 'coverUm'));
      const width = 2 * (cx.parts[0]?.widthMm ?? 0) + spread.spineMm;
      const cover = { leaves: typed(1, '1', 'cover'), gsm };
      ledger.figure(idOf(own, 'leavesKg'), LEAVES_KG, { ...cover, widthMm: mm(width), heightMm: mm(cx.parts[0]?.heightMm ?? 0) });
      ledger.figure(idOf(own, 'flatKg'), LEAVES_KG, { ...cover, widthMm: mm(part.widthMm), heightMm: mm(part.heightMm / spread.copies) });
      gathered[part.role] = fig(idOf(own, 'flatKg'));
    } else {
      ledger.figure(idOf(own, 'leavesMm'), LEAVES_MM, { pages: typed(pages?.pages ?? 0, '1', 'pages'), caliperUm });
      leaves[part.role] = fig(idOf(own, 'leavesMm'));
      ledger.figure(idOf(own, 'leavesKg'), LEAVES_KG, {
        leaves: typed((pages?.pages ?? 0) / 2, '1', 'pages'),
        widthMm: typed(part.widthMm, 'mm', 'widthMm'),
        heightMm: typed(part.heightMm, 'mm', 'heightMm'),
        gsm,
      });
    }
    masses[part.role] = fig(idOf(own, 'leavesKg'));
  }
  ledger.figure(idOf(id, 'copyKg'), SUM, masses, 'kg');
  ledger.figure(idOf(id, 'gatheredKg'), SUM, { ...gathered, ...flatMasses(cx) }, 'kg');
  ledger.figure(idOf(id, 'reckonedMm'), SUM, leaves, 'mm');
  if (bound && bound.dummyMm > 0) ledger.figure(idOf(id, 'blockMm'), MEASURED_BLOCK, { measured: typed(bound.dummyMm, 'mm', 'dummyMm') });
  else ledger.figure(idOf(id, 'blockMm'), SUM, leaves, 'mm');
  ledger.figure(idOf(id, 'spineMm'), SPINE, { blockMm: fig(idOf(id, 'blockMm')), coverUm, glueMm: practiceTerm(plant, 'bind.glueMm') });
  ledger.figure(idOf(id, 'lengthMm'), SUM, { folded: mm(boundLengthMm(cx)) }, 'mm');
  const isPur = bound?.adhesive === 'pur';
  ledger.figure(idOf(id, 'cycleGlueKg'), SPINE_GLUE_KG, {
    blockMm: fig(idOf(id, 'blockMm')),
    lengthMm: typed(trimmedLengthMm(cx, bound), 'mm', 'head and foot'),
    filmMm: setting(cx, 'filmMm', practiceTerm(plant, isPur ? 'bind.purFilmMm' : 'bind.filmMm')),
    gPerCm3: practiceTerm(plant, 'bind.glueGPerCm3'),
  });
  ledger.figure(
    idOf(id, 'coolingS'),
    SUM,
    { cooling: setting(cx, 'coolingS', practiceTerm(plant, isPur ? 'bind.purCoolS' : 'bind.hotMeltCoolS')) },
    's',
  );
  ledger.figure(idOf(id, 'mostMm'), SUM, { most: limitTerm(cx, 'thickMm', practiceTerm(plant, 'bind.mostMm')) }, 'mm');
  ledger.figure(idOf(id, 'mostLengthMm'), SUM, { most: limitTerm(cx, 'bindLengthMm', practiceTerm(plant, 'bind.lengthMm')) }, 'mm');
}

/** Length of a block as it is glued, without what the sheet leaves: one book, or two and the saw cut between. */
function trimmedLengthMm(cx: DraftContext, bound: AdhesiveBound | undefined): number {
  const { headMm = 0, footMm = 0, sawMm = 0 } = bound?.trims ?? {};
  const one = (cx.parts[0]?.heightMm ?? 0) + headMm + footMm;
  return booksACycle(cx) === 2 ? 2 * one + sawMm : one;
}
