import { Injectable, signal } from '@angular/core';

/** Whether the server answers: every page says when it does not, and since when what stands there is the last that is known. */
@Injectable({ providedIn: 'root' })
export class Line {
  private last = Date.now();
  /** Since when nothing came back, in epoch milliseconds; null: it answers. */
  readonly away = signal<number | null>(null);

  answered(): void {
    this.last = Date.now();
    this.away.set(null);
  }
  silent(): void {
    if (this.away() === null) this.away.set(this.last);
  }
}
