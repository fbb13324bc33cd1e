import type { SeparationRead } from './separation';

/** What a file holds for the inks of a pass. */
export interface PlatesRead {
  /** By the name of the ink in the pass. */
  plates: Record<string, SeparationRead>;
  /** Of a PDF: inks of the pass that the page has no colour of; colours of the page that the pass does not print. */
  absent: string[];
  leftAside: string[];
}
export interface PlatesAsk {
  bytes: Uint8Array;
  /** Of a PDF. */
  page: number;
  inkIsDark: boolean;
  inks: readonly string[];
}
