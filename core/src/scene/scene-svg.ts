import type { Scene, SceneRole, Shape } from './scene';

/** How a role looks on paper and in a thumbnail (the screen has the same roles as CSS classes). */
interface Look {
  fill?: string;
  stroke?: string;
  width?: number;
  dash?: string;
}
const ON_PAPER: Record<SceneRole, Look> = {
  sheet: { fill: '#FFFEFB', stroke: '#676257', width: 1 },
  usable: { fill: 'none', stroke: '#DFD9CB', width: 0.7, dash: '4 3' },
  gripper: { fill: '#E9E2D2' },
  colourBar: { fill: '#F0EBDF', stroke: '#DFD9CB', width: 0.5 },
  bleed: { fill: 'none', stroke: '#D9A48F', width: 0.6 },
  copy: { fill: '#F1F6F5', stroke: '#1F1E1B', width: 0.9 },
  fold: { stroke: '#1B6A63', width: 0.9, dash: '5 3' },
  score: { stroke: '#1B6A63', width: 1.2 },
  cut: { stroke: '#B4371F', width: 1 },
  grain: { stroke: '#676257', width: 1 },
  lay: { fill: '#1B6A63', stroke: '#1B6A63', width: 1 },
  mark: { stroke: '#1F1E1B', width: 0.7 },
  dimension: { stroke: '#676257', width: 0.6 },
  label: { fill: '#676257' },
  strong: { fill: '#1F1E1B' },
  ink: { stroke: '#676257', width: 0.7 },
  inkName: { fill: '#1F1E1B' },
  foil: { fill: '#F6EBCF', stroke: '#8A5E00', width: 0.8 },
  strike: { fill: '#D8BE7C', stroke: '#8A5E00', width: 0.8 },
  unit: { fill: '#FFFEFB', stroke: '#676257', width: 1 },
  person: { fill: '#DCEBE7', stroke: '#1B6A63', width: 1 },
  piece: { fill: '#F6EBCF', stroke: '#8A5E00', width: 0.8 },
  pile: { fill: '#F1F6F5', stroke: '#1F1E1B', width: 0.9 },
  pallet: { fill: '#E9E2D2', stroke: '#676257', width: 0.9 },
  band: { stroke: '#1B6A63', width: 2 },
  carton: { fill: '#F6F1E4', stroke: '#676257', width: 0.9 },
  bar: { fill: '#BFD9D3', stroke: '#1B6A63', width: 0.8 },
  wait: { fill: 'none', stroke: '#8A5E00', width: 0.9, dash: '3 3' },
  arrow: { stroke: '#1F1E1B', width: 1 },
  roll: { fill: '#F6F1E4', stroke: '#676257', width: 0.9 },
  core: { fill: '#E9E2D2', stroke: '#676257', width: 0.9 },
  web: { stroke: '#1B6A63', width: 2 },
  lamp: { fill: '#F6EBCF', stroke: '#8A5E00', width: 0.8 },
  splice: { stroke: '#B4371F', width: 1.6 },
  perforation: { stroke: '#1B6A63', width: 0.9, dash: '1.5 2' },
};

/** Screen and paper colours of the process inks; any other ink is drawn in a neutral grey with its name beside it. */
const INK_COLOURS: Record<string, string> = { K: '#1F1E1B', C: '#2E93C4', M: '#C23A7B', Y: '#EBCF3A' };
export const inkColour = (name: string): string => INK_COLOURS[name] ?? '#A8A196';

export const xmlText = (s: string): string => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const n = (x: number): string => String(Math.round(x * 1000) / 1000);

function attributes(shape: Shape, strokeMm: number): string {
  const look = ON_PAPER[shape.role];
  const fill = shape.role === 'ink' ? inkColour(shape.ink ?? '') : (look.fill ?? 'none');
  if (shape.kind === 'line' && shape.role === 'ink') return ` stroke="${inkColour(shape.ink ?? '')}" stroke-width="${n(2 * strokeMm)}"`;
  const stroke = look.stroke && shape.kind !== 'text' ? ` stroke="${look.stroke}" stroke-width="${n((look.width ?? 1) * strokeMm)}"` : '';
  const dash =
    look.dash && shape.kind !== 'text'
      ? ` stroke-dasharray="${look.dash
          .split(' ')
          .map((d) => n(Number(d) * strokeMm))
          .join(' ')}"`
      : '';
  return ` fill="${fill}"${stroke}${dash}`;
}

/** The points of a path as an SVG path. */
export const pathData = (points: readonly [number, number][], closed: boolean): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join('') + (closed ? 'Z' : '');

function element(s: Shape, strokeMm: number): string {
  const look = attributes(s, strokeMm);
  switch (s.kind) {
    case 'rect':
      return `<rect x="${n(s.x)}" y="${n(s.y)}" width="${n(s.w)}" height="${n(s.h)}"${look}/>`;
    case 'line':
      return `<line x1="${n(s.x1)}" y1="${n(s.y1)}" x2="${n(s.x2)}" y2="${n(s.y2)}"${look}/>`;
    case 'circle':
      return `<circle cx="${n(s.cx)}" cy="${n(s.cy)}" r="${n(s.r)}"${look}/>`;
    case 'path':
      return `<path d="${pathData(s.points, s.closed)}"${look}/>`;
    case 'text':
      return `<text x="${n(s.x)}" y="${n(s.y)}" font-size="${n(s.sizeMm)}" font-family="Sans" text-anchor="${s.anchor ?? 'start'}"${s.turn ? ` transform="rotate(${n(s.turn)} ${n(s.x)} ${n(s.y)})"` : ''}${look}>${xmlText(s.text)}</text>`;
  }
}

/**
 * A scene as an SVG document in millimetres, for ticket, thumbnail and export.
 * `strokeMm` is the width of a hairline in millimetres of the drawing: on paper at 1:5 a 0.2 mm line needs 1 mm.
 */
export const sceneSvg = (scene: Scene, strokeMm: number): string => svgOf(scene, strokeMm, '');

/** Width of a hairline on paper, in mm. */
const HAIRLINE_MM = 0.25;
/** The same for taking out: with its size in millimetres, so that it comes out of a printer or a plotter at 1:1. */
export const trueSizeSvg = (scene: Scene): string => svgOf(scene, HAIRLINE_MM, ` width="${n(scene.box.w)}mm" height="${n(scene.box.h)}mm"`);

function svgOf(scene: Scene, strokeMm: number, size: string): string {
  const { x, y, w, h } = scene.box;
  const body = scene.shapes.map((s) => element(s, strokeMm)).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg"${size} viewBox="${n(x)} ${n(y)} ${n(w)} ${n(h)}" role="img" aria-label="${xmlText(scene.says)}">${body}</svg>`;
}
