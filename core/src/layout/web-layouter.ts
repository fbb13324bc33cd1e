import type { AbilityKey } from '../plant/abilities';
import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type PracticeKey, practiceTerm } from '../plant/practice';
import type { Part } from '../product/part';
import type { WebPiece } from '../product/web-sheet';
import { ROLL_LENGTH, ROLL_LENGTH_BY_DIAMETER, ROLL_LENGTH_BY_MASS, USABLE_LENGTH } from '../stock/roll';
import { formOf } from './form';
import { copiesUp } from './layout';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { GREATEST, USABLE_WIDTH } from './usable-sheet';
import { LANES, METRES_A_THOUSAND, PIECES_A_SHEET, REPEAT, SHEETS_A_REPEAT, webLayout } from './web-layout';

const ASKED_SHEET: Formula<'pieces' | 'pieceMm' | 'gapMm' | 'edgeMm'> = {
  id: 'layout.askedSheet',
  unit: 'mm',
  source: 'geometry',
  of: ({ pieces, pieceMm, gapMm, edgeMm }) => pieces * pieceMm + (pieces - 1) * gapMm + 2 * edgeMm,
};
const PIECES_A_REPEAT: Formula<'sheets' | 'pieces'> = {
  id: 'layout.piecesARepeat',
  unit: 'copy',
  source: 'arithmetic',
  of: ({ sheets, pieces }) => sheets * pieces,
};
export const MILLIMETRES: Formula<'metres'> = {
  id: 'layout.millimetres',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ metres }) => metres * 1000,
};
const SHARED: Formula<'repeatMm' | 'around'> = {
  id: 'layout.cutLength',
  unit: 'mm',
  source: 'the repeat shared by the sheets around',
  of: ({ repeatMm, around }) => repeatMm / around,
};
const AS_FOUND: Formula<'found'> = {
  id: 'layout.webForm',
  unit: '1',
  source: 'the cylinder with the least web a sheet, exact over all numbers of sheets around',
  of: ({ found }) => found,
};

/** Lanes of sheets or labels on a web: what a roll holds, the cylinder, lanes and sheets around. */
export const webLayouter: Layouter = {
  id: 'web',
  stock: 'roll',
  layOut(cx) {
    const [part] = cx.parts;
    return part?.traits?.web ? repeatOf(part, part.traits.web, cx) : { forms: [] };
  },
};

function repeatOf(part: Part, web: WebPiece, cx: LayoutContext): Laid {
  const { stock, stockId, stones, plant, ledger } = cx;
  const at = (what: string): Id<'figure'> => idOf(cx.id, what);
  rollFigures(cx);
  const press = stones.find((s) => 'maxRepeatMm' in s.machine.limits);
  const limit = (name: AbilityKey, otherwise: Term): Term => {
    const value = press?.machine.limits[name];
    return value === undefined || 'fig' in otherwise
      ? otherwise
      : { ...otherwise, value, from: 'plant', at: `machine:${press?.machineId ?? ''}.${name}` };
  };
  const mm = (value: number, where: string): Term => ({ value, unit: 'mm', from: 'plant', at: where });
  const edgeTrim = limit('edgeTrimMm', practiceTerm(plant, 'layout.edgeTrimMm'));
  const gearPitch = limit('gearPitchMm', practiceTerm(plant, 'layout.gearPitchMm'));
  const maxRepeat = limit('maxRepeatMm', mm(1_500, 'no press'));
  const minRepeat = limit('minRepeatMm', mm(100, 'no press'));
  const webMm = mm(stock.widthMm, `stock:${stockId}`);
  const gapMm = typed(web.gapMm, 'mm', 'gapMm');
  const edgeMm = typed(web.edgeMm, 'mm', 'edgeMm');
  ledger.figure(at('usableWidth'), USABLE_WIDTH, { sheet: webMm, side: edgeTrim });
  ledger.figure(at('usableDepth'), GREATEST, { press: maxRepeat });
  const widthMm = ledger.figure(at('pieceWidth'), ASKED_SHEET, {
    pieces: typed(web.across, '1', 'across'),
    pieceMm: typed(part.widthMm, 'mm', 'widthMm'),
    gapMm,
    edgeMm,
  });
  ledger.figure(at('pieceHeight'), ASKED_SHEET, {
    pieces: typed(web.along, '1', 'along'),
    pieceMm: typed(part.heightMm, 'mm', 'heightMm'),
    gapMm,
    edgeMm,
  });
  const set = press?.settings['repeatMm'];
  const value = (term: Term): number => ('fig' in term ? ledger.value(term.fig) : term.value);
  const layout = webLayout({
    part: part.id,
    item: part.item,
    pieceMm: [part.widthMm, part.heightMm],
    sheet: web,
    webMm: stock.widthMm,
    edgeTrimMm: value(edgeTrim),
    gearPitchMm: value(gearPitch),
    minRepeatMm: value(minRepeat),
    maxRepeatMm: value(maxRepeat),
    repeatMm: typeof set === 'number' && set > 0 ? set : null,
  });
  const form = layout?.web;
  const found = (n: number): Record<'found', Term> => ({ found: { value: n, unit: '1', from: 'family', at: 'layout' } });
  ledger.figure(at('lanes'), LANES, {
    webMm,
    edgeTrimMm: edgeTrim,
    sheetWidthMm: { value: widthMm, unit: 'mm', from: 'family', at: 'layout' },
  });
  ledger.figure(at('teeth'), AS_FOUND, found(form?.teeth ?? 0));
  ledger.figure(at('around'), AS_FOUND, found(form?.around ?? 0));
  ledger.figure(at('repeatMm'), REPEAT, { teeth: fig(at('teeth')), gearPitchMm: gearPitch });
  ledger.figure(at('sheetsARepeat'), SHEETS_A_REPEAT, { lanes: fig(at('lanes')), around: fig(at('around')) });
  ledger.figure(at('piecesASheet'), PIECES_A_SHEET, { across: typed(web.across, '1', 'across'), along: typed(web.along, '1', 'along') });
  ledger.figure(at('copiesUp'), PIECES_A_REPEAT, { sheets: fig(at('sheetsARepeat')), pieces: fig(at('piecesASheet')) });
  ledger.figure(at('metresAThousand'), METRES_A_THOUSAND, { repeatMm: fig(at('repeatMm')), pieces: fig(at('copiesUp')) });
  if (form) ledger.figure(at('cutLength'), SHARED, { repeatMm: fig(at('repeatMm')), around: fig(at('around')) });
  ledger.figure(at('usableRollMm'), MILLIMETRES, { metres: fig(at('usableRoll')) });
  return { forms: [formOf({ ...cx, style: 'simplex', stock: stockId }, 'web', layout && copiesUp(layout) > 0 ? layout : null)] };
}

/** What a roll holds: by mass and by diameter, and the metres that can be printed. A weighed and measured lot wins over the stock card. */
export function rollFigures(
  { id, stock, stockId, shelf, plant, ledger }: LayoutContext,
  coreWaste: PracticeKey = 'web.coreWasteMetres',
): void {
  const lot = Object.entries(shelf.lots).find(([, l]) => l.stock === stockId && (l.kg !== undefined || l.diameterMm !== undefined));
  const from = (value: number | undefined, card: number | undefined, unit: 'kg' | 'mm' | 'µm'): Term =>
    value !== undefined && lot
      ? { value, unit, from: 'shelf', at: `lot:${lot[0]}` }
      : { value: card ?? 0, unit, from: 'plant', at: `stock:${stockId}` };
  const at = (what: string): Id<'figure'> => idOf(id, what);
  ledger.figure(at('rollByMass'), ROLL_LENGTH_BY_MASS, {
    rollKg: from(lot?.[1].kg, stock.rollKg, 'kg'),
    coreKg: from(undefined, stock.coreKg, 'kg'),
    gsm: { value: stock.gsm, unit: 'g/m²', from: 'plant', at: `stock:${stockId}` },
    widthMm: from(undefined, stock.widthMm, 'mm'),
  });
  ledger.figure(at('rollByDiameter'), ROLL_LENGTH_BY_DIAMETER, {
    diameterMm: from(lot?.[1].diameterMm, stock.rollDiameterMm, 'mm'),
    coreMm: from(lot?.[1].coreMm, stock.coreMm, 'mm'),
    caliperUm: from(lot?.[1].caliperUm, stock.caliperUm, 'µm'),
  });
  ledger.figure(at('rollLength'), ROLL_LENGTH, { byMass: fig(at('rollByMass')), byDiameter: fig(at('rollByDiameter')) });
  ledger.figure(at('usableRoll'), USABLE_LENGTH, {
    lengthM: fig(at('rollLength')),
    coreWasteM: practiceTerm(plant, coreWaste),
  });
}
