import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { FOIL_DIES, PRICE_OF, REMAKES } from '../../form/plates';
import type { FoilArea } from '../../product/foil-area';
import { cutWaits } from '../cut-wait';
import { type Process } from '../process';
import { registerToPrint } from '../register-of';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { reliefsOf, embossPanel, embossPaper, embossSummary } from './emboss-page';
import { EMBOSS_RULES } from './emboss-rules';
import { embossScene } from './emboss-scene';

declare module '../../product/part' {
  interface Traits {
    /** Raised between a male and a female die, a pair at every place: where, seen from the printed side. */
    embossed: { areas: Omit<FoilArea, 'side' | 'colour'>[] };
  }
}

const LOSSES = { setup: 'emboss.setupSheets', running: 'emboss.runningPpm', samples: 'emboss.samples' } as const;

/** Embossing: board pressed between male and female, a pair at every place and for every relief; in the pile as it was printed, ink dry before. */
export const emboss: Process = {
  id: 'emboss',
  feeds: true,
  rules: EMBOSS_RULES,
  abilities: ['gripperMm', 'foilToPrintMm', 'perDieS'],
  reach: 'sheet',
  losses: LOSSES,
  asks: (cx) => ({
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),
  draft(cx) {
    const pairs = idOf(cx.id, 'pairs');
    cx.ledger.figure(pairs, FOIL_DIES, {
      copiesUp: fig(idOf(cx.form?.id ?? '', 'copiesUp')),
      areas: typed(reliefsOf(cx).length, '1', 'embossed'),
    });
    const tool = idOf(cx.id, 'pair');
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'sheet',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      waits: cutWaits(cx),
      cautions: ['platen', 'heat'],
      needs: [{ gate: `tool:${tool}`, tool }],
      tools: {
        [tool]: {
          kind: 'embossing pair',
          spec: reliefsOf(cx)
            .map((a) => `${a.name} ${a.widthMm} × ${a.heightMm} mm`)
            .join(', '),
          count: pairs,
          cycles: idOf(cx.id, 'run'),
          remakes: idOf(cx.id, 'remakes'),
          supply: { from: 'buy', leadDays: 4 },
        },
      },
    });
  },
  consume(cx) {
    cx.ledger.figure(idOf(cx.id, 'remakes'), REMAKES, {
      cycles: fig(idOf(cx.id, 'run')),
      life: practiceTerm(cx.plant, 'emboss.lifeCycles'),
      perSet: fig(idOf(cx.id, 'pairs')),
    });
    cx.ledger.figure(idOf(cx.id, 'pairCost'), PRICE_OF, {
      number: fig(idOf(cx.id, 'pairs')),
      price: practiceTerm(cx.plant, 'emboss.pairPrice'),
    });
    return {
      costs: [
        ...timeAndCost(cx, {
          step: cx.id,
          forms: fig(idOf(cx.id, 'pairs')),
          perFormS: { value: cx.machine.limits.perDieS ?? 0, unit: 's', from: 'plant', at: `machine:${cx.machineId}.perDieS` },
        }),
        { figure: idOf(cx.id, 'pairCost'), kind: 'form', fixed: true },
      ],
    };
  },
  registers: (cx) =>
    registerToPrint(
      cx,
      reliefsOf(cx).map((a) => `emboss ${a.name}`),
      'foil',
      null,
      cx.machine.limits.foilToPrintMm,
    ),
  paper: embossPaper,
  scene: embossScene,
  panel: embossPanel,
  summary: embossSummary,
};
