import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import type { ToolUse } from '../../flow/net';
import { childOf } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import { FOIL_DIE_PRICE, FOIL_DIES, REMAKES } from '../../form/plates';
import { FOIL_METRES, FOIL_PER_STROKE, FOIL_PRICE } from '../../ink/foil-pull';
import type { FoilArea } from '../../product/foil-area';
import type { ConsumeContext, Consumed, DraftContext } from '../process';
import { gapTerm, type Lanes } from './foil-areas';

/* Foil and heated dies of an area that is struck: on sheets, or on one case after another. */

/** What is struck; `key` tells it from the others of its step. */
export type StruckArea = Pick<FoilArea, 'id' | 'name' | 'widthMm' | 'heightMm' | 'tool'> & { key: string };

/** The use of its dies in the plan. */
export const dieId = (step: Id<'step'>, { key }: Pick<StruckArea, 'key'>): Id<'toolUse'> => `${step}.die.${key}`;

/** The dies of an area, one for each copy struck at once. */
export function dieTool(cx: DraftContext, at: Id<'toolUse'>, area: StruckArea, copiesUp: Term): ToolUse {
  cx.ledger.figure(idOf(at, 'dies'), FOIL_DIES, { copiesUp, areas: typed(1, '1', `foil:${area.id}`) });
  return {
    kind: 'foil die',
    spec: `${area.name} ${area.widthMm} × ${area.heightMm} mm`,
    count: idOf(at, 'dies'),
    cycles: idOf(cx.id, 'run'),
    remakes: idOf(at, 'remakes'),
    supply: area.tool ? { from: 'store', tool: area.tool } : { from: 'buy', leadDays: 4 },
    made: { family: 'foil-die', wish: { face: area.name, widthMm: area.widthMm, heightMm: area.heightMm } },
  };
}

/** Foil of an area, and its dies, as costs. */
export function foilAndDies(cx: ConsumeContext, area: StruckArea, lanes: Lanes): Consumed['costs'] {
  const at = `${cx.id}.foil.${area.key}`;
  const die = dieId(cx.id, area);
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
function diesCost(cx: ConsumeContext, area: StruckArea, die: Id<'toolUse'>): boolean {
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
