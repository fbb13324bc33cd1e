import { idOf } from '../../quantity/id-of';
import { countOf } from '../../words/format';
import type { Scene, Shape } from '../../scene/scene';
import { practiceValue } from '../../plant/practice';
import type { ConsumeContext } from '../process';
import { cartonOf, palletOf } from './cartons';

/** A pallet from the side, layer by layer, to scale. */
export function palletScene(cx: ConsumeContext): Scene {
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
