import { Injectable } from '@angular/core';
import { EditSchema, type Edit } from '@druckerei/core';

/** Edits the server has not acknowledged, kept in this browser, job by job. */
@Injectable({ providedIn: 'root' })
export class KeptEdits {
  keep(job: string, edits: Edit[]): void {
    try {
      if (edits.length === 0) localStorage.removeItem(key(job));
      else localStorage.setItem(key(job), JSON.stringify(edits));
    } catch {
      /* storage full or forbidden: the edits are still in memory and on their way */
    }
  }

  of(job: string): Edit[] {
    try {
      const read: unknown = JSON.parse(localStorage.getItem(key(job)) ?? '[]');
      return Array.isArray(read)
        ? read.flatMap((e) => {
            const p = EditSchema.safeParse(e);
            return p.success ? [p.data] : [];
          })
        : [];
    } catch {
      return [];
    }
  }
}
const key = (job: string): string => `druckerei.kept.${job}`;
