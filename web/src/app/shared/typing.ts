import { Injectable } from '@angular/core';
import { BehaviorSubject, filter, map, type Observable, take } from 'rxjs';

/**
 * Which value is being typed. What is typed is planned at once, and saved when it is done (Enter, or leaving the field): others never see half a number, and
 * history, undo and the server hold one change for each value somebody gave.
 */
@Injectable({ providedIn: 'root' })
export class Typing {
  private readonly open = new BehaviorSubject<number | null>(null);
  private last = 0;

  /** Number of the field that is open, a new one each time one opens; null: nothing is being typed. */
  get field(): number | null {
    return this.open.value;
  }
  begin(): number {
    this.open.next(++this.last);
    return this.last;
  }
  /** Ends the typing in a field, if it is still the one that is open. */
  end(field: number | null): void {
    if (field !== null && this.open.value === field) this.open.next(null);
  }
  /** Once, as soon as nothing is being typed. */
  done(): Observable<void> {
    return this.open.pipe(
      filter((field) => field === null),
      take(1),
      map(() => undefined),
    );
  }
}
