import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { isDestroyed } from './destroyed';

/** What comes in parts into good and destroyed; the bands are to one scale. */
export function rejectScene(cx: ConsumeContext): Scene {
  const value = (what: string): number => cx.ledger.value(idOf(cx.id, what));
  const [taken, good, destroyed] = [value('run'), value('good'), value('destroyed')];
  const high = 90;
  const out = taken > 0 ? Math.max((destroyed / taken) * high, destroyed > 0 ? 2 : 0) : 0;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'bar', x: 0, y: 0, w: 90, h: high, ref: 'in' },
    { kind: 'rect', role: 'bar', x: 150, y: 0, w: 90, h: high - out, ref: 'good' },
    { kind: 'rect', role: 'strike', x: 150, y: high + 14, w: 90, h: out, ref: 'destroyed' },
    { kind: 'line', role: 'arrow', x1: 94, y1: high / 2, x2: 146, y2: high / 2 },
    { kind: 'line', role: 'arrow', x1: 94, y1: high - 2, x2: 146, y2: high + 14 + out / 2 },
    { kind: 'text', role: 'strong', x: 45, y: high / 2 + 4, text: `${formatNumber(taken)} in`, sizeMm: 11, anchor: 'middle' },
    { kind: 'text', role: 'strong', x: 195, y: high / 2 + 4, text: `${formatNumber(good)} good`, sizeMm: 11, anchor: 'middle' },
    {
      kind: 'text',
      role: 'label',
      x: 150,
      y: high + out + 28,
      text: `${formatNumber(destroyed)} ${isDestroyed(cx) ? 'destroyed under witness' : 'recycled'}`,
      sizeMm: 10,
    },
  ];
  return {
    title: 'good and destroyed',
    says: `${taken} in, ${good} good, ${destroyed} ${isDestroyed(cx) ? 'destroyed under witness' : 'recycled'}; ${value('balance')} left over.`,
    box: { x: -8, y: -8, w: 330, h: high + out + 46 },
    toScale: false,
    shapes,
  };
}
