import { Injectable } from '@angular/core';
import { EditSchema, type Edit } from '@druckerei/core';
import * as z from 'zod';

const KEY = 'druckerei.kept.settings';
const Kept = z.object({ hash: z.string(), edits: z.array(EditSchema) });

/** Changes of the settings that nobody has put in force yet, kept in this browser for the plant they were made on. */
@Injectable({ providedIn: 'root' })
export class KeptSettings {
  keep(hash: string, edits: Edit[]): void {
    try {
      if (edits.length === 0) localStorage.removeItem(KEY);
      else localStorage.setItem(KEY, JSON.stringify({ hash, edits }));
    } catch {
      /* storage full or forbidden: the changes are still on screen */
    }
  }
  of(hash: string): Edit[] {
    try {
      const read = Kept.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
      return read.success && read.data.hash === hash ? read.data.edits : [];
    } catch {
      return [];
    }
  }
}
