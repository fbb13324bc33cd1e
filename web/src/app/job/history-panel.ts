import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Differences, Happened, Job } from '@druckerei/contract';
import { formatMoment, label, type Place, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { movedSays } from '../shared/moved-says';

/** Who did what to the job, and how its releases differ from one another and from the plan of now. */
@Component({
  selector: 'dk-history-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `<div class="top">
      <h2>{{ say('historyPanel.releases') }}</h2>
    </div>
    @for (r of job().releases; track r.nr) {
      <p class="release">
        <b>{{ say('historyPanel.release', r.nr) }}</b>
        {{ r.scope ? say('historyPanel.ofParts', r.scope.length) : say('historyPanel.ofTheWhole') }} ·
        {{ moment(r.at, place().timeZone) }} ·
        {{ r.by }}
        @if (r.reason) {
          <span class="soft">“{{ r.reason }}”</span>
        }
        @if ($index > 0) {
          <button type="button" matButton (click)="compare(job().releases[$index - 1]!.nr, r.nr)">
            {{ say('historyPanel.againstTheOneBefore') }}
          </button>
        }
        <button type="button" matButton (click)="compare(r.nr, null)">{{ say('historyPanel.againstNow') }}</button>
      </p>
    } @empty {
      <p class="soft">{{ say('historyPanel.nothingIsReleasedYet') }}</p>
    }
    @if (compared(); as c) {
      <div class="difference" role="status">
        <b>{{ c.title }}</b>
        <ul>
          @for (line of c.lines; track $index) {
            <li data-figures>{{ line }}</li>
          } @empty {
            <li class="soft">{{ say('historyPanel.theyAreTheSame') }}</li>
          }
        </ul>
      </div>
    }
    <h2>{{ say('historyPanel.whatHappened') }}</h2>
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    <table>
      <tbody>
        @for (h of rows(); track $index) {
          <tr>
            <td class="soft when">{{ moment(h.at, place().timeZone) }}</td>
            <td class="who">{{ h.by }}</td>
            <td>
              {{ word(h.what) }}
              @if (h.note) {
                <span class="soft">“{{ h.note }}”</span>
              }
              @for (e of h.edits; track $index) {
                <div class="edit" data-figures>
                  {{ e.place }}: <span class="soft">{{ e.was }} →</span> {{ e.now }}
                </div>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>`,
  styles: `
    .release {
      margin: 4px 0;
      display: flex;
      gap: 8px;
      flex-wrap: wrap;
      align-items: baseline;
    }
    h2 {
      margin-top: 10px;
    }
    .difference {
      background: var(--know-ground);
      border-radius: 7px;
      padding: 8px 12px;
      margin: 6px 0;
    }
    ul {
      margin: 4px 0 0;
      padding-left: 18px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    td {
      padding: 4px 8px 4px 0;
      border-bottom: 1px solid var(--line);
      vertical-align: top;
    }
    .when,
    .who {
      white-space: nowrap;
    }
    .edit {
      font-size: 13px;
    }
  `,
})
export class HistoryPanel {
  protected readonly say = say;
  readonly job = input.required<Pick<Job, 'id' | 'version' | 'state' | 'releases'>>();
  readonly place = input.required<Place>();
  private readonly server = inject(Server);
  protected readonly rows = signal<Happened[]>([]);
  protected readonly failure = signal<Failure | null>(null);
  private readonly difference = signal<{ title: string; differences: Differences } | null>(null);
  protected readonly compared = computed(() => {
    const d = this.difference();
    return d && { title: d.title, lines: differenceSays(d.differences, this.place()) };
  });
  protected readonly moment = formatMoment;
  protected readonly word = (what: string): string => label(`event.${what}`);

  constructor() {
    effect(() => {
      const { id } = this.job();
      this.server.send('jobs.history', { params: { id } }).subscribe({
        next: (rows) => {
          this.rows.set(rows);
          this.failure.set(null);
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }

  protected compare(since: number, release: number | null): void {
    const title = release === null ? say('historyPanel.releaseAgainstNow', since) : say('historyPanel.releaseAgainst', since, release);
    const query = { since: String(since), ...(release !== null && { release: String(release) }) };
    this.server.send('jobs.differences', { params: { id: this.job().id }, query }).subscribe({
      next: (differences) => {
        this.difference.set({ title, differences });
      },
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
}

/** Differences in words and figures: the places first, then what they do. */
export const differenceSays = (d: Differences, place: Place): string[] => [
  ...d.edits.map((e) => `${e.place}: ${e.was} → ${e.now}`),
  ...movedSays(d, place),
];
