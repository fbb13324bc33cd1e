import { idOf } from '../../quantity/id-of';
import type { Scene, Shape } from '../../scene/scene';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, setting } from '../process';
import { says } from '../rows';

export function cameraScene(cx: ConsumeContext): Scene {
  const shapes: Shape[] = [
    { kind: 'line', role: 'web', x1: 0, y1: 90, x2: 220, y2: 90, ref: 'web' },
    { kind: 'rect', role: 'unit', x: 86, y: 8, w: 48, h: 26, ref: 'camera' },
    { kind: 'line', role: 'dimension', x1: 92, y1: 34, x2: 60, y2: 88 },
    { kind: 'line', role: 'dimension', x1: 128, y1: 34, x2: 160, y2: 88 },
    { kind: 'rect', role: 'lamp', x: 36, y: 60, w: 18, h: 10, ref: 'light' },
    { kind: 'line', role: 'splice', x1: 176, y1: 78, x2: 176, y2: 102, ref: 'mark' },
    { kind: 'text', role: 'label', x: 176, y: 116, text: 'faulty repeat is marked', sizeMm: 8, anchor: 'middle' },
  ];
  return {
    title: 'camera',
    says: `The camera reads ${cx.ledger.value(idOf(cx.id, 'run'))} repeats and marks what is beyond ${says(setting(cx, 'toleranceMm', practiceTerm(cx.plant, 'camera.toleranceMm')), 'millimetres')}.`,
    box: { x: -8, y: 0, w: 250, h: 126 },
    toScale: false,
    shapes,
  };
}
