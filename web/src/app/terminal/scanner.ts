import { readScan } from '@druckerei/core';

/** A scanner types faster than a hand: keys farther apart than this begin anew. */
const HAND_MS = 120;

/** Listens for a scanner that types: quick keys that end with Enter and read like a flag. Returns what ends the listening. */
export function listenForScans(found: (scan: { job: number; code: string }) => void): () => void {
  let text = '';
  let last = 0;
  const key = (e: KeyboardEvent): void => {
    if (e.timeStamp - last > HAND_MS) text = '';
    last = e.timeStamp;
    if (e.key === 'Enter') {
      const scan = readScan(text);
      text = '';
      if (!scan) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      found(scan);
    } else if (e.key.length === 1) text += e.key;
  };
  document.addEventListener('keydown', key, { capture: true });
  return () => {
    document.removeEventListener('keydown', key, { capture: true });
  };
}
