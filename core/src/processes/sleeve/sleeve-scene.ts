import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { idOf } from '../../quantity/id-of';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';

/** The roll in its sleeve before the tunnel, to scale, and the film laid flat beside it. */
export function sleeveScene(cx: ConsumeContext): Scene {
  const value = (figure: string): number => cx.ledger.value(figure);
  const d = value(ofForm(cx, 'rollDiameterMm'));
  const [layflat, cut] = [value(idOf(cx.id, 'layflatMm')), value(idOf(cx.id, 'cutMm'))];
  const widthMm = cx.parts[0]?.widthMm ?? 0;
  const end = (cut - widthMm) / 2;
  const text = Math.max(cut / 40, 6);
  const below = d + text * 5;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'band', x: 0, y: -text / 4, w: cut, h: d + text / 2, ref: 'sleeve' },
    { kind: 'rect', role: 'roll', x: end, y: 0, w: widthMm, h: d, ref: 'roll' },
    { kind: 'line', role: 'dimension', x1: 0, y1: d + text, x2: end, y2: d + text, ref: 'end' },
    { kind: 'line', role: 'dimension', x1: end, y1: d + text, x2: end + widthMm, y2: d + text, ref: 'width' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: d + text * 2.6,
      text: `roll ${round(d)} thick, film ${round(end)} beyond each end`,
      sizeMm: text,
    },
    { kind: 'rect', role: 'band', x: 0, y: below, w: cut, h: layflat, ref: 'film laid flat' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: below + layflat + text * 1.6,
      text: `film laid flat: ${round(cut)} long, ${round(layflat)} wide`,
      sizeMm: text,
    },
  ];
  return {
    title: 'roll in its sleeve',
    says: `A roll ${round(d)} millimetres thick in a sleeve ${round(layflat)} wide laid flat and ${round(cut)} long.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
const round = (mm: number): number => Math.round(mm * 10) / 10;
