import { signal } from '@angular/core';
import type { Observable } from 'rxjs';
import type { Failure } from './api';
import { keepFile } from './keep-file';

/** A file that is asked of the server and given to the person: whether it is on its way, and why there is none. */
export class TakenFile {
  readonly busy = signal(false);
  readonly failure = signal<Failure | null>(null);

  take(asked: Observable<Blob>, title: string, ending: string): void {
    this.busy.set(true);
    asked.subscribe({
      next: (file) => {
        this.busy.set(false);
        this.failure.set(null);
        keepFile(file, title, ending);
      },
      error: (f: Failure) => {
        this.busy.set(false);
        this.failure.set(f);
      },
    });
  }
}
