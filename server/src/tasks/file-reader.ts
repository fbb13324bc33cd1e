import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Refused } from '../errors';
import type { PlatesAsk, PlatesRead } from '../zones/plates';

/** What the reading process says on the way and at the end. */
export type ReaderSays =
  | { kind: 'ready' }
  | { kind: 'progress'; done: number; of: number }
  | { kind: 'read'; read: PlatesRead }
  | { kind: 'refused'; says: string };

export interface ReaderLimits {
  /** Memory of all kinds, megabytes. */
  mostMb: number;
  /** From the first byte to the last word, milliseconds. */
  mostMs: number;
}
/** A page of eight plates at its largest takes a third of both. */
export const READER_LIMITS: ReaderLimits = { mostMb: 1_200, mostMs: 120_000 };
const LOOK_MS = 100;
const ROOM = 3;
const PAGE_BYTES = 4_096;

/**
 * Reads pictures and PDFs from outside in a process of its own: whatever a file does, it does it there. The process may read the program and write nowhere, start
 * nothing, and has so much memory and time; beyond that it is ended, and the refusal says why. It lives for one file.
 */
export class FileReader {
  constructor(
    private readonly file: string | URL,
    /** Folders of the program it may read: its own code and packages. */
    private readonly program: readonly string[],
  ) {}

  run(ask: PlatesAsk, tell: (done: number, of: number) => void, signal: AbortSignal, limits = READER_LIMITS): Promise<PlatesRead> {
    const path = typeof this.file === 'string' ? this.file : fileURLToPath(this.file);
    const node = [
      process.execPath,
      '--no-warnings',
      `--max-old-space-size=${Math.round(limits.mostMb * 0.8)}`,
      '--experimental-permission',
      '--allow-addons',
      ...[dirname(path), ...this.program].map((folder) => `--allow-fs-read=${folder}`),
      path,
    ];
    // What it holds is looked at; the kernel stops what grows faster than anybody looks. It counts what is only reserved, too: hence the room.
    const child = spawn('prlimit', [`--data=${ROOM * limits.mostMb * 1_048_576}`, '--core=0', ...node], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      serialization: 'advanced',
      env: { PATH: process.env['PATH'] },
      cwd: '/',
    });
    return new Promise((resolve, reject) => {
      let why: Error | null = null;
      const end = (reason: Error): void => {
        why ??= reason;
        child.kill('SIGKILL');
      };
      const late = setTimeout(
        () => end(new Refused(422, 'late', `It was not read within ${limits.mostMs / 1_000} s, and was given up.`)),
        limits.mostMs,
      );
      const looking = setInterval(() => {
        if (residentMb(child.pid) > limits.mostMb) end(tooLarge(limits));
      }, LOOK_MS);
      const stop = (): void => end(new Error('stopped'));
      signal.addEventListener('abort', stop, { once: true });
      child.on('message', (said: ReaderSays) => {
        if (said.kind === 'ready') child.send(ask);
        else if (said.kind === 'progress') tell(said.done, said.of);
        else if (said.kind === 'refused') reject(new Refused(422, 'refused', said.says));
        else resolve(said.read);
      });
      const over = (): void => {
        clearTimeout(late);
        clearInterval(looking);
        signal.removeEventListener('abort', stop);
      };
      child.on('error', (error) => {
        over();
        reject(error);
      });
      child.on('close', () => {
        over();
        // Ended by itself without a word: it asked for memory and got none.
        reject(why ?? tooLarge(limits));
      });
      if (signal.aborted) stop();
    });
  }
}

const tooLarge = ({ mostMb }: ReaderLimits): Refused =>
  new Refused(422, 'too-large', `Unpacked it takes more than ${mostMb} MB: it was given up. Save the page with fewer or smaller pictures.`);

/** Memory a process holds, megabytes; 0 where nobody tells. */
function residentMb(pid: number | undefined): number {
  try {
    return (Number(readFileSync(`/proc/${pid ?? 0}/statm`, 'utf8').split(' ')[1]) * PAGE_BYTES) / 1_048_576;
  } catch {
    return 0;
  }
}
