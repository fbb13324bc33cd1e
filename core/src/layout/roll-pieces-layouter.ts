import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { formOf } from './form';
import type { Layout } from './layout';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { COPIES_UP, CUT_OFF, GREATEST, USABLE_WIDTH, WITH_BLEED } from './usable-sheet';
import { LANES, METRES_A_THOUSAND } from './web-layout';
import { MILLIMETRES, rollFigures } from './web-layouter';

/** Pieces cut from a roll without a press: side by side across it, each as long along it as it is high. The roll's grain runs along it, and so with the height. */
export const rollPiecesLayouter: Layouter = {
  id: 'rollPieces',
  stock: 'roll',
  layOut: piecesOf,
};

function piecesOf(cx: LayoutContext): Laid {
  const [part] = cx.parts;
  if (!part) return { forms: [] };
  const { stock, stockId, plant, ledger } = cx;
  const at = (what: string): Id<'figure'> => idOf(cx.id, what);
  rollFigures(cx, 'cutCloth.coreWasteMetres');
  const none = typed(0, 'mm', 'none');
  const webMm: Term = { value: stock.widthMm, unit: 'mm', from: 'plant', at: `stock:${stockId}` };
  const edgeTrimMm = practiceTerm(plant, 'cutCloth.edgeMm');
  const lanes = ledger.figure(at('lanes'), LANES, { webMm, edgeTrimMm, sheetWidthMm: typed(part.widthMm, 'mm', 'width') });
  ledger.figure(at('usableWidth'), USABLE_WIDTH, { sheet: webMm, side: edgeTrimMm });
  ledger.figure(at('pieceWidth'), WITH_BLEED, { trim: typed(part.widthMm, 'mm', 'width'), bleed: none });
  ledger.figure(at('pieceHeight'), WITH_BLEED, { trim: typed(part.heightMm, 'mm', 'height'), bleed: none });
  ledger.figure(at('repeatMm'), CUT_OFF, { cutOff: typed(part.heightMm, 'mm', 'height') });
  ledger.figure(at('usableDepth'), GREATEST, { cutOff: fig(at('repeatMm')) });
  ledger.figure(at('usableRollMm'), MILLIMETRES, { metres: fig(at('usableRoll')) });
  ledger.figure(at('copiesUp'), COPIES_UP, { places: { value: lanes, unit: 'copy', from: 'family', at: 'layout' } });
  ledger.figure(at('metresAThousand'), METRES_A_THOUSAND, {
    repeatMm: fig(at('repeatMm')),
    pieces: lanes > 0 ? fig(at('copiesUp')) : typed(0, 'copy', 'nothing fits'),
  });
  const layout: Layout = {
    sheetMm: [stock.widthMm, part.heightMm],
    gripperMm: 0,
    cells: [
      {
        ...{ part: part.id, item: part.item, trimMm: [part.widthMm, part.heightMm] as const },
        ...{ x: (stock.widthMm - lanes * part.widthMm) / 2, y: 0, nx: lanes, ny: 1, dx: part.widthMm, dy: part.heightMm, turn: 0 as const },
      },
    ],
    web: { lanes, around: 1, teeth: 0, sheetMm: [part.widthMm, part.heightMm] },
  };
  return { forms: [formOf({ ...cx, style: 'simplex', stock: stockId }, 'web', lanes > 0 ? layout : null)] };
}
