import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import type { MovedJob } from '@druckerei/contract';
import { type Place, say } from '@druckerei/core';
import { movedSays } from '../shared/moved-says';
import type { Trial } from './settings.feature';

/** What the changed settings would do to every open job, job by job, before they are put in force. */
@Component({
  selector: 'dk-moves-panel',
  imports: [RouterLink, MatButton, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2>{{ say('movesPanel.whatItMoves') }}</h2>
    @if (trial(); as t) {
      @if (t.running) {
        <p role="status">
          <mat-progress-bar
            mode="determinate"
            [value]="(100 * t.planned) / (t.of || 1)"
            [attr.aria-label]="say('movesPanel.openJobsPlanned')"
          />
          {{ say('movesPanel.ofOpenJobsPlanned', t.planned, t.of || '…') }}
          <button type="button" matButton (click)="stopped.emit()">{{ say('movesPanel.stop') }}</button>
        </p>
      } @else {
        <p role="status">
          {{
            t.jobs.length === 0
              ? say('movesPanel.noOpenJobMoves')
              : t.jobs.length + (' ' + say('movesPanel.of') + ' ') + t.of + (' ' + say('movesPanel.openJobsMove'))
          }}
        </p>
      }
      @for (j of t.jobs; track j.job) {
        <article>
          <a [routerLink]="['/jobs', j.job]">{{ j.number }} {{ j.title }}</a>
          <ul>
            @for (m of changes(j); track m) {
              <li>{{ m }}</li>
            }
          </ul>
        </article>
      }
    } @else {
      <p class="soft">
        {{ changed() ? say('movesPanel.nothingIsInForceYet') : say('movesPanel.changeSomethingNothingCountsBefore') }}
      </p>
    }`,
  styles: `
    h2 {
      margin-bottom: 6px;
    }
    article {
      border-top: 1px solid var(--line);
      padding: 6px 0;
    }
    ul {
      margin: 2px 0 0;
      padding-left: 16px;
    }
    a {
      font-weight: 600;
      color: var(--ink);
    }
  `,
})
export class MovesPanel {
  protected readonly say = say;
  readonly trial = input.required<Trial | null>();
  readonly changed = input.required<boolean>();
  readonly place = input.required<Place>();
  readonly stopped = output();
  protected changes = (j: MovedJob): string[] => movedSays(j, this.place());
}
