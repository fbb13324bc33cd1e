import type { AnyLayoutProgress, FoundLayout, JobSpec, Plant, Shelf } from '@druckerei/core';

/** What the screen asks of the search worker; it is stopped by ending the worker. */
export interface SearchAsk {
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  part: string;
  iterations: number;
}
export type SearchAnswer =
  { kind: 'progress'; progress: AnyLayoutProgress } | { kind: 'found'; found: FoundLayout | null } | { kind: 'failed'; says: string };
