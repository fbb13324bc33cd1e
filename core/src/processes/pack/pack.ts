import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import type { PackCard } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import type { Step } from '../../flow/net';
import { pieceAreaMm2 } from '../../product/blank';
import { foldsOf } from '../../product/folds';
import { guillotineCount } from '../../layout/guillotine-count';
import { PRICE_OF } from '../../form/plates';
import { PER_CASE, STANDING_MM } from '../../finishing/edge-tiers';
import { CLOCK_TIME, HANDS_TIME, PACKS, PIECE_MASS } from '../../finishing/folding';
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
} from '../../finishing/packing';
import { type Draft, type DraftContext, type Process, machineTerm, setting } from '../process';
import { onwards } from '../batch';
import { flowAfter, lossNumbers } from '../single-step';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { type Card, cartonOf, footprintOf, palletOf, stacksIn, tiersIn } from './cartons';
import { packLoss } from './pack-loss';
import { packPanel, packPaper, packSummary } from './pack-page';
import { PACK_RULES } from './pack-rules';
import { palletScene } from './pack-scene';

const priceTerm = (cx: DraftContext, what: 'carton' | 'pallet', { id }: Card): Term => {
  const cards: Record<string, PackCard> | undefined = what === 'carton' ? cx.plant.cartons : cx.plant.pallets;
  const card = cards?.[id];
  return card ? { value: card.price, unit: 'money', from: 'plant', at: `${what}:${id}` } : practiceTerm(cx.plant, `pack.${what}Price`);
};

/** Cartons, then pallets: two steps of one stone. Full ones first, the last ones may be short. */
export const pack: Process = {
  id: 'pack',
  rules: PACK_RULES,
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
      stone: cx.stone,
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
  paper: packPaper,
  scene: palletScene,
  panel: packPanel,
  summary: packSummary,
};

function packFigures(cx: DraftContext): void {
  const { ledger, id } = cx;
  const part = cx.parts[0];
  const mm = (value: number, at: string): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at });
  if (cx.bundle?.kg) ledger.figure(idOf(id, 'pieceKg'), WEIGHED, { each: fig(cx.bundle.kg) });
  else
    ledger.figure(idOf(id, 'pieceKg'), PIECE_MASS, {
      ...(cx.bundle
        ? { widthMm: mm(cx.bundle.paperMm2, 'bundle'), heightMm: mm(1 / cx.bundle.pieces, 'bundle') }
        : part?.traits?.blank
          ? { widthMm: mm(pieceAreaMm2(part), 'die line'), heightMm: mm(1, 'die line') }
          : { widthMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'), heightMm: typed(part?.heightMm ?? 0, 'mm', 'openHeightMm') }),
      gsm: { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` },
      extraKg: part?.traits?.holds
        ? { value: part.traits.holds.kg, unit: 'kg', from: 'family', at: 'put in' }
        : {
            value: part?.traits?.envelope ? 0.006 : 0,
            unit: 'kg',
            from: 'guess',
            at: 'envelope',
            ...(part?.traits?.envelope && { pm: 0.002 }),
          },
    });
  const tiers = tiersIn(cartonOf(cx).card, cx);
  if (tiers && part?.traits?.onEdge?.thickMm !== undefined)
    ledger.figure(idOf(id, 'thickness'), STANDS, { closed: mm(part.traits.onEdge.thickMm, 'closed, with its film') });
  else if (tiers)
    ledger.figure(idOf(id, 'thickness'), STANDING_MM, { caliperUm: caliperTerm(cx), springs: practiceTerm(cx.plant, 'pack.springs') });
  else if (cx.bundle)
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
  const byMass = {
    set: setting(cx, 'perCarton', typed(part?.traits?.packed?.perCarton ?? 0, 'piece', 'perCarton')),
    limitKg: practiceTerm(cx.plant, 'pack.cartonKg'),
    emptyKg: { value: carton.emptyKg, unit: 'kg', from: 'plant', at: 'carton' },
    pieceKg: fig(idOf(id, 'pieceKg')),
  } as const;
  if (tiers) {
    const counted = (value: number, at: string): Term => ({ value, unit: '1', from: 'family', at });
    ledger.figure(idOf(id, 'perCarton'), PER_CASE, {
      ...byMass,
      aTier: counted(tiers.aTier, 'inside of the case ÷ thickness'),
      tiers: counted(tiers.tiers, 'inside of the case ÷ flat piece'),
    });
  } else packedFlat(cx, byMass);
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

/** Pieces that lie flat in stacks beside one another, in whole bands. */
function packedFlat(cx: DraftContext, byMass: Record<'set' | 'limitKg' | 'emptyKg' | 'pieceKg', Term>): void {
  const { ledger, id } = cx;
  const card = cartonOf(cx).card;
  ledger.figure(idOf(id, 'perCarton'), PER_CARTON, {
    ...byMass,
    perBand: cx.bundle
      ? { value: cx.bundle.together, unit: 'piece', from: 'family', at: 'bundle' }
      : typed(cx.parts[0]?.traits?.packed?.perBand ?? 1, 'piece', 'perBand'),
    stacks: { value: stacksIn(card, footprintOf(cx)), unit: '1', from: 'family', at: 'carton' },
    heightMm: { value: card.heightMm, unit: 'mm', from: 'family', at: 'carton' },
    thicknessMm: fig(idOf(id, 'thickness')),
  });
}

/** Thickness of a piece in the carton, with the air between pieces. */
const PIECE_THICKNESS = {
  id: 'pack.pieceThickness',
  unit: 'mm',
  source: 'panels × caliper + envelope, × air; air: common practice, no source',
  of: (t: Record<'panels' | 'caliperUm' | 'envelopeUm' | 'air', number>) => ((t.panels * t.caliperUm + t.envelopeUm) * t.air) / 1000,
} as const;

/** Mass of a piece of several papers, as it was reckoned where they were joined. */
const WEIGHED = { id: 'pack.weighed', unit: 'kg', source: 'sum of its papers', of: ({ each }: Record<'each', number>) => each } as const;

/** Thickness of a piece that is what it is: closed over what lies in it. */
const STANDS = {
  id: 'pack.stands',
  unit: 'mm',
  source: 'sum of what lies in it',
  of: ({ closed }: Record<'closed', number>) => closed,
} as const;

/** A piece's share of the layer it lies in. Source: arithmetic. */
const SHARE_OF_LAYER = {
  id: 'pack.shareOfLayer',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ layerMm, pieces }: Record<'layerMm' | 'pieces', number>) => layerMm / pieces,
} as const;
