import type { Formula, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { ceilTolerant } from '../../quantity/round-tolerant';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import { type Consumed, type Draft, type DraftContext, type Process, lossTable, setting } from '../process';
import { registerToPrint } from '../register-of';
import { singleStep } from '../single-step';
import { ownSetupTerm, runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { dieId, dieTool, foilAndDies } from './foil-and-dies';
import { areasOnForm, closestAsked, copiesOf, foilLanes, isShared } from './foil-areas';
import { foilPanel, foilPaper, foilSummary } from './foil-page';
import { FOIL_RULES } from './foil-rules';
import { stripScene } from './foil-scene';

const areasTerm = (cx: DraftContext): Term => typed(Math.max(areasOnForm(cx).length, 1), '1', 'foils');

/** Each foil area is set up on its own. Source: common practice, no source. */
const FOIL_SETUP: Formula<'fresh' | 'areas' | 'factor'> = {
  id: 'foil.setup',
  unit: 'cycle',
  source: 'handbook range for one area, from memory; each further area as much again, common practice, no source',
  of: ({ fresh, areas, factor }) => ceilTolerant(fresh * Math.max(areas, 1) * factor),
};
const AREA_DIES: Formula<'copiesUp' | 'areas'> = {
  id: 'foil.diesSetUp',
  unit: 'die',
  source: 'arithmetic',
  of: ({ copiesUp: up, areas }) => up * Math.max(areas, 1),
};

/** Hot foil: a heated die per copy up, foil drawn so that strikes interleave, ink dry before. */
export const foil: Process = {
  id: 'foil',
  feeds: true,
  rules: FOIL_RULES,
  abilities: ['gripperMm', 'foilToPrintMm', 'perDieS'],
  reach: 'sheet',
  losses: { setup: 'foil.setupSheets', running: 'foil.runningPpm' },
  laysFoil: true,
  asks: (cx) => ({
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),

  draft(cx): Draft {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: {
        formula: FOIL_SETUP,
        terms: {
          fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'foil.setupSheets')),
          areas: areasTerm(cx),
          factor: repeatFactor(cx),
        },
        own: ownSetupTerm(cx),
      },
      runningPpm: runningLossTerm(cx, 'foil.runningPpm'),
      table: lossTable(cx),
    }));
    const waits = cx.wet.map((after) => {
      const figure = idOf(cx.id, 'waitS');
      cx.ledger.figure(figure, SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, 'wait.foilS')) });
      return { after, figure, why: 'foil' as const };
    });
    const tools: Draft['tools'] = {};
    for (const area of areasOnForm(cx)) {
      const at = dieId(cx.id, area);
      tools[at] = dieTool(cx, at, area, fig(copiesOf(cx, area)));
    }
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'sheet',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses,
      waits,
      cautions: ['platen', 'heat'],
      needs: Object.keys(tools).map((tool) => ({ gate: `tool:${tool}`, tool })),
      tools,
    });
  },

  consume(cx): Consumed {
    const costs: Consumed['costs'] = [];
    const areas = areasOnForm(cx);
    for (const area of areas) costs.push(...foilAndDies(cx, area, foilLanes(cx, area)));
    if (isShared(cx))
      cx.ledger.figure(
        idOf(cx.id, 'diesSetUp'),
        { ...SUM, id: 'foil.diesOfGang', unit: 'die' },
        Object.fromEntries(areas.map((a) => [a.key, fig(`${cx.id}.die.${a.key}.dies`)])),
      );
    else
      cx.ledger.figure(idOf(cx.id, 'diesSetUp'), AREA_DIES, { copiesUp: fig(idOf(cx.form?.id ?? '', 'copiesUp')), areas: areasTerm(cx) });
    return {
      costs: [
        ...costs,
        ...timeAndCost(cx, {
          step: cx.id,
          forms: fig(idOf(cx.id, 'diesSetUp')),
          perFormS: { value: cx.machine.limits.perDieS ?? 300, unit: 's', from: 'plant', at: `machine:${cx.machineId}.perDieS` },
        }),
      ],
    };
  },

  registers: (cx) =>
    registerToPrint(
      cx,
      areasOnForm(cx).map((f) => `foil ${f.name}`),
      'foil',
      closestAsked(cx.parts),
      cx.machine.limits.foilToPrintMm,
    ),

  paper: foilPaper,
  scene: stripScene,
  panel: foilPanel,
  summary: foilSummary,
};
