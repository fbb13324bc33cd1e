import { blockScene } from './block-scene';
import { bookStep } from '../book-step';
import { blockFigures } from './block-figures';

/** Sewn blocks pressed together at the spine, and glued there. */
export const nip = bookStep({
  id: 'nip',
  losses: { setup: 'nip.setupCycles', running: 'nip.runningPpm' },
  unit: 'block',
  cautions: ['bookPress', 'glueRollers'],
  figures: blockFigures,
  rests: { setting: 'dryS', practice: () => 'nip.dryS', label: 'spineGlueDries' },
  rows: (cx) => {
    const block = blockFigures(cx);
    return block ? [{ label: 'blockNipped', figure: block.blockMm }] : [];
  },
  page: () => ({ rows: [{ label: 'nipForce', text: 'as the machine’s card says for this thickness and paper' }] }),
  blanks: ['T after nipping, five blocks', 'heads level, spine square', 'glue: kind, lot; even, not between the sections'],
  scene: (cx) => blockScene(cx, 'block, nipped', null),
});
