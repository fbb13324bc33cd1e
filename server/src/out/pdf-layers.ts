import type { Scene, SceneRole, Shape } from '@druckerei/core';

/* Layers of a drawing that a die maker or a finisher can switch on and off, named as the standard for processing steps has them. */

/** A layer: its name, and its group and step as ISO 19593-1 spells them (from memory). */
interface Layer {
  name: string;
  group: 'Structural' | 'Dimensions' | 'Legend';
  step?: 'Cutting' | 'Creasing' | 'Folding' | 'Perforating' | 'FoilStamping' | 'Bleed';
}
const structural = (step: NonNullable<Layer['step']>): Layer => ({ name: step, group: 'Structural', step });
/** In the order they are drawn, text last. Roles that are not here lie beneath them all, in no layer: sheet, printed pieces, machines. */
const LAYERS: readonly [Layer, readonly SceneRole[]][] = [
  [structural('FoilStamping'), ['foil', 'strike']],
  [structural('Bleed'), ['bleed']],
  [structural('Cutting'), ['cut']],
  [structural('Creasing'), ['score']],
  [structural('Folding'), ['fold']],
  [structural('Perforating'), ['perforation']],
  [{ name: 'Dimensions', group: 'Dimensions' }, ['dimension']],
  [{ name: 'Legend', group: 'Legend' }, ['label', 'strong', 'inkName']],
];

/** What pdfkit keeps of a page and of the document, beyond what its types say. */
interface Innards {
  page: { resources: { data: Record<string, unknown> } };
  _root: { data: Record<string, unknown> };
}

/** Draws a scene shapes beneath first, then layer by layer: each an optional content group (ISO 32000-1, 8.11) that says which processing step it is. */
export function drawInLayers(doc: PDFKit.PDFDocument, scene: Scene, draw: (shapes: Scene) => void): void {
  const inside = doc as unknown as Innards;
  const only = (is: (s: Shape) => boolean): Scene => ({ ...scene, shapes: scene.shapes.filter(is) });
  const layered = new Set(LAYERS.flatMap(([, roles]) => roles));
  draw(only((s) => !layered.has(s.role)));
  const groups: [string, PDFKit.PDFKitReference][] = [];
  for (const [layer, roles] of LAYERS) {
    const mine = only((s) => roles.includes(s.role));
    if (mine.shapes.length === 0) continue;
    const key = `Layer${groups.length + 1}`;
    groups.push([key, groupOf(doc, layer)]);
    doc.addContent(`/OC /${key} BDC`);
    draw(mine);
    doc.addContent('EMC');
  }
  if (groups.length === 0) return;
  const all = groups.map(([, ref]) => ref);
  inside.page.resources.data['Properties'] = Object.fromEntries(groups);
  inside._root.data['OCProperties'] = { OCGs: all, D: { Order: all, ON: all } };
}

function groupOf(doc: PDFKit.PDFDocument, { name, group, step }: Layer): PDFKit.PDFKitReference {
  const ref = doc.ref({
    Type: 'OCG',
    // A String object is written as text, a plain string as a name.
    Name: new String(name),
    GTS_Metadata: { GTS_ProcStepsGroup: group, ...(step && { GTS_ProcStepsType: step }) },
  });
  ref.end(undefined);
  return ref;
}
