import { say } from './en';
import { formatDuration } from './format';

/**
 * What is changed over before a bar of the board, in words: inks by unit, the paper a machine is set for, a form of the store.
 * @example changesSay([{ key: 'paper', from: '', to: 'white, 720 × 520 mm', s: 300 }]) // 'set for white, 720 × 520 mm, 5 min'
 */
export const changesSay = (changes: readonly { key: string; from: string; to: string; s: number }[]): string =>
  changes
    .map(({ key, from, to, s }) => {
      if (key === 'paper') return say('board.changePaper', to, formatDuration(s));
      if (key === 'tool') return say('board.changeTool', formatDuration(s));
      return say('board.change', key, from, to, formatDuration(s));
    })
    .join('; ');
