import { SVGPathData } from 'svg-pathdata';
import type { DieFileRead } from '@druckerei/contract';
import type { Point, XmlElement } from '@druckerei/core';
import { invalid } from '../errors';
import { readXml } from '../out/job-xml';
import { NamedLayers } from './named-layers';

/** Millimetres of the units of the format; a pixel is a ninety-sixth of an inch (CSS Values and Units, level 3). */
const UNIT_MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96 };
/** Signs of a transformation. */
const MOST_TRANSFORM = 1_000;
/** Stretches a curve is cut into. */
const CURVE_STEPS = 16;

/** a, b, c, d, e, f as the format writes a matrix. */
type Matrix = readonly [number, number, number, number, number, number];
const STILL: Matrix = [1, 0, 0, 1, 0, 0];
const times = ([a, b, c, d, e, f]: Matrix, [A, B, C, D, E, F]: Matrix): Matrix => [
  a * A + c * B,
  b * A + d * B,
  a * C + c * D,
  b * C + d * D,
  a * E + c * F + e,
  b * E + d * F + f,
];
const moved = ([a, b, c, d, e, f]: Matrix, [x, y]: Point): Point => [a * x + c * y + e, b * x + d * y + f];

/** Lines of an SVG: shapes and paths, by the group they stand in, else by the colour of their stroke. It runs downwards, die lines upwards. */
export function svgLines(bytes: Uint8Array): DieFileRead {
  const root = readXml(bytes);
  if (root.name !== 'svg') throw invalid([{ path: '', says: 'is XML, but no SVG' }]);
  const layers = new NamedLayers();
  const unread: Record<string, number> = {};
  const walk = (element: XmlElement, matrix: Matrix, layer: string): void => {
    const here = times(matrix, transformOf(element.attributes['transform']));
    // A group names the layer of what stands in it, the innermost that says something.
    const { id, stroke, class: ofClass } = element.attributes;
    const own = element.name === 'g' ? (id ?? ofClass ?? stroke ?? layer) : layer;
    const shape = SHAPES[element.name];
    if (shape) {
      const key = [own, ofClass, stroke].find(Boolean) ?? 'lines';
      for (const path of shape(element.attributes)) {
        const points = path.map((p) => moved(here, p)).map(([x, y]): Point => [x, -y]);
        if (points.length > 1 && points.flat().every((v) => Number.isFinite(v) && Math.abs(v) < 1e5)) layers.add(key, points);
      }
    } else if (UNREAD.has(element.name)) unread[element.name] = (unread[element.name] ?? 0) + 1;
    if (!NOT_DRAWN.has(element.name)) for (const child of element.children) walk(child, here, own);
  };
  walk(root, STILL, '');
  return { format: 'svg', unitMm: unitOf(root.attributes), layers: layers.all(), unread };
}
/** What shows lines and is not read; what shows none. */
const UNREAD = new Set(['text', 'image', 'use', 'ellipse', 'foreignObject', 'script']);
const NOT_DRAWN = new Set(['defs', 'symbol', 'clipPath', 'mask', 'metadata', 'script', 'foreignObject', 'style', 'title', 'desc']);

/** What a unit of the drawing is in millimetres: its width against that of what it shows. Null: it does not say. */
function unitOf(a: Record<string, string>): number | null {
  const [, value = '', unit = ''] = /^\s*([\d.eE+-]+)\s*([a-z%]*)\s*$/.exec(a['width'] ?? '') ?? [];
  const shown = (a['viewBox'] ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)[2];
  const mm = UNIT_MM[unit];
  if (mm === undefined || !(Number(value) > 0)) return null;
  return shown !== undefined && shown > 0 ? (Number(value) * mm) / shown : mm;
}

/** A transformation as the format writes it; what is none changes nothing. */
function transformOf(text = ''): Matrix {
  // Longer than any that was written by hand or program: it would only take time.
  if (text.length > MOST_TRANSFORM) throw invalid([{ path: '', says: 'holds a transformation that is too long' }]);
  let matrix = STILL;
  for (const [, name = '', inside = ''] of text.matchAll(/([a-zA-Z]+)\s*\(([^)]*)\)/g)) {
    const v = inside
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = v;
    const turn = (degrees: number): Matrix => {
      const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
      return [cos, sin, -sin, cos, 0, 0];
    };
    const made: Matrix | undefined =
      name === 'translate'
        ? [1, 0, 0, 1, a, b]
        : name === 'scale'
          ? [a, 0, 0, v.length > 1 ? b : a, 0, 0]
          : name === 'rotate'
            ? times(times([1, 0, 0, 1, b, c], turn(a)), [1, 0, 0, 1, -b, -c])
            : name === 'matrix'
              ? [a, b, c, d, e, f]
              : undefined;
    if (made) matrix = times(matrix, made);
  }
  return matrix;
}

const pairs = (text = ''): Point[] => {
  const v = text
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return Array.from({ length: Math.floor(v.length / 2) }, (_, i): Point => [v[2 * i] ?? NaN, v[2 * i + 1] ?? NaN]);
};
const num = (a: Record<string, string>, key: string): number => Number.parseFloat(a[key] ?? '0');

const SHAPES: Readonly<Record<string, (a: Record<string, string>) => Point[][]>> = {
  line: (a) => [
    [
      [num(a, 'x1'), num(a, 'y1')],
      [num(a, 'x2'), num(a, 'y2')],
    ],
  ],
  polyline: (a) => [pairs(a['points'])],
  polygon: (a) => {
    const points = pairs(a['points']);
    return [[...points, ...points.slice(0, 1)]];
  },
  rect: (a) => {
    const [x, y, w, h] = [num(a, 'x'), num(a, 'y'), num(a, 'width'), num(a, 'height')];
    return [
      [
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
        [x, y],
      ],
    ];
  },
  circle: (a) => {
    const [x, y, r] = [num(a, 'cx'), num(a, 'cy'), num(a, 'r')];
    return [Array.from({ length: 73 }, (_, i): Point => [x + r * Math.cos((i * Math.PI) / 36), y + r * Math.sin((i * Math.PI) / 36)])];
  },
  path: (a) => pathLines(a['d'] ?? ''),
};

/** A path as straight lines: arcs and curves cut into short ones. */
function pathLines(d: string): Point[][] {
  let commands: SVGPathData['commands'];
  try {
    commands = new SVGPathData(d).toAbs().normalizeHVZ(false).normalizeST().qtToC().aToC().commands;
  } catch (error) {
    throw invalid([{ path: '', says: `holds a path that cannot be read: ${error instanceof Error ? error.message : ''}` }]);
  }
  const paths: Point[][] = [];
  let at: Point = [0, 0];
  for (const c of commands) {
    const path = paths.at(-1);
    if (c.type === SVGPathData.MOVE_TO) {
      at = [c.x, c.y];
      paths.push([at]);
    } else if (c.type === SVGPathData.LINE_TO) {
      at = [c.x, c.y];
      path?.push(at);
    } else if (c.type === SVGPathData.CURVE_TO) {
      const [p0, p1, p2, p3]: Point[] = [at, [c.x1, c.y1], [c.x2, c.y2], [c.x, c.y]];
      for (let i = 1; i <= CURVE_STEPS; i++) path?.push(bezier(p0 as Point, p1 as Point, p2 as Point, p3 as Point, i / CURVE_STEPS));
      at = [c.x, c.y];
    } else if (c.type === SVGPathData.CLOSE_PATH && path?.[0]) {
      path.push(path[0]);
      at = path[0];
    }
  }
  return paths;
}
function bezier(p0: Point, p1: Point, p2: Point, p3: Point, t: number): Point {
  const u = 1 - t;
  const on = (k: 0 | 1): number => u * u * u * p0[k] + 3 * u * u * t * p1[k] + 3 * u * t * t * p2[k] + t * t * t * p3[k];
  return [on(0), on(1)];
}
