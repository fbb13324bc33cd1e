import { Colors, DxfWriter, LWPolylineFlags, Units } from '@tarikjabiri/dxf';
import type { DieLayer } from '@druckerei/core';

/** Colours of the layers, by number as every reader of the format has them. */
const COLOUR: Readonly<Record<DieLayer['kind'], number>> = {
  cut: Colors.Red,
  crease: Colors.Green,
  perforation: Colors.Cyan,
  halfCut: Colors.Magenta,
  glue: Colors.Yellow,
};

/** Lines of a die as DXF: millimetres, a layer a kind, every path a polyline. */
export function dieLineDxf(layers: readonly DieLayer[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const { kind, paths } of layers) {
    dxf.addLayer(kind, COLOUR[kind], 'CONTINUOUS');
    dxf.setCurrentLayerName(kind);
    for (const { points, closed } of paths)
      dxf.addLWPolyline(
        points.map(([x, y]) => ({ point: { x, y } })),
        { flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
  }
  return dxf.stringify();
}
