import { Injectable } from '@angular/core';
import { EditSchema, type Edit } from '@druckerei/core';
import type { Done, Kept } from './job.feature';

const MOST_STEPS = 100;

/** What this browser keeps of a job: edits the server has not acknowledged, and the way back and forth, so that undo survives a reload. */
@Injectable({ providedIn: 'root' })
export class KeptEdits {
  keep(job: string, { pending, undo, redo }: Kept): void {
    try {
      write(pendingKey(job), pending);
      write(stepsKey(job), undo.length + redo.length > 0 ? { undo: undo.slice(-MOST_STEPS), redo: redo.slice(-MOST_STEPS) } : []);
    } catch {
      /* storage full or forbidden: the edits are still in memory and on their way */
    }
  }

  of(job: string): Kept {
    const steps = read(stepsKey(job)) as { undo?: unknown; redo?: unknown } | null;
    return { pending: editsOf(read(pendingKey(job))), undo: stepsOf(steps?.undo), redo: stepsOf(steps?.redo) };
  }
}
const pendingKey = (job: string): string => `druckerei.kept.${job}`;
const stepsKey = (job: string): string => `druckerei.steps.${job}`;

function write(key: string, value: object): void {
  if (Array.isArray(value) && value.length === 0) localStorage.removeItem(key);
  else localStorage.setItem(key, JSON.stringify(value));
}

function read(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
}

const editsOf = (value: unknown): Edit[] =>
  Array.isArray(value)
    ? value.flatMap((e) => {
        const p = EditSchema.safeParse(e);
        return p.success ? [p.data] : [];
      })
    : [];

const stepsOf = (value: unknown): Done[] =>
  Array.isArray(value)
    ? value.flatMap((step: { at?: unknown; edits?: unknown } | null) => {
        const edits = editsOf(step?.edits);
        return typeof step?.at === 'number' && edits.length > 0 ? [{ at: step.at, edits }] : [];
      })
    : [];
