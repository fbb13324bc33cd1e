import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { ceilTolerant } from '../quantity/round-tolerant';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { childOf } from '../plant/plant';
import { practiceTerm, practiceValue } from '../plant/practice';
import { copiesUp, copyPlaces } from '../layout/layout';
import { FOIL_DIES, FOIL_DIE_PRICE, REMAKES } from '../form/plates';
import { FOIL_METRES, FOIL_PER_STROKE, FOIL_PRICE, foilPull } from '../ink/foil-pull';
import { SUM } from '../route/time-and-cost';
import type { Part } from '../product/part';
import {
  type ConsumeContext,
  type Consumed,
  type Draft,
  type DraftContext,
  type PanelRow,
  type Process,
  lossTable,
  setting,
  settingPath,
  wordSetting,
} from './process';
import { registerToPrint } from './register-of';
import { singleStep } from './single-step';
import { repeatFactor, timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';

/** A hot-foil area on a part. */
export interface FoilArea {
  id: Id<'foil'>;
  name: string;
  widthMm: number;
  heightMm: number;
  foilStock?: Id<'stock'>;
  tool?: Id<'tool'>;
}
declare module '../product/part' {
  interface Traits {
    /** Areas struck with foil, and how close to print they are asked. */
    foil: { areas: FoilArea[]; toPrintMm?: number };
  }
}

/** How the dies of one foil area stand on the sheet: lanes along the foil (feed direction), dies in a lane, pitch between them. */
interface Lanes {
  lanes: number;
  dies: number;
  pitchMm: number;
  imageMm: number;
  laneWidthMm: number;
}

/** A foil area of a part on the form. `key` tells it from those of other parts there. */
export interface AreaOnForm extends FoilArea {
  part: Part;
  key: string;
}
/** Whether copies of several orders share the form. */
const isShared = (cx: Pick<DraftContext, 'form'>): boolean => (cx.form?.parts.length ?? 1) > 1;
export const areasOnForm = (cx: Pick<DraftContext, 'parts' | 'form'>): AreaOnForm[] =>
  cx.parts.flatMap((part) =>
    (part.traits?.foil?.areas ?? []).map((area) => ({ ...area, part, key: isShared(cx) ? idOf(part.id, area.id) : area.id })),
  );
/** Copies of the part on the form: so many dies an area needs. */
const copiesOf = (cx: DraftContext, { part }: AreaOnForm): Id<'figure'> => idOf(isShared(cx) ? part.id : (cx.form?.id ?? ''), 'copiesUp');

/** The foil runs in feed direction: copies one behind the other share a lane. The fullest column of copies gives the lane. */
export function foilLanes(cx: DraftContext, area: AreaOnForm): Lanes {
  const cells = cx.layout?.cells.filter((c) => c.part === area.part.id) ?? [];
  if (!cx.layout || cells.length === 0)
    return { lanes: 1, dies: 1, pitchMm: area.heightMm, imageMm: area.heightMm, laneWidthMm: area.widthMm };
  const columns = new Map<number, number[]>();
  for (const p of copyPlaces({ ...cx.layout, cells })) columns.set(p.x, [...(columns.get(p.x) ?? []), p.y]);
  const rows = [...columns.values()].map((ys) => ys.sort((a, b) => a - b));
  const fullest = rows.reduce<number[]>((a, b) => (b.length > a.length ? b : a), []);
  const gaps = fullest.slice(1).map((y, i) => y - (fullest[i] as number));
  const turned = cells[0]?.turn === 90 || cells[0]?.turn === 270;
  const [imageMm, across] = turned ? [area.widthMm, area.heightMm] : [area.heightMm, area.widthMm];
  return {
    lanes: columns.size,
    dies: fullest.length,
    pitchMm: gaps.length > 0 ? Math.min(...gaps) : imageMm,
    imageMm,
    laneWidthMm: across,
  };
}

/** The gap between strikes: set on the step, else the plant's. */
const gapTerm = (cx: ConsumeContext): Term => setting(cx, 'gapMm', practiceTerm(cx.plant, 'foil.gapMm'));
const gapOf = (cx: ConsumeContext): number => {
  const term = gapTerm(cx);
  return 'value' in term ? term.value : 0;
};

const areasTerm = (cx: DraftContext): Term => typed(Math.max(areasOnForm(cx).length, 1), '1', 'foils');

/** Each foil area is set up on its own. Source: common practice, no source. */
const FOIL_SETUP: Formula<'fresh' | 'areas' | 'factor'> = {
  id: 'counts.foilSetup',
  unit: 'cycle',
  source: 'handbook range for one area, from memory; each further area as much again, common practice, no source',
  of: ({ fresh, areas, factor }) => ceilTolerant(fresh * Math.max(areas, 1) * factor),
};
const AREA_DIES: Formula<'copiesUp' | 'areas'> = {
  id: 'form.diesSetUp',
  unit: 'die',
  source: 'arithmetic',
  of: ({ copiesUp: up, areas }) => up * Math.max(areas, 1),
};

/** How close foil to print the most exacting part asks it; null: none does. */
export const closestAsked = (parts: readonly Part[]): number | null => {
  const asked = parts.flatMap((p) => p.traits?.foil?.toPrintMm ?? []);
  return asked.length > 0 ? Math.min(...asked) : null;
};

/** Hot foil: a heated die per copy up, foil drawn so that strikes interleave, ink dry before. */
export const foil: Process = {
  id: 'foil',
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
        { ...SUM, id: 'form.diesOfGang', unit: 'die' },
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

  paper: (cx) => [
    {
      department: 'foil',
      scene: true,
      rows: panelRows(cx),
      lists: [
        {
          title: 'dies',
          head: ['area', 'size', 'dies', 'lanes', 'foil width', 'strokes before a jump', 'short advance', 'jump'],
          rows: areasOnForm(cx).map((a) => {
            const lanes = foilLanes(cx, a);
            const pull = foilPull({
              imageMm: lanes.imageMm,
              gapMm: gapOf(cx),
              pitchMm: lanes.pitchMm,
              dies: lanes.dies,
            });
            return [
              a.name,
              `${a.widthMm} × ${a.heightMm} mm`,
              String(cx.ledger.value(`${cx.id}.die.${a.key}.dies`)),
              String(lanes.lanes),
              `${round(cx.ledger.value(`${cx.id}.foil.${a.key}.widthMm`))} mm`,
              lanes.dies === 1 ? 'no jump' : String(pull.strikes),
              `${round(pull.shortMm)} mm`,
              lanes.dies === 1 ? '–' : `${round(pull.jumpMm)} mm`,
            ];
          }),
        },
      ],
      blanks: ['heat and dwell (foil maker’s sheet)', 'gap to print measured', 'counter at start and end'],
    },
  ],
  scene: stripScene,
  panel: panelRows,
  summary: (cx) => ({ text: `${cx.machine.name} · ${cx.layout ? copiesUp(cx.layout) : 0} dies` }),
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
    { ...SUM, id: 'ink.foilWidth', unit: 'mm' },
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
const DIES_OF_JOB = { ...SUM, id: 'form.diesOfJob', unit: 'money' } as const;

function stripScene(cx: ConsumeContext): Scene {
  const [area] = areasOnForm(cx);
  if (!area) return { title: 'foil', says: 'No foil area.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const lanes = foilLanes(cx, area);
  const gap = gapOf(cx);
  const pull = foilPull({ imageMm: lanes.imageMm, gapMm: gap, pitchMm: lanes.pitchMm, dies: lanes.dies });
  const rounds = 2;
  const width = lanes.laneWidthMm + 2 * practiceValue(cx.plant, 'foil.marginMm');
  const length = rounds * lanes.dies * lanes.pitchMm + lanes.imageMm;
  const text = Math.max(length / 52, 4);
  const shapes: Shape[] = [{ kind: 'rect', role: 'foil', x: 0, y: 0, w: length, h: width, ref: 'foil' }];
  let at = 0;
  for (let stroke = 0; stroke < Math.min(rounds * pull.strikes, 60); stroke++) {
    for (let die = 0; die < lanes.dies; die++) {
      const x = at + die * lanes.pitchMm;
      shapes.push({
        kind: 'rect',
        role: 'strike',
        x,
        y: (width - lanes.laneWidthMm) / 2,
        w: lanes.imageMm,
        h: lanes.laneWidthMm,
        ref: `stroke ${stroke + 1}, die ${die + 1}`,
      });
      shapes.push({
        kind: 'text',
        role: 'strong',
        x: x + lanes.imageMm / 2,
        y: width / 2 + text / 3,
        text: String(stroke + 1),
        sizeMm: Math.min(text, lanes.imageMm * 0.8),
        anchor: 'middle',
      });
    }
    at += (stroke + 1) % pull.strikes === 0 ? pull.jumpMm : pull.shortMm;
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: -text * 0.8,
    text: `short advance ${round(pull.shortMm)} mm · jump ${round(pull.jumpMm)} mm · one lane of ${lanes.lanes}, ${lanes.dies === 1 ? 'one die' : `${lanes.dies} dies ${round(lanes.pitchMm)} mm apart`}`,
    sizeMm: text,
  });
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: width + text * 1.5,
    text: 'numbers are strokes: same number, same stroke',
    sizeMm: text,
  });
  return {
    title: 'strip of foil',
    says: `Foil strip: ${lanes.dies === 1 ? 'one die' : `${lanes.dies} dies`} a lane, ${pull.strikes} strikes interleaved; short advance ${round(pull.shortMm)}, jump ${round(pull.jumpMm)} millimetres.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}

const round = (x: number): number => Math.round(x * 10) / 10;

function panelRows(cx: ConsumeContext): PanelRow[] {
  const areas = areasOnForm(cx);
  const id = (area: AreaOnForm, what: string): Id<'figure'> => idOf(cx.id, what).replace('*', area.key);
  return [
    { label: 'machine', text: cx.machine.name },
    ...areas.flatMap((a) => [
      { label: 'dies', text: a.name, figure: id(a, 'die.*.dies') },
      { label: 'foilPerStroke', text: a.name, figure: id(a, 'foil.*.perStroke') },
      { label: 'foilMetres', text: a.name, figure: id(a, 'foil.*.metres') },
      { label: 'foilWidth', text: a.name, figure: id(a, 'foil.*.widthMm') },
    ]),
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    {
      label: 'setupKind',
      text: wordSetting(cx, 'repeat', 'new'),
      edit: {
        at: settingPath(cx, 'repeat'),
        kind: 'choice',
        options: [
          { value: 'new', says: 'new' },
          { value: 'repeat', says: 'repeat' },
        ],
      },
    },
    { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
    { label: 'dwell', text: 'makersSheet' },
  ];
}
