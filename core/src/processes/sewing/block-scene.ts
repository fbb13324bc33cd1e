import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { arcPoints } from '../../finishing/sewn-block';
import type { ConsumeContext } from '../process';
import { blockFigures, sewnText } from './block-figures';

const round = (mm: number): number => Math.round(mm * 100) / 100;

/** The block end-on, spine left: thickness, and where it is rounded its arc and the hollow of the fore-edge. */
export function blockScene(cx: ConsumeContext, title: string, angleDeg: number | null): Scene {
  const block = blockFigures(cx);
  const thick = block ? cx.ledger.value(block.blockMm) : 10;
  const w = sewnText(cx)?.text.widthMm ?? 100;
  const t = Math.max(w, thick * 3) / 24;
  const shapes: Shape[] = [];
  if (angleDeg === null) shapes.push({ kind: 'rect', role: 'copy', x: 0, y: 0, w, h: thick, ref: 'block' });
  else {
    const spine = arcPoints({ chordMm: thick, angleDeg, x: 0, y: 0 });
    const face = spine.map(([x, y]): [number, number] => [x + w, y]).reverse();
    shapes.push({ kind: 'path', role: 'copy', points: [...spine, ...face], closed: true, ref: 'block' });
  }
  const lines = 7;
  for (let i = 1; i < lines; i++)
    shapes.push({ kind: 'line', role: 'fold', x1: t * 0.4, y1: (thick * i) / lines, x2: w - t * 0.4, y2: (thick * i) / lines });
  shapes.push({ kind: 'line', role: 'dimension', x1: w + t, y1: 0, x2: w + t, y2: thick });
  shapes.push({ kind: 'text', role: 'strong', x: w, y: thick + t * 2.2, text: `T ${round(thick)} mm`, sizeMm: t, anchor: 'end' });
  shapes.push({ kind: 'line', role: 'dimension', x1: 0, y1: thick + t, x2: w, y2: thick + t });
  shapes.push({ kind: 'text', role: 'label', x: 0, y: thick + t * 2.2, text: `${w} mm wide`, sizeMm: t * 0.9 });
  const arcMm = angleDeg !== null && block?.arcMm ? round(cx.ledger.value(block.arcMm)) : null;
  const hollowMm = angleDeg !== null && block?.hollowMm ? round(cx.ledger.value(block.hollowMm)) : null;
  if (arcMm !== null && hollowMm !== null) {
    shapes.push({ kind: 'text', role: 'label', x: 0, y: -t * 0.6, text: `arc ${arcMm} mm at ${angleDeg}°`, sizeMm: t * 0.9 });
    shapes.push({ kind: 'text', role: 'label', x: w, y: -t * 0.6, text: `hollow ${hollowMm} mm`, sizeMm: t * 0.9, anchor: 'end' });
  }
  return {
    title,
    says: `The block end-on, spine left: ${round(thick)} millimetres thick${arcMm === null ? ', its back flat' : `, rounded to an arc of ${arcMm}, the fore-edge hollow by ${hollowMm ?? 0}`}.`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
