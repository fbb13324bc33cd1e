import type { BadRow, ImportPreview } from '@druckerei/contract';
import type { Correction, CorrectionAsk, JobSpec, MatchAsk, MatchResult, Plant, Shelf } from '@druckerei/core';
import type { Bar, Judged, Problem } from '@druckerei/core/board';
import type { FoundLayout, PlanSummary } from '@druckerei/core/planning';
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
  | { kind: 'read'; bytes: Uint8Array }
  | { kind: 'match'; ask: MatchAsk }
  | { kind: 'correct'; ask: CorrectionAsk }
  /** Lays a board in an order, or by the rules of dispatch where there is none, and betters it by so many moves. */
  | { kind: 'board'; problem: Problem; order: string[]; on: Record<string, string>; was: Bar[]; moves: number }
  /** Every so-manieth row of a file, from the one named: threads share a file between them. */
  | { kind: 'plans'; bytes: Uint8Array; first: number; every: number; plant: Plant; store: Store; now: number };
/** A file as its preview shows it, and the names of all its customers. */
export interface FileRead {
  preview: ImportPreview;
  customers: string[];
}
/** An order of a file, planned. */
export interface RowPlanned extends RowRead {
  made: { summary: PlanSummary; picture: string };
}
/** What it says on the way, and at the end. */
export type ThreadSays =
  | { kind: 'progress'; done: number; of: number; best: number; bound: number }
  | { kind: 'planned'; of: number; rows: RowPlanned[]; bad: BadRow[] }
  | { kind: 'layout'; found: FoundLayout | null }
  | { kind: 'read'; read: FileRead }
  | { kind: 'plans' }
  | { kind: 'match'; result: MatchResult }
  | { kind: 'correct'; correction: Correction }
  | { kind: 'board'; made: Judged; least: number }
  | { kind: 'refused'; says: string };
