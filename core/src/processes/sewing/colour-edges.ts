import { bookStep } from '../book-step';
import { blockScene } from './block-scene';

/** Edges of the trimmed block coloured, clamped between boards. */
export const colourEdges = bookStep({
  id: 'colourEdges',
  losses: { setup: 'edges.setupCycles', running: 'edges.runningPpm' },
  unit: 'block',
  cautions: ['solvents', 'bookPress'],
  rests: { setting: 'colourDriesS', practice: () => 'edges.dryS', label: 'edgesDry' },
  rows: () => [],
  page: () => ({ rows: [{ label: 'edgesWhich', text: 'fore-edge, head and foot, before the spine is rounded' }] }),
  blanks: ['colour: kind, lot', 'first block fanned: nothing ran in, no leaves stuck'],
  scene: (cx) => blockScene(cx, 'block, edges coloured', null),
});
