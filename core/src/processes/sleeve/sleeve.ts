import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { STEP_SETUP } from '../../counts/loss-terms';
import { FILM_CUT, LAYFLAT } from '../../finishing/rolls-wound';
import { PRICE_OF } from '../../form/plates';
import type { Flow, Port } from '../../flow/net';
import { type Consumed, type ConsumeContext, type PanelRow, type PaperPage, type Process, lossTable, setting } from '../process';
import { machineRow, runningLossRow, settingRow } from '../rows';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { ofForm } from '../web-time';
import { sleeveScene } from './sleeve-scene';

/** Each roll in a sleeve of shrink film, with a label where one is asked; a design after another. */
export const sleeve: Process = {
  id: 'sleeve',
  losses: { setup: 'sleeve.setupRolls', running: 'sleeve.runningPpm' },
  asks: () => ({}),
  draft(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'layflatMm'), LAYFLAT, {
      diameterMm: fig(ofForm(cx, 'rollDiameterMm')),
      easePercent: practiceTerm(cx.plant, 'sleeve.easePercent'),
    });
    ledger.figure(idOf(id, 'cutMm'), FILM_CUT, {
      widthMm: typed(cx.parts[0]?.widthMm ?? 0, 'mm', 'widthMm'),
      endMm: practiceTerm(cx.plant, 'sleeve.endMm'),
    });
    const losses = stepLosses(cx, id, (cx) => ({
      // Every design is set up anew, also after another.
      setup: {
        formula: STEP_SETUP,
        terms: {
          fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'sleeve.setupRolls')),
          factor: repeatFactor({ ...cx, keeps: null }),
        },
      },
      runningPpm: runningLossTerm(cx, 'sleeve.runningPpm'),
      table: lossTable(cx),
    }));
    const lead = cx.incoming[0]?.of;
    const bought = (unit: Flow['unit'], per: number): Flow => ({
      unit,
      part: lead?.part ?? '',
      item: lead?.item ?? '',
      perGood: per,
      supply: { from: 'buy', leadDays: 5 },
    });
    const filmM = ledger.value(idOf(id, 'cutMm')) / 1_000;
    const also: { port: Port; flow: Flow }[] = [
      { port: { flow: idOf(id, 'film'), per: filmM }, flow: bought('metre', filmM) },
      ...(cx.parts[0]?.traits?.wound?.label ? [{ port: { flow: idOf(id, 'labels'), per: 1 }, flow: bought('piece', 1) }] : []),
    ];
    return singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses, also, cautions: ['tunnel'] });
  },
  consume(cx): Consumed {
    const goods = (what: 'film' | 'labels', price: 'sleeve.filmPerM' | 'sleeve.labelPrice'): Consumed['costs'] => {
      const demand: Id<'figure'> = idOf(cx.id, `${what}.demand`);
      if (!cx.ledger.has(demand)) return [];
      cx.ledger.figure(idOf(cx.id, `${what}Cost`), PRICE_OF, { number: fig(demand), price: practiceTerm(cx.plant, price) });
      return [{ figure: idOf(cx.id, `${what}Cost`), kind: 'goods', fixed: false, per: demand }];
    };
    return { costs: [...timeAndCost(cx, { step: cx.id }), ...goods('film', 'sleeve.filmPerM'), ...goods('labels', 'sleeve.labelPrice')] };
  },
  scene: sleeveScene,
  panel: sleevePanel,
  paper: (cx): PaperPage[] => [
    {
      department: 'packing',
      scene: true,
      rows: sleevePanel(cx),
      lists: [],
      blanks: [
        'tunnel: heat and belt by its maker',
        'first roll looked at: film tight, ends closed',
        'good, spoilt',
        'label read and right',
      ],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: `in film of ${cx.parts[0]?.traits?.wound?.sleeveUm ?? 0} µm` }),
};

function sleevePanel(cx: ConsumeContext): PanelRow[] {
  const roll = cx.parts[0]?.traits?.wound;
  return [
    machineRow(cx),
    { label: 'rollsSleeved', figure: idOf(cx.id, 'run') },
    { label: 'rollDiameter', figure: ofForm(cx, 'rollDiameterMm') },
    { label: 'filmThick', text: `${roll?.sleeveUm ?? 0} µm` },
    { label: 'layflat', figure: idOf(cx.id, 'layflatMm') },
    { label: 'filmCut', figure: idOf(cx.id, 'cutMm') },
    { label: 'filmMetres', figure: idOf(cx.id, 'film.demand') },
    { label: 'rollLabels', figure: idOf(cx.id, 'labels.demand') },
    settingRow(cx, 'setupRolls', 'setupSheets', practiceTerm(cx.plant, 'sleeve.setupRolls'), { kind: 'count' }),
    runningLossRow(cx),
  ];
}
