import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { practiceValue } from '../../plant/practice';
import { foilPull } from '../../ink/foil-pull';
import type { ConsumeContext } from '../process';
import { areasOnForm, foilLanes, gapOf, inTenths } from './foil-areas';

export function stripScene(cx: ConsumeContext): Scene {
  const [area] = areasOnForm(cx);
  if (!area) return { title: 'foil', says: 'No foil area.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const lanes = foilLanes(cx, area);
  const gap = gapOf(cx);
  const pull = foilPull({ imageMm: lanes.imageMm, gapMm: gap, pitchMm: lanes.pitchMm, dies: lanes.dies });
  const rounds = 2;
  const width = lanes.laneWidthMm + 2 * practiceValue(cx.plant, 'foil.marginMm');
  const length = rounds * lanes.dies * lanes.pitchMm + lanes.imageMm;
  const text = Math.max(length / 52, 4);
  const shapes: Shape[] = [{ kind: 'rect', role: 'foil', x: 0, y: 0, w: length, h: width, ref: 'foil' }];
  let at = 0;
  for (let stroke = 0; stroke < Math.min(rounds * pull.strikes, 60); stroke++) {
    for (let die = 0; die < lanes.dies; die++) {
      const x = at + die * lanes.pitchMm;
      shapes.push({
        kind: 'rect',
        role: 'strike',
        x,
        y: (width - lanes.laneWidthMm) / 2,
        w: lanes.imageMm,
        h: lanes.laneWidthMm,
        ref: `stroke ${stroke + 1}, die ${die + 1}`,
      });
      shapes.push({
        kind: 'text',
        role: 'strong',
        x: x + lanes.imageMm / 2,
        y: width / 2 + text / 3,
        text: String(stroke + 1),
        sizeMm: Math.min(text, lanes.imageMm * 0.8),
        anchor: 'middle',
      });
    }
    at += (stroke + 1) % pull.strikes === 0 ? pull.jumpMm : pull.shortMm;
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: -text * 0.8,
    text: `short advance ${inTenths(pull.shortMm)} mm · jump ${inTenths(pull.jumpMm)} mm · one lane of ${lanes.lanes}, ${lanes.dies === 1 ? 'one die' : `${lanes.dies} dies ${inTenths(lanes.pitchMm)} mm apart`}`,
    sizeMm: text,
  });
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: width + text * 1.5,
    text: 'numbers are strokes: same number, same stroke',
    sizeMm: text,
  });
  return {
    title: 'strip of foil',
    says: `Foil strip: ${lanes.dies === 1 ? 'one die' : `${lanes.dies} dies`} a lane, ${pull.strikes} strikes interleaved; short advance ${inTenths(pull.shortMm)}, jump ${inTenths(pull.jumpMm)} millimetres.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
