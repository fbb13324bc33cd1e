import { Injectable } from '@angular/core';
import type { Edit } from '@druckerei/core';

const MOST = 500;

/**
 * The save that is under way or that nobody answered. Tried again it is the same save, with the same key: had it arrived, only its answer was lost, and it must
 * not be saved a second time against itself.
 */
@Injectable({ providedIn: 'root' })
export class Sending {
  private kept: { job: string; key: string; edits: Edit[] } | null = null;

  /** What to send of what is pending: the unanswered save while it still stands at the beginning, else a new one. */
  of(job: string, pending: readonly Edit[]): { key: string; edits: Edit[] } {
    const { kept } = this;
    const same = kept?.job === job && JSON.stringify(pending.slice(0, kept.edits.length)) === JSON.stringify(kept.edits);
    if (!kept || !same) this.kept = { job, key: crypto.randomUUID(), edits: pending.slice(0, MOST) };
    return this.kept ?? this.of(job, pending);
  }
  /** The server said yes or no: what comes next is a save of its own. */
  answered(): void {
    this.kept = null;
  }
}
