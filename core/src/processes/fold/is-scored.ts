import type { ProcessContext } from '../process';

export const isScored = (cx: Pick<ProcessContext, 'settings' | 'id'>): boolean =>
  (Object.hasOwn(cx.settings, 'score') ? cx.settings['score'] : 'score') !== 'none';
