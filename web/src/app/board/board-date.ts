import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatTooltip } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { catchError, debounceTime, filter, merge, of, switchMap } from 'rxjs';
import type { BoardPromise } from '@druckerei/contract';
import type { JobSpec } from '@druckerei/core';
import { formatDuration, formatMoment, say } from '@druckerei/core/words';
import type { Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { Server } from '../shared/server';
import { because } from './board-says';

/** Who types is not asked about with every letter. */
const PAUSE_MS = 500;
const MOVES_DATES = ['board', 'floor', 'plants'];

/** When a job would be ready if it were released now, and with overtime where it waits the longest; of what is released, when it ends on the board. */
@Component({
  selector: 'dk-board-date',
  imports: [MatTooltip, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p role="status" data-figures>
    @if (failure(); as f) {
      <span class="soft">{{ f.title }}</span>
    } @else if (told(); as t) {
      <a routerLink="/board" [queryParams]="t.onBoard ? { show: job() } : job() ? { quoted: job() } : {}" [matTooltip]="why(t)">{{
        say(t.onBoard ? 'board.promise.onBoard' : 'board.promise', moment(t.at, t))
      }}</a>
      @if (t.overtime; as over) {
        <span class="soft">{{ say('board.promise.overtime', duration(over.byS), over.machine, moment(over.at, t)) }}</span>
      }
    } @else {
      <span class="soft">{{ say('board.promise.asking') }}</span>
    }
  </p>`,
  styles: `
    p {
      margin: 0;
      padding: 4px 16px;
      font-size: 13.5px;
    }
    a {
      color: var(--act);
      font-weight: 600;
    }
    .soft {
      margin-left: 10px;
    }
  `,
})
export class BoardDate {
  protected readonly say = say;
  protected readonly duration = formatDuration;
  readonly spec = input.required<JobSpec>();
  /** null: it is not entered yet. */
  readonly job = input<string | null>(null);
  private readonly server = inject(Server);
  private readonly asked = computed(() => ({ spec: this.spec(), job: this.job() }));
  private readonly answer = toSignal(
    merge(
      toObservable(this.asked),
      inject(Changes).changes$.pipe(
        filter((c) => c === null || MOVES_DATES.includes(c.table) || c.id === this.job()),
        switchMap(() => of(this.asked())),
      ),
    ).pipe(
      debounceTime(PAUSE_MS),
      switchMap(() => this.server.send('board.promise', { body: this.asked() }).pipe(catchError((f: Failure) => of(f)))),
    ),
    { initialValue: null },
  );
  protected readonly told = computed((): BoardPromise | null => {
    const answer = this.answer();
    return answer && 'onBoard' in answer ? answer : null;
  });
  protected readonly failure = computed((): Failure | null => {
    const answer = this.answer();
    return answer && !('onBoard' in answer) ? answer : null;
  });
  protected moment = (at: number, { timeZone }: BoardPromise): string => formatMoment(at, timeZone);
  protected why = (told: BoardPromise): string => because(told);
}
