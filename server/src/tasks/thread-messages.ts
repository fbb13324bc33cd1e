import type { BadRow, ImportPreview } from '@druckerei/contract';
import type { FoundLayout, JobSpec, Plant, PlanSummary, Shelf } from '@druckerei/core';
import type { Store } from '../plants/shelf';

/** An order read from a row of a file. */
export interface RowRead {
  line: number;
  customer: string;
  spec: JobSpec;
}
/** What a thread is asked. A thread lives for one ask. */
export type ThreadAsk =
  | { kind: 'layout'; spec: JobSpec; plant: Plant; shelf: Shelf; part: string; iterations: number }
  | { kind: 'read'; bytes: Uint8Array; rows: boolean }
  | { kind: 'plans'; plant: Plant; store: Store; now: number; specs: JobSpec[] };
export interface FileRead {
  preview: ImportPreview;
  rows: RowRead[];
  bad: BadRow[];
}
export interface PlanMade {
  summary: PlanSummary;
  picture: string;
}
/** What it says on the way, and at the end. */
export type ThreadSays =
  | { kind: 'progress'; done: number; of: number; best: number; bound: number }
  | { kind: 'planned'; from: number; plans: PlanMade[] }
  | { kind: 'layout'; found: FoundLayout | null }
  | { kind: 'read'; read: FileRead }
  | { kind: 'plans' }
  | { kind: 'refused'; says: string };
