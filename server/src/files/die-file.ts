import DxfParser, {
  type IArcEntity,
  type ICircleEntity,
  type IEntity,
  type ILineEntity,
  type ILwpolylineEntity,
  type IPolylineEntity,
} from 'dxf-parser';
import type { DieFileRead } from '@druckerei/contract';
import type { Point } from '@druckerei/core';
import { invalid } from '../errors';
import { NamedLayers } from './named-layers';
import { svgLines } from './svg-lines';

/** More points than this is no die. */
const MOST_POINTS = 40_000;
/** Curves are cut into stretches of so many degrees: of an arc of 50 mm they leave it by less than 0.05 mm. */
const STEP_DEGREES = 5;

/** Lines of a DXF or SVG file. @throws Refused what is neither, or more than a die holds */
export function readDieFile(bytes: Uint8Array): DieFileRead {
  const text = new TextDecoder().decode(bytes);
  const read = /^\s*</.test(text) ? svgLines(bytes) : dxfLines(text);
  const points = read.layers.reduce((sum, l) => sum + l.paths.reduce((n, p) => n + p.length, 0), 0);
  if (points > MOST_POINTS) throw invalid([{ path: '', says: `holds ${points} points: a die has ${MOST_POINTS} at most` }]);
  if (points === 0) throw invalid([{ path: '', says: 'holds no line' }]);
  return read;
}

/** Millimetres of a unit by its number in the header of the format; what stands for none is asked. */
const UNIT_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1_000 };

/** A section without its name: the library would complain of each in the log, line by line. */
const NAMELESS_SECTION = /^[ \t]*0[ \t]*\r?\nSECTION\r?\n(?![ \t]*2[ \t]*\r?\n)/m;

function dxfLines(text: string): DieFileRead {
  if (NAMELESS_SECTION.test(text)) throw invalid([{ path: '', says: 'is no DXF: a section has no name' }]);
  let dxf: ReturnType<DxfParser['parseSync']>;
  try {
    dxf = new DxfParser().parseSync(text);
  } catch (error) {
    throw invalid([{ path: '', says: `is neither DXF nor SVG: ${error instanceof Error ? error.message : 'it cannot be read'}` }]);
  }
  const layers = new NamedLayers();
  const unread: Record<string, number> = {};
  for (const entity of dxf?.entities ?? []) {
    const path = pathOf(entity);
    if (path === null) unread[entity.type] = (unread[entity.type] ?? 0) + 1;
    else layers.add(entity.layer, path);
  }
  const unit = dxf?.header['$INSUNITS'];
  return { format: 'dxf', unitMm: typeof unit === 'number' ? (UNIT_MM[unit] ?? null) : null, layers: layers.all(), unread };
}

const isFinitePath = (path: readonly Point[]): boolean =>
  path.length > 1 && path.flat().every((v) => Number.isFinite(v) && Math.abs(v) < 1e5);

/** An entity as a path; null: it is none, or one that is not read. */
function pathOf(entity: IEntity): Point[] | null {
  const read = READERS[entity.type];
  const path = read ? read(entity) : null;
  return path && isFinitePath(path) ? path : null;
}

const READERS: Readonly<Record<string, (entity: IEntity) => Point[]>> = {
  LINE: (e) => (e as ILineEntity).vertices.map(({ x, y }): Point => [x, y]),
  LWPOLYLINE: (e) => polyline((e as ILwpolylineEntity).vertices, (e as ILwpolylineEntity).shape),
  POLYLINE: (e) => polyline((e as IPolylineEntity).vertices, (e as IPolylineEntity).shape),
  ARC: (e) => {
    const { center, radius, startAngle, endAngle } = e as IArcEntity;
    return arc([center.x, center.y], radius, startAngle, endAngle > startAngle ? endAngle : endAngle + 2 * Math.PI);
  },
  CIRCLE: (e) => {
    const { center, radius } = e as ICircleEntity;
    return arc([center.x, center.y], radius, 0, 2 * Math.PI);
  },
};

/** Points of an arc, ends included. */
function arc([x, y]: Point, radius: number, from: number, to: number): Point[] {
  const steps = Math.max(Math.ceil((Math.abs(to - from) * 180) / Math.PI / STEP_DEGREES), 2);
  return Array.from({ length: steps + 1 }, (_, i): Point => {
    const angle = from + ((to - from) * i) / steps;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

interface Vertex {
  x: number;
  y: number;
  bulge?: number;
}
/** A polyline, its bulges as arcs: the bulge is the tangent of a quarter of the angle, as the format has it. */
function polyline(vertices: readonly Vertex[], closed: boolean): Point[] {
  const all = closed ? [...vertices, ...vertices.slice(0, 1)] : vertices;
  return all.flatMap((v, i): Point[] => {
    const next = all[i + 1];
    if (!next || !v.bulge) return [[v.x, v.y]];
    const angle = 4 * Math.atan(v.bulge);
    const [dx, dy] = [next.x - v.x, next.y - v.y];
    const half = Math.hypot(dx, dy) / 2;
    const radius = half / Math.sin(angle / 2);
    const height = radius * Math.cos(angle / 2);
    const center: Point = [(v.x + next.x) / 2 - (height * dy) / (2 * half), (v.y + next.y) / 2 + (height * dx) / (2 * half)];
    const from = Math.atan2(v.y - center[1], v.x - center[0]);
    return arc(center, Math.abs(radius), from, from + angle).slice(0, -1);
  });
}
