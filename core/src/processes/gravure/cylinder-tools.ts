import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { childOf } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import { chromeLife } from '../../form/chrome-life';
import { PRICE_OF, REMAKES } from '../../form/plates';
import type { ToolUse } from '../../flow/net';
import { CYLINDER_DIAMETER, CYLINDER_TURN, USUAL_STEP_UM } from '../../form/cylinder-set';
import type { ConsumeContext, Consumed, DraftContext } from '../process';
import { ofForm } from '../web-time';
import { firstTurnMm, gravurePass } from './gravure-pass';

/* The cylinders of a run: made by a job of the cylinder shop, bought, or taken from the store. */

/** The use of its cylinders in the plan. */
export const cylindersOf = (cx: Pick<DraftContext, 'id'>): Id<'toolUse'> => idOf(cx.id, 'cylinders');

/** A set is one tool; what the cylinder shop has to make for it follows from the web. */
export function cylinderTool(cx: DraftContext): ToolUse {
  const at = cylindersOf(cx);
  const { inks, hung } = gravurePass(cx);
  const roll = cx.parts[0]?.traits?.wound;
  cx.ledger.figure(idOf(at, 'sets'), { ...SUM, id: 'gravure.cylinderSets', unit: '1' }, { set: typed(1, '1', 'one set a run') });
  const lead = practiceTerm(cx.plant, 'cylinders.boughtDays');
  const face = cx.machine.limits.bodyFaceMm;
  return {
    kind: 'cylinder',
    spec: `${hung.join(', ')}, one turn ${roll?.turnMm ?? 0} mm${cx.version ? `, ${cx.version.name}` : ''}`,
    count: idOf(at, 'sets'),
    cycles: idOf(cx.id, 'run'),
    remakes: idOf(at, 'rechromes'),
    supply: { from: 'buy', leadDays: 'value' in lead ? lead.value : 0 },
    made: {
      family: 'cylinder-set',
      wish: {
        name: [cx.parts[0]?.product ?? '', cx.version?.name ?? ''].filter(Boolean).join(', '),
        firstTurnMm: roll?.turnMm ?? 0,
        stepUm: USUAL_STEP_UM,
        bandMm: cx.ledger.value(ofForm(cx, 'bandMm')),
        ...(face !== undefined && { faceMm: face }),
        rows: Object.fromEntries(
          hung.map((ink, i) => [`r${i + 1}`, { ink, station: inks.indexOf(ink) + 1, version: cx.version?.name ?? '' }]),
        ),
        printedOn: roll?.printed === 'reverse' ? 'filmBack' : 'surface',
        reading: roll?.printed === 'reverse' ? 'right' : 'mirrored',
        stock: cx.stock?.name ?? '',
        ink: cx.inkSeries?.name ?? '',
      },
      figures: { runTurns: idOf(cx.id, 'run') },
    },
  };
}

/** Turns that the weakest of the cylinders lasts on its chrome. */
const lifeTerm = (cx: ConsumeContext, inks: readonly string[]): Term => {
  const usual = practiceTerm(cx.plant, 'cylinders.lifeTurns');
  const turns = 'value' in usual ? usual.value : 0;
  return { value: Math.min(turns, ...inks.map((ink) => chromeLife(turns, ink))), unit: '1', from: 'plant', at: 'cylinders.lifeTurns' };
};
/** Sets that are chromed again within the run. */
const RECHROMES = { ...REMAKES, id: 'gravure.rechromes', unit: '1' } as const;

/** What the cylinders cost: bought one by one; made here what their job costs; from the store nothing. */
export function cylinderCosts(cx: ConsumeContext): Consumed['costs'] {
  const at = cylindersOf(cx);
  const { hung } = gravurePass(cx);
  if (hung.length === 0) return [];
  cx.ledger.figure(idOf(at, 'rechromes'), RECHROMES, {
    cycles: fig(idOf(cx.id, 'run')),
    life: lifeTerm(cx, hung),
    perSet: fig(idOf(at, 'sets')),
  });
  const supply = cx.tools[at]?.supply;
  if (supply?.from === 'store' || supply?.from === 'customer') return [];
  const child = supply?.from === 'job' ? childOf(cx.shelf, supply.job) : undefined;
  if (child)
    cx.ledger.figure(idOf(at, 'cost'), CYLINDERS_OF_JOB, {
      job: { value: child.money, unit: 'money', from: 'shelf', at: `job ${child.number}` },
    });
  else
    cx.ledger.figure(idOf(at, 'cost'), CYLINDERS_BOUGHT, {
      number: { value: hung.length, unit: '1', from: 'family', at: 'stations' },
      price: practiceTerm(cx.plant, 'cylinders.boughtEach'),
    });
  return [{ figure: idOf(at, 'cost'), kind: 'form', fixed: true }];
}
const CYLINDERS_OF_JOB = { ...SUM, id: 'gravure.cylindersOfJob', unit: 'money' } as const;
const CYLINDERS_BOUGHT = { ...PRICE_OF, id: 'gravure.cylindersBought' } as const;

/** One turn of each station. */
export const stationTurns = (cx: DraftContext): { ink: string; turnMm: number }[] => {
  return gravurePass(cx).inks.map((ink, i) => {
    const diameterMm = CYLINDER_DIAMETER.of({ firstTurnMm: firstTurnMm(cx), stepUm: USUAL_STEP_UM, station: i + 1 });
    return { ink, turnMm: CYLINDER_TURN.of({ diameterMm }) };
  });
};
