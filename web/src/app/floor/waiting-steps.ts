import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';
import { formatDuration, formatMoment, formatNumber, say, UNIT_WORDS } from '@druckerei/core/words';
import { readingOf } from '../shared/server';
import { sheetClose, sheetData } from '../shared/sheet';

/** Everything that waits for a machine, in the order it is meant to run, with what is missing for it. */
@Component({
  selector: 'dk-waiting-steps',
  imports: [MatButton, MatDialogModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2 mat-dialog-title>{{ say('floor.waitsAt', machine.name) }}</h2>
    <mat-dialog-content>
      @if (steps(); as all) {
        <ol>
          @for (s of all; track s.key) {
            <li>
              <a [routerLink]="['/jobs', s.job]" (click)="close()" data-figures
                ><b>{{ s.number }}</b> {{ s.title }}</a
              ><span class="right" data-figures>{{ s.at }}</span
              ><span class="soft" data-figures>{{ s.says }}</span>
              @if (s.waits) {
                <span class="waits" data-figures>{{ s.waits }}</span>
              }
            </li>
          } @empty {
            <li class="soft">{{ say('terminal.nothingComes') }}</li>
          }
        </ol>
      } @else if (failure(); as f) {
        <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
      } @else {
        <p class="soft" role="status">{{ say('floor.reading') }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton="outlined" type="button" (click)="close()">{{ say('shortcutsDialog.close') }}</button>
    </mat-dialog-actions>`,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0 14px;
      padding: 6px 0;
      border-bottom: 1px solid var(--line);
    }
    a {
      color: var(--ink);
    }
    .waits {
      grid-column: 1 / -1;
      color: var(--watch);
    }
  `,
})
export class WaitingSteps {
  protected readonly say = say;
  protected readonly machine = sheetData() as { id: string; name: string };
  protected readonly close = sheetClose();
  private readonly reading = readingOf('floor.terminal', ['floor', 'jobs']);
  protected readonly failure = this.reading.failure;
  protected readonly steps = computed(() => {
    const at = this.reading.got();
    return at === null
      ? null
      : at.steps
          .filter((s) => s.times.state === 'waiting')
          .map((s) => ({
            key: `${s.job} ${s.step}`,
            ...{ job: s.job, number: s.number, title: s.title, at: formatMoment(s.startAt, at.timeZone) },
            says: `${s.name} · ${formatNumber(s.goodWanted * s.units.givesPer)} ${UNIT_WORDS[s.units.givesUnit ?? 'piece']?.[1] ?? ''} · ${formatDuration(s.setupS + s.runS)}`,
            waits: s.waits.length > 0 ? say('floor.waitsFor', s.waits.join(', ')) : '',
          }));
  });

  constructor() {
    this.reading.ask({ params: { id: this.machine.id }, query: {} });
  }
}
