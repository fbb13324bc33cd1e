import { countOf } from '../words/format';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import type { Term } from '../quantity/figure';
import type { PackCard } from '../plant/plant';
import { practiceTerm, practiceValue } from '../plant/practice';
import type { Step } from '../flow/net';
import { guillotineCount } from '../layout/guillotine-count';
import { HANDS_TIME, PACKS, PIECE_MASS, CLOCK_TIME } from '../finishing/folding';
import {
  CARTON_KG,
  LAST_CARTON,
  LAYERS,
  LAYERS_LAID,
  PALLET_HEIGHT,
  PALLET_KG,
  PER_CARTON,
  PER_LAYER,
  PER_PALLET,
  USUAL_CARTON,
  USUAL_PALLET,
} from '../finishing/packing';
import { PRICE_OF } from '../form/plates';
import type { LossTerms } from '../flow/solve-backward';
import {
  type ConsumeContext,
  type Draft,
  type DraftContext,
  machineTerm,
  type PanelRow,
  type Process,
  setting,
  settingPath,
  wordSetting,
  settingRow,
} from './process';
import { onwards } from './batch';
import { flowAfter, lossNumbers, singleStep } from './single-step';
import { caliperTerm } from './stock-terms';
import { timeAndCost } from './time-and-cost';
import { foldedWidthOf, foldsOf } from '../product/folds';

declare module '../product/part' {
  interface Traits {
    /** How finished pieces are put together: in bands, in cartons of so many where that is said. */
    packed: { perBand?: number; perCarton?: number };
  }
}

/** Packing spoils a share of its cycles where the plant says so; setups and samples cost no pieces. */
const packLoss = (cx: DraftContext): LossTerms => ({ runningPpm: practiceTerm(cx.plant, 'pack.runningPpm') });

/** Bands: so many pieces round each; the last band may be short. */
export const band: Process = {
  id: 'band',
  asks: () => ({}),
  draft: (cx) => {
    const per = cx.parts[0]?.traits?.packed?.perBand ?? 1;
    return singleStep(cx, {
      takesPer: per,
      givesPer: per,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: packLoss(cx),
      cautions: ['heat'],
    });
  },
  consume(cx) {
    const per = cx.parts[0]?.traits?.packed?.perBand ?? 1;
    cx.ledger.figure(idOf(cx.id, 'bands'), PACKS, { pieces: fig(idOf(cx.id, 'out.demand')), perPack: typed(per, 'piece', 'perBand') });
    cx.ledger.figure(idOf(cx.id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(cx.id, 'bands')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'pack.bandS')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    cx.ledger.figure(idOf(cx.id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(cx.id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    return {
      costs: timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'clockS')), people: setting(cx, 'people', machineTerm(cx, 'crew')) }),
    };
  },
  paper: (cx) => [{ department: 'packing', scene: true, rows: band.panel(cx), lists: [], blanks: ['bands counted'] }],
  scene(cx): Scene {
    const per = Math.min(cx.parts[0]?.traits?.packed?.perBand ?? 1, 24);
    const shapes: Shape[] = Array.from({ length: per }, (_, i): Shape => ({
      kind: 'rect',
      role: 'copy',
      x: 0,
      y: i * 7,
      w: 150,
      h: 6,
      ref: `piece ${i + 1}`,
    }));
    shapes.push(
      { kind: 'rect', role: 'band', x: 60, y: -3, w: 24, h: per * 7 + 5, ref: 'band' },
      {
        kind: 'text',
        role: 'label',
        x: 0,
        y: per * 7 + 18,
        text: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} a band; the last one may be short`,
        sizeMm: 9,
      },
    );
    return {
      title: 'band',
      says: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} pieces in a band.`,
      box: { x: -8, y: -10, w: 190, h: per * 7 + 36 },
      toScale: false,
      shapes,
    };
  },
  panel: (cx) => [
    { label: 'perBand', text: String(cx.parts[0]?.traits?.packed?.perBand ?? 1) },
    { label: 'bands', figure: idOf(cx.id, 'bands') },
    settingRow(cx, 'secondsABand', 'secondsEach', practiceTerm(cx.plant, 'pack.bandS'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'bands'), text: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} a band` }),
};

type Card = Omit<PackCard, 'price'> & { id: string };
const cardsOf = (cards: Record<string, PackCard> | undefined, usual: Omit<PackCard, 'price'>): [Card, ...Card[]] => {
  // The smallest first: what is taken where nobody chooses.
  const all = Object.entries(cards ?? {})
    .map(([id, c]) => ({ ...c, id }))
    .sort((a, b) => a.widthMm * a.depthMm * a.heightMm - b.widthMm * b.depthMm * b.heightMm);
  const [first, ...others] = all;
  return first ? [first, ...others] : [{ ...usual, id: '' }];
};
/** What lies flat in the carton: a layer of a bundle, or the folded piece. */
const footprintOf = (cx: DraftContext): [number, number] =>
  cx.bundle?.footprintMm ?? [foldedWidthOf(cx.parts[0]), cx.parts[0]?.heightMm ?? 0];
/** Pieces that lie side by side in a carton. */
const stacksIn = (card: Card, [pieceWidth, pieceHeight]: [number, number]): number =>
  pieceWidth > 0 && pieceHeight > 0
    ? guillotineCount({ width: card.widthMm, height: card.depthMm, pieceWidth, pieceHeight, mayTurn: true }).count
    : 0;

/** The carton set on the step; else the smallest of the plant's cards the piece goes into; else the smallest. */
export function cartonOf(cx: DraftContext): { card: Card; all: Card[]; fits: boolean } {
  const all = cardsOf(cx.plant.cartons, USUAL_CARTON);
  const set = all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'carton', ''));
  const card = set ?? all.find((c) => stacksIn(c, footprintOf(cx)) > 0) ?? all[0];
  return { card, all, fits: stacksIn(card, footprintOf(cx)) > 0 };
}
/** The pallet set on the step, else the plant's smallest. */
function palletOf(cx: DraftContext): { card: Card; all: Card[] } {
  const all = cardsOf(cx.plant.pallets, USUAL_PALLET);
  return { card: all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'pallet', '')) ?? all[0], all };
}
const priceTerm = (cx: DraftContext, what: 'carton' | 'pallet', { id }: Card): Term => {
  const cards: Record<string, PackCard> | undefined = what === 'carton' ? cx.plant.cartons : cx.plant.pallets;
  const card = cards?.[id];
  return card ? { value: card.price, unit: 'money', from: 'plant', at: `${what}:${id}` } : practiceTerm(cx.plant, `pack.${what}Price`);
};

/** Cartons, then pallets: two steps of one stone. Full ones first, the last ones may be short. */
export const pack: Process = {
  id: 'pack',
  packs: true,
  asks: () => ({}),
  draft(cx): Draft {
    const lead = cx.incoming[0];
    if (!lead) return { steps: {}, flows: {}, tools: {}, out: [] };
    packFigures(cx);
    const { ledger, id } = cx;
    const perCarton = Math.max(ledger.value(idOf(id, 'perCarton')), 1);
    const perPallet = Math.max(ledger.value(idOf(id, 'perPallet')), 1) * perCarton;
    const flow = flowAfter(lead.of, 'piece', 1);
    const step = (stepId: string, from: string, out: string, per: number): Step => ({
      process: cx.process,
      stage: cx.stone,
      takes: [{ flow: from, per }],
      gives: [{ flow: out, per }],
      loss: lossNumbers(losses, ledger),
      whole: false,
      machine: cx.machineId,
      needs: [],
      waits: [],
      cautions: ['lifting'],
    });
    const [carton, pallet] = [idOf(id, 'carton'), idOf(id, 'pallet')];
    const losses = packLoss(cx);
    return {
      steps: {
        [carton]: { step: step(carton, lead.flow, idOf(carton, 'out'), perCarton), losses },
        [pallet]: { step: step(pallet, idOf(carton, 'out'), idOf(pallet, 'out'), perPallet), losses },
      },
      flows: { [idOf(carton, 'out')]: flow, [idOf(pallet, 'out')]: flow },
      tools: {},
      out: [onwards(cx.incoming, idOf(pallet, 'out'))],
    };
  },
  consume(cx) {
    const { ledger, id } = cx;
    const pieces = fig(idOf(id, 'pallet.out.demand'));
    ledger.figure(idOf(id, 'cartons'), PACKS, { pieces, perPack: fig(idOf(id, 'perCarton')) });
    ledger.figure(idOf(id, 'pallets'), PACKS, { pieces: fig(idOf(id, 'cartons')), perPack: fig(idOf(id, 'perPallet')) });
    ledger.figure(idOf(id, 'lastCarton'), LAST_CARTON, {
      pieces,
      cartons: fig(idOf(id, 'cartons')),
      perCarton: fig(idOf(id, 'perCarton')),
    });
    const pallet = palletOf(cx).card;
    ledger.figure(idOf(id, 'layersLaid'), LAYERS_LAID, {
      layers: fig(idOf(id, 'layers')),
      cartons: fig(idOf(id, 'cartons')),
      perLayer: fig(idOf(id, 'perLayer')),
    });
    ledger.figure(idOf(id, 'palletHeight'), PALLET_HEIGHT, {
      layers: fig(idOf(id, 'layersLaid')),
      cartonMm: { value: cartonOf(cx).card.heightMm, unit: 'mm', from: 'plant', at: 'carton' },
      palletMm: { value: pallet.heightMm, unit: 'mm', from: 'plant', at: 'pallet' },
    });
    ledger.figure(idOf(id, 'kg'), PALLET_KG, {
      cartons: fig(idOf(id, 'cartons')),
      cartonKg: fig(idOf(id, 'cartonKg')),
      emptyKg: typed(0, 'kg', 'none'),
    });
    for (const [what, practice] of [
      ['carton', 'pack.cartonS'],
      ['pallet', 'pack.palletS'],
    ] as const) {
      ledger.figure(`${id}.${what}.handsS`, HANDS_TIME, {
        pieces: fig(`${id}.${what}s`),
        secondsEach: practiceTerm(cx.plant, practice),
        rest: practiceTerm(cx.plant, 'hands.restShare'),
      });
      ledger.figure(`${id}.${what}.clockS`, CLOCK_TIME, {
        handsS: fig(`${id}.${what}.handsS`),
        people: setting(cx, 'people', machineTerm(cx, 'crew')),
      });
      ledger.figure(`${id}.${what}.cost`, PRICE_OF, {
        number: fig(`${id}.${what}s`),
        price: priceTerm(cx, what, what === 'carton' ? cartonOf(cx).card : palletOf(cx).card),
      });
    }
    return {
      costs: [
        ...timeAndCost(cx, {
          step: idOf(id, 'carton'),
          runS: fig(idOf(id, 'carton.clockS')),
          people: setting(cx, 'people', machineTerm(cx, 'crew')),
        }),
        ...timeAndCost(cx, {
          step: idOf(id, 'pallet'),
          runS: fig(idOf(id, 'pallet.clockS')),
          people: setting(cx, 'people', machineTerm(cx, 'crew')),
          setupFactor: typed(0, 's', 'none'),
        }),
        { figure: idOf(id, 'carton.cost'), kind: 'goods', fixed: false },
        { figure: idOf(id, 'pallet.cost'), kind: 'goods', fixed: false, per: idOf(id, 'pallet.run') },
      ],
    };
  },
  paper: (cx) => [
    {
      department: 'packing',
      scene: true,
      rows: pack.panel(cx),
      lists: [],
      blanks: ['label checked', 'pallet numbers', 'weighed', 'truck and papers'],
    },
  ],
  scene: palletScene,
  panel: (cx) => [
    cardRow(cx, 'carton', cartonOf(cx)),
    { label: 'perCarton', figure: idOf(cx.id, 'perCarton'), edit: { at: settingPath(cx, 'perCarton'), kind: 'count' } },
    { label: 'lastCarton', figure: idOf(cx.id, 'lastCarton') },
    { label: 'pieceMass', figure: idOf(cx.id, 'pieceKg') },
    { label: 'cartonMass', figure: idOf(cx.id, 'cartonKg') },
    { label: 'cartons', figure: idOf(cx.id, 'cartons') },
    cardRow(cx, 'pallet', palletOf(cx)),
    { label: 'perLayer', figure: idOf(cx.id, 'perLayer') },
    { label: 'layers', figure: idOf(cx.id, 'layers'), edit: { at: settingPath(cx, 'layers'), kind: 'count' } },
    { label: 'layersLaid', figure: idOf(cx.id, 'layersLaid') },
    { label: 'pallets', figure: idOf(cx.id, 'pallets') },
    { label: 'cartonsMass', figure: idOf(cx.id, 'kg') },
    { label: 'palletMass', figure: idOf(cx.id, 'palletKg') },
    { label: 'palletHeight', figure: idOf(cx.id, 'palletHeight') },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'cartons'), text: `${cx.ledger.value(idOf(cx.id, 'perCarton'))} a carton` }),
};

/** Cards to choose from, the one in use shown. */
const cardRow = (cx: ConsumeContext, label: 'carton' | 'pallet', { card, all }: { card: Card; all: Card[] }): PanelRow => ({
  label,
  text: card.name,
  ...(all.length > 1 && {
    edit: { at: settingPath(cx, label), kind: 'choice' as const, options: all.map((c) => ({ value: c.id, says: c.name })) },
  }),
});

function packFigures(cx: DraftContext): void {
  const { ledger, id } = cx;
  const part = cx.parts[0];
  const mm = (value: number, at: string): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at });
  ledger.figure(idOf(id, 'pieceKg'), PIECE_MASS, {
    ...(cx.bundle
      ? { widthMm: mm(cx.bundle.paperMm2, 'bundle'), heightMm: mm(1 / cx.bundle.pieces, 'bundle') }
      : { widthMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'), heightMm: typed(part?.heightMm ?? 0, 'mm', 'openHeightMm') }),
    gsm: { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` },
    extraKg: {
      value: part?.traits?.envelope ? 0.006 : 0,
      unit: 'kg',
      from: 'guess',
      at: 'envelope',
      ...(part?.traits?.envelope && { pm: 0.002 }),
    },
  });
  if (cx.bundle)
    ledger.figure(idOf(id, 'thickness'), SHARE_OF_LAYER, {
      layerMm: mm(cx.bundle.layerMm, 'bundle'),
      pieces: { value: cx.bundle.pieces, unit: 'piece', from: 'family', at: 'bundle' },
    });
  else
    ledger.figure(idOf(id, 'thickness'), PIECE_THICKNESS, {
      panels: typed(foldsOf(part) + 1, '1', 'folds'),
      caliperUm: caliperTerm(cx),
      envelopeUm: { value: part?.traits?.envelope ? 300 : 0, unit: 'µm', from: 'guess', at: 'envelope' },
      air: { value: 1.15, unit: '1', from: 'guess', at: 'practice', pm: 0.1 },
    });
  const [carton, pallet] = [cartonOf(cx).card, palletOf(cx).card];
  const stacks = stacksIn(carton, footprintOf(cx));
  ledger.figure(idOf(id, 'perCarton'), PER_CARTON, {
    set: setting(cx, 'perCarton', typed(part?.traits?.packed?.perCarton ?? 0, 'piece', 'perCarton')),
    limitKg: practiceTerm(cx.plant, 'pack.cartonKg'),
    emptyKg: { value: carton.emptyKg, unit: 'kg', from: 'plant', at: 'carton' },
    pieceKg: fig(idOf(id, 'pieceKg')),
    perBand: cx.bundle
      ? { value: cx.bundle.together, unit: 'piece', from: 'family', at: 'bundle' }
      : typed(part?.traits?.packed?.perBand ?? 1, 'piece', 'perBand'),
    stacks: { value: stacks, unit: '1', from: 'family', at: 'carton' },
    heightMm: mm(carton.heightMm, 'carton'),
    thicknessMm: fig(idOf(id, 'thickness')),
  });
  ledger.figure(idOf(id, 'cartonKg'), CARTON_KG, {
    pieces: fig(idOf(id, 'perCarton')),
    pieceKg: fig(idOf(id, 'pieceKg')),
    emptyKg: { value: carton.emptyKg, unit: 'kg', from: 'plant', at: 'carton' },
  });
  const places = guillotineCount({
    width: pallet.widthMm,
    height: pallet.depthMm,
    pieceWidth: carton.widthMm,
    pieceHeight: carton.depthMm,
    mayTurn: true,
  }).count;
  ledger.figure(idOf(id, 'perLayer'), PER_LAYER, { places: { value: places, unit: 'case', from: 'family', at: 'pallet' } });
  const limit = cx.shelf.palletLimit;
  ledger.figure(idOf(id, 'layers'), LAYERS, {
    set: setting(cx, 'layers', typed(0, '1', 'none')),
    heightMm: limit ? { value: limit.heightMm, unit: 'mm', from: 'shelf', at: 'customer' } : practiceTerm(cx.plant, 'pack.palletHeightMm'),
    palletMm: mm(pallet.heightMm, 'pallet'),
    cartonMm: mm(carton.heightMm, 'carton'),
    limitKg: limit ? { value: limit.kg, unit: 'kg', from: 'shelf', at: 'customer' } : practiceTerm(cx.plant, 'pack.palletKg'),
    perLayer: fig(idOf(id, 'perLayer')),
    cartonKg: fig(idOf(id, 'cartonKg')),
  });
  ledger.figure(idOf(id, 'perPallet'), PER_PALLET, { perLayer: fig(idOf(id, 'perLayer')), layers: fig(idOf(id, 'layers')) });
  ledger.figure(idOf(id, 'palletKg'), PALLET_KG, {
    cartons: fig(idOf(id, 'perPallet')),
    cartonKg: fig(idOf(id, 'cartonKg')),
    emptyKg: { value: pallet.emptyKg, unit: 'kg', from: 'plant', at: 'pallet' },
  });
}

/** Thickness of a piece in the carton, with the air between pieces. */
const PIECE_THICKNESS = {
  id: 'finishing.pieceThickness',
  unit: 'mm',
  source: 'panels × caliper + envelope, × air; air: common practice, no source',
  of: (t: Record<'panels' | 'caliperUm' | 'envelopeUm' | 'air', number>) => ((t.panels * t.caliperUm + t.envelopeUm) * t.air) / 1000,
} as const;

/** A piece's share of the layer it lies in. Source: arithmetic. */
const SHARE_OF_LAYER = {
  id: 'finishing.shareOfLayer',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ layerMm, pieces }: Record<'layerMm' | 'pieces', number>) => layerMm / pieces,
} as const;

/** A pallet from the side, layer by layer, to scale. */
function palletScene(cx: ConsumeContext): Scene {
  const [carton, pallet] = [cartonOf(cx).card, palletOf(cx).card];
  const layers = Math.min(cx.ledger.value(idOf(cx.id, 'layersLaid')), 20);
  const shapes: Shape[] = [
    { kind: 'rect', role: 'pallet', x: 0, y: layers * carton.heightMm, w: pallet.widthMm, h: pallet.heightMm, ref: 'pallet' },
  ];
  const across = Math.floor(pallet.widthMm / carton.widthMm);
  for (let l = 0; l < layers; l++)
    for (let i = 0; i < across; i++)
      shapes.push({
        kind: 'rect',
        role: 'carton',
        x: i * carton.widthMm,
        y: l * carton.heightMm,
        w: carton.widthMm,
        h: carton.heightMm,
        ref: `layer ${layers - l}`,
      });
  const height = layers * carton.heightMm + pallet.heightMm;
  const perLayer = cx.ledger.value(idOf(cx.id, 'perLayer'));
  const limit = cx.shelf.palletLimit?.heightMm ?? practiceValue(cx.plant, 'pack.palletHeightMm');
  shapes.push(
    { kind: 'line', role: 'cut', x1: -60, y1: height - limit, x2: pallet.widthMm + 60, y2: height - limit, ref: 'limit' },
    { kind: 'text', role: 'label', x: pallet.widthMm, y: height - limit - 18, text: `limit ${limit} mm`, sizeMm: 44, anchor: 'end' },
  );
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: height + 70,
    text: `${countOf(perLayer, ['carton', 'cartons'])} a layer, ${countOf(layers, ['layer', 'layers'])}, ${height} mm`,
    sizeMm: 44,
  });
  return {
    title: 'pallet',
    says: `Pallet of ${countOf(layers, ['layer', 'layers'])} with ${countOf(perLayer, ['carton', 'cartons'])} each, ${height} millimetres high.`,
    box: { x: -90, y: Math.min(height - limit, 0) - 90, w: pallet.widthMm + 180, h: Math.max(limit, height) + 190 },
    toScale: true,
    shapes,
  };
}
