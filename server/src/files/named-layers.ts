import type { Point, RawLayer } from '@druckerei/core';

/** Paths by the layer they stood in, in the order in which layers were met. */
export class NamedLayers {
  private readonly layers = new Map<string, Point[][]>();

  add(layer: string, path: Point[]): void {
    const paths = this.layers.get(layer);
    if (paths) paths.push(path);
    else this.layers.set(layer, [path]);
  }
  all(): RawLayer[] {
    return [...this.layers].map(([name, paths]) => ({ name, paths }));
  }
}
