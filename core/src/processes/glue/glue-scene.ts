import { BEAD_ENDS_MM } from '../../finishing/folder-gluer';
import { dieTurned } from '../../product/blank';
import { type Scene, type Shape, boxAround } from '../../scene/scene';
import type { ConsumeContext } from '../process';

/** The blank as it runs between the belts, printed side down: leading edge above, guide at the left, glue where it lies. */
export function glueScene(cx: ConsumeContext): Scene {
  const part = cx.parts[0];
  const [die, gluing] = [part?.traits?.blank?.die, part?.traits?.glued];
  if (!part || !die || !gluing)
    return { title: 'gluer', says: 'Nothing to glue.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  // A tray runs along its length, a sleeve along its strip: turned so that what leads is above.
  const along = gluing.work === 'fourCorner' || gluing.work === 'lining';
  const drawn = dieTurned(die, along ? 270 : 0);
  const [w, h] = along ? [part.heightMm, part.widthMm] : [part.widthMm, part.heightMm];
  const text = Math.max(w, h) / 22;
  const at = (points: readonly (readonly [number, number])[]): [number, number][] => points.map(([x, y]) => [x, h - y]);
  const shapes: Shape[] = [
    { kind: 'path', role: 'copy', points: at(drawn.outline), closed: true, ref: 'blank' },
    ...drawn.slits.map((s): Shape => ({ kind: 'path', role: 'cut', points: at(s), closed: false })),
    ...drawn.creases.map((c): Shape => ({ kind: 'path', role: 'fold', points: at(c), closed: false })),
  ];
  gluing.creases.forEach(({ fromGuideMm: x, does }, i) => {
    shapes.push(
      { kind: 'line', role: 'score', x1: x, y1: -text, x2: x, y2: -text * 0.2, ref: `crease ${i + 1}` },
      {
        kind: 'text',
        role: 'label',
        x,
        y: -text * 1.3,
        text: `${i + 1}: ${does === 'breaks' ? 'broken' : 'folded'}`,
        sizeMm: text * 0.8,
        anchor: 'middle',
      },
    );
  });
  for (const b of gluing.beads)
    shapes.push({
      kind: 'line',
      role: 'strike',
      x1: b.fromGuideMm,
      y1: b.startMm + BEAD_ENDS_MM,
      x2: b.fromGuideMm,
      y2: b.startMm + b.jointMm - BEAD_ENDS_MM,
      ref: b.name,
    });
  shapes.push(
    { kind: 'line', role: 'dimension', x1: -text, y1: 0, x2: -text, y2: h, ref: 'run' },
    {
      kind: 'text',
      role: 'label',
      x: -text * 1.4,
      y: h / 2,
      text: `${Math.round(h * 10) / 10} mm a blank`,
      sizeMm: text,
      anchor: 'middle',
      turn: -90,
    },
    { kind: 'line', role: 'arrow', x1: w + text, y1: h * 0.7, x2: w + text, y2: h * 0.3 },
    { kind: 'text', role: 'label', x: 0, y: h + text * 1.4, text: 'guide at this edge', sizeMm: text },
  );
  return {
    title: 'blank in the gluer',
    says: `The blank runs with its ${along ? 'left' : 'upper'} edge first, the guide at the left; ${gluing.beads.map((b) => `${b.name} glued ${Math.round(b.fromGuideMm * 10) / 10} from the guide`).join(', ')}. Millimetres.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
