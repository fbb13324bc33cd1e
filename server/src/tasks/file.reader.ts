import type { PlatesAsk } from '../zones/plates';
import { readPlates } from '../zones/read-plates';
import { NoSeparation } from '../zones/separation';
import type { ReaderSays } from './file-reader';

/* The process that reads one file from outside: asked once, it answers and ends. */

const say = (said: ReaderSays, then: () => void = () => undefined): void => void process.send?.(said, then);
const leave = (): void => process.exit(0);
/** Words of a file's own fault are told as they are; anything else is the reader's, and told as what it means for the file. */
const wordsOf = (error: unknown): string =>
  error instanceof NoSeparation ? error.message : 'The file is damaged, or of a kind that cannot be read here.';

process.once('message', (ask: PlatesAsk) => {
  readPlates(ask, (done, of) => say({ kind: 'progress', done, of })).then(
    (read) => say({ kind: 'read', read }, leave),
    (error: unknown) => {
      // Out of memory is no word of the file: ended without one, it is said by whoever asked.
      if (error instanceof RangeError && /allocation|Invalid (typed )?array|buffer/i.test(error.message)) process.exit(1);
      say({ kind: 'refused', says: wordsOf(error) }, leave);
    },
  );
});
say({ kind: 'ready' });
