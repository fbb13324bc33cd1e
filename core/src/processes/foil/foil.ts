import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { ceilTolerant } from '../../quantity/round-tolerant';
import { SUM } from '../../quantity/sum';
import { childOf } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import { FOIL_DIE_PRICE, FOIL_DIES, REMAKES } from '../../form/plates';
import { FOIL_METRES, FOIL_PER_STROKE, FOIL_PRICE } from '../../ink/foil-pull';
import { type ConsumeContext, type Consumed, type Draft, type DraftContext, type Process, lossTable, setting } from '../process';
import { registerToPrint } from '../register-of';
import { singleStep } from '../single-step';
import { ownSetupTerm, runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { type AreaOnForm, areasOnForm, closestAsked, copiesOf, foilLanes, gapTerm, isShared } from './foil-areas';
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
      const at = `${cx.id}.die.${area.key}`;
      cx.ledger.figure(idOf(at, 'dies'), FOIL_DIES, {
        copiesUp: fig(copiesOf(cx, area)),
        areas: typed(1, '1', `foil:${area.id}`),
      });
      tools[at] = {
        kind: 'foil die',
        spec: `${area.name} ${area.widthMm} × ${area.heightMm} mm`,
        count: idOf(at, 'dies'),
        cycles: idOf(cx.id, 'run'),
        remakes: idOf(at, 'remakes'),
        supply: area.tool ? { from: 'store', tool: area.tool } : { from: 'buy', leadDays: 4 },
        made: { family: 'foil-die', wish: { face: area.name, widthMm: area.widthMm, heightMm: area.heightMm } },
      };
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
    for (const area of areas) costs.push(...foilOf(cx, area));
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

function foilOf(cx: ConsumeContext, area: AreaOnForm): Consumed['costs'] {
  const at = `${cx.id}.foil.${area.key}`;
  const die = `${cx.id}.die.${area.key}`;
  const lanes = foilLanes(cx, area);
  const mm = (value: number, what: string): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: what });
  const gapMm = gapTerm(cx);
  cx.ledger.figure(idOf(at, 'perStroke'), FOIL_PER_STROKE, {
    imageMm: mm(lanes.imageMm, `foil:${area.id}`),
    gapMm,
    pitchMm: mm(lanes.pitchMm, 'layout'),
    dies: { value: lanes.dies, unit: 'die', from: 'family', at: 'layout' },
  });
  cx.ledger.figure(idOf(at, 'metres'), FOIL_METRES, {
    perStrokeMm: fig(idOf(at, 'perStroke')),
    strokes: fig(idOf(cx.id, 'run')),
    lanes: { value: lanes.lanes, unit: '1', from: 'family', at: 'layout' },
  });
  cx.ledger.figure(
    idOf(at, 'widthMm'),
    { ...SUM, id: 'foil.width', unit: 'mm' },
    {
      image: mm(lanes.laneWidthMm, `foil:${area.id}`),
      left: practiceTerm(cx.plant, 'foil.marginMm'),
      right: practiceTerm(cx.plant, 'foil.marginMm'),
    },
  );
  cx.ledger.figure(idOf(at, 'cost'), FOIL_PRICE, {
    metres: fig(idOf(at, 'metres')),
    widthMm: fig(idOf(at, 'widthMm')),
    perM2: practiceTerm(cx.plant, 'foil.pricePerM2'),
  });
  cx.ledger.figure(idOf(die, 'remakes'), REMAKES, {
    cycles: fig(idOf(cx.id, 'run')),
    life: practiceTerm(cx.plant, 'foilDie.lifeCycles'),
    perSet: fig(idOf(die, 'dies')),
  });
  const costs: Consumed['costs'] = [{ figure: idOf(at, 'cost'), kind: 'goods', fixed: false }];
  if (diesCost(cx, area, die)) costs.push({ figure: idOf(die, 'cost'), kind: 'form', fixed: true });
  return costs;
}

/** What the dies of an area cost: bought by their size; made here what their job costs; taken from the store nothing. Whether they cost anything. */
function diesCost(cx: ConsumeContext, area: AreaOnForm, die: Id<'toolUse'>): boolean {
  const supply = cx.tools[die]?.supply;
  if (supply?.from === 'store') return false;
  const child = supply?.from === 'job' ? childOf(cx.shelf, supply.job) : undefined;
  if (child)
    cx.ledger.figure(idOf(die, 'cost'), DIES_OF_JOB, {
      job: { value: child.money, unit: 'money', from: 'shelf', at: `job ${child.number}` },
    });
  else
    cx.ledger.figure(idOf(die, 'cost'), FOIL_DIE_PRICE, {
      dies: fig(idOf(die, 'dies')),
      widthMm: typed(area.widthMm, 'mm', `foil:${area.id}`),
      heightMm: typed(area.heightMm, 'mm', `foil:${area.id}`),
      perCm2: practiceTerm(cx.plant, 'foilDie.pricePerCm2'),
      least: practiceTerm(cx.plant, 'foilDie.priceEach'),
    });
  return true;
}
const DIES_OF_JOB = { ...SUM, id: 'foil.diesOfJob', unit: 'money' } as const;
