import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { METRE_MASS, rollDiameterMm, ROLLS, SPLICES } from '../stock/roll';
import { SHEET_MASS } from '../stock/sheet-mass';
import { WEB_USE } from '../layout/web-layout';
import { priceAt } from '../stock/purchase';
import { STOCK_COST } from '../route/time-and-cost';
import { type ConsumeContext, type Process, settingPath, wordSetting } from './process';
import { isCustomers, lotRows, pulledFlow, suppliedBatch, suppliedFlow } from './pull';
import { caliperUmOf } from './stock-terms';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';
import { ofForm } from './web-time';

/** The store brings rolls: metres, rolls with their core waste, mass, price. The stone's drawing is the roll with its diameter. */
export const pullRoll: Process = {
  id: 'pullRoll',
  asks: () => ({}),
  draft(cx) {
    const web = suppliedFlow(cx, 'metre', cx.layout ? cx.layout.sheetMm[1] / 1000 : 1);
    return singleStep(
      { ...cx, incoming: [suppliedBatch(cx, pulledFlow(cx), web)] },
      {
        takesPer: 1,
        givesPer: 1,
        unit: 'metre',
        perGood: web.perGood,
        whole: true,
        losses: {},
        cautions: ['rolls'],
        needs: [{ gate: `paper:${cx.id}` }],
        supplied: { [pulledFlow(cx)]: web },
      },
    );
  },
  consume(cx) {
    const { ledger, id, stock } = cx;
    const metres = fig(idOf(pulledFlow(cx), 'demand'));
    const at = `stock:${cx.stockId ?? ''}`;
    const card = (value: number, unit: 'g/m²' | 'mm') => ({ value, unit, from: 'plant', at }) as const;
    ledger.figure(idOf(id, 'metreKg'), METRE_MASS, { gsm: card(stock?.gsm ?? 0, 'g/m²'), widthMm: card(stock?.widthMm ?? 0, 'mm') });
    ledger.figure(idOf(id, 'mass'), SHEET_MASS, {
      sheets: metres,
      widthMm: card(stock?.widthMm ?? 0, 'mm'),
      heightMm: { value: 1_000, unit: 'mm', from: 'family', at: 'a metre' },
      gsm: card(stock?.gsm ?? 0, 'g/m²'),
    });
    ledger.figure(idOf(id, 'rolls'), ROLLS, { metres, usable: fig(ofForm(cx, 'usableRoll')) });
    ledger.figure(idOf(id, 'splices'), SPLICES, { rolls: fig(idOf(id, 'rolls')) });
    ledger.figure(idOf(id, 'webUse'), WEB_USE, {
      pieces: fig(ofForm(cx, 'copiesUp')),
      widthMm: { value: cx.parts[0]?.widthMm ?? 0, unit: 'mm', from: 'typed', at: 'width' },
      heightMm: { value: cx.parts[0]?.heightMm ?? 0, unit: 'mm', from: 'typed', at: 'height' },
      webMm: card(stock?.widthMm ?? 0, 'mm'),
      repeatMm: fig(ofForm(cx, 'repeatMm')),
    });
    ledger.figure(idOf(id, 'cost'), STOCK_COST, {
      number: metres,
      perThousand: {
        value: isCustomers(cx) ? 0 : priceAt(stock?.price ?? [], ledger.value(idOf(pulledFlow(cx), 'demand'))),
        unit: 'money',
        from: 'plant',
        at,
      },
    });
    return {
      costs: [
        // A roll store's cycles an hour are rolls.
        ...timeAndCost(cx, { step: id, cycles: fig(idOf(id, 'rolls')) }),
        { figure: idOf(id, 'cost'), kind: 'stock', fixed: false },
      ],
    };
  },
  scene: rollScene,
  panel: (cx) => {
    const part = cx.parts[0];
    const fitting = Object.entries(cx.plant.stocks).filter(([, s]) => s.form === 'roll' && s.grade === part?.grade);
    return [
      {
        label: 'stock',
        text: cx.stock?.name ?? '',
        edit: {
          at: ['choices', 'stock', cx.form?.id ?? ''],
          kind: 'choice',
          options: fitting.map(([value, s]) => ({ value, says: s.name })),
        },
      },
      {
        label: 'owner',
        text: wordSetting(cx, 'owner', 'works'),
        edit: {
          at: settingPath(cx, 'owner'),
          kind: 'choice',
          options: [
            { value: 'works', says: 'works' },
            { value: 'customer', says: 'customer' },
          ],
        },
      },
      { label: 'rollLength', figure: ofForm(cx, 'rollLength') },
      { label: 'usableRoll', figure: ofForm(cx, 'usableRoll') },
      { label: 'metresToPull', figure: idOf(pulledFlow(cx), 'demand') },
      { label: 'rolls', figure: idOf(cx.id, 'rolls') },
      { label: 'splices', figure: idOf(cx.id, 'splices') },
      { label: 'mass', figure: idOf(cx.id, 'mass') },
      { label: 'metreMass', figure: idOf(cx.id, 'metreKg') },
      { label: 'metresAThousand', figure: ofForm(cx, 'metresAThousand') },
      { label: 'webUse', figure: idOf(cx.id, 'webUse') },
      { label: 'rollByMass', figure: ofForm(cx, 'rollByMass') },
      { label: 'rollByDiameter', figure: ofForm(cx, 'rollByDiameter') },
      ...(cx.stock?.laminate ? [{ label: 'laminate', text: laminateWords(cx) }] : []),
      { label: 'cost', figure: idOf(cx.id, 'cost') },
    ];
  },
  paper: (cx) => [
    {
      department: 'store',
      scene: true,
      rows: pullRoll.panel(cx),
      lists: [
        {
          title: 'rollList',
          head: ['roll', 'metres', 'kg', 'diameter', 'core'],
          rows: lotRows(cx, (l) => [String(l.quantity), String(l.kg ?? '–'), said(l.diameterMm), said(l.coreMm ?? cx.stock?.coreMm)]),
        },
      ],
      blanks: ['location', 'unwrap not before', 'substitute note', 'metres left on each roll'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'rolls'), text: cx.stock?.name ?? '' }),
};

const said = (mm: number | undefined): string => (mm === undefined ? '–' : `${mm} mm`);
const laminateWords = (cx: ConsumeContext): string => {
  const l = cx.stock?.laminate;
  return l ? `${l.face} / ${l.adhesive} / ${l.liner}` : '';
};

/** The roll from the side, to scale, with core and diameter; beside it how it stands on the unwinder, with its width. */
function rollScene(cx: ConsumeContext): Scene {
  const core = cx.stock?.coreMm ?? 76;
  const length = cx.ledger.value(ofForm(cx, 'rollLength'));
  const caliperUm = caliperUmOf(cx) || 100;
  const diameter = cx.stock?.rollDiameterMm ?? rollDiameterMm({ lengthM: length, coreMm: core, caliperUm });
  const width = cx.stock?.widthMm ?? 0;
  const r = diameter / 2;
  const text = Math.max(diameter, 200) / 18;
  const x0 = diameter + text * 4;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: r, cy: r, r, ref: 'roll' },
    ...[0.82, 0.64, 0.46].map((k): Shape => ({ kind: 'circle', role: 'roll', cx: r, cy: r, r: core / 2 + (r - core / 2) * k })),
    { kind: 'circle', role: 'core', cx: r, cy: r, r: core / 2, ref: 'core' },
    { kind: 'line', role: 'dimension', x1: 0, y1: diameter + text, x2: diameter, y2: diameter + text, ref: 'diameter' },
    {
      kind: 'text',
      role: 'label',
      x: r,
      y: diameter + text * 2.4,
      text: `${round(diameter)} mm, core ${round(core)}`,
      sizeMm: text,
      anchor: 'middle',
    },
    { kind: 'rect', role: 'roll', x: x0, y: 0, w: width, h: diameter, ref: 'face' },
    { kind: 'rect', role: 'core', x: x0 - text, y: r - core / 2, w: text, h: core },
    { kind: 'rect', role: 'core', x: x0 + width, y: r - core / 2, w: text, h: core },
    { kind: 'line', role: 'dimension', x1: x0, y1: diameter + text, x2: x0 + width, y2: diameter + text, ref: 'width' },
    {
      kind: 'text',
      role: 'label',
      x: x0 + width / 2,
      y: diameter + text * 2.4,
      text: `${round(width)} mm`,
      sizeMm: text,
      anchor: 'middle',
    },
    {
      kind: 'text',
      role: 'strong',
      x: x0 + width / 2,
      y: r + text / 3,
      text: `${Math.round(length)} m a roll`,
      sizeMm: text,
      anchor: 'middle',
    },
  ];
  return {
    title: 'roll',
    says: `Roll of ${Math.round(length)} metres, ${round(width)} millimetres wide, diameter ${round(diameter)}, core ${round(core)}; ${cx.ledger.value(idOf(cx.id, 'rolls'))} rolls.`,
    box: boxAround(shapes, text * 1.4),
    toScale: true,
    shapes,
  };
}

const round = (x: number): number => Math.round(x * 10) / 10;
