import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { StepNow } from '@druckerei/contract';
import { formatDuration, formatMoment, formatNumber, label, say, UNIT_WORDS } from '@druckerei/core';
import { goodGiven, goodWantedGiven } from './with-waiting';

/** What runs and what comes, one large line each. */
@Component({
  selector: 'dk-queue-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h1>{{ say('terminal.whatComes') }}</h1>
    @for (s of steps(); track s.job + s.step) {
      <button type="button" class="card line" [class.now]="s.times.state !== 'waiting'" (click)="chosen.emit(s)">
        <span class="name" data-figures
          ><b>{{ s.number }}</b> {{ s.title }}</span
        >
        <span class="soft" data-figures>{{ s.name }} · {{ s.summary }}</span>
        <span class="right" data-figures>
          @if (s.times.state !== 'waiting') {
            <b>{{ label('floor.' + s.times.state) }}</b>
            {{ say('terminal.ofWanted', number(good(s)), number(wanted(s)), unit(s)) }}
          } @else {
            {{ say('terminal.wantedOf', number(wanted(s)), unit(s)) }} · {{ duration(s.setupS + s.runS) }} ·
            {{ moment(s.startAt, timeZone()) }}
            @if (s.washUp; as w) {
              · {{ say('terminal.washUp', w.minutes) }}
            }
          }
        </span>
        @if (s.overrules.length > 0) {
          <span class="waits" data-figures>{{ say('terminal.overrules', s.overrules.join(', ')) }}</span>
        }
        @if (s.waits.length > 0) {
          <span class="waits" data-figures>{{ say('terminal.waitsFor', s.waits.join(', ')) }}</span>
        }
      </button>
    } @empty {
      <p class="soft empty">{{ say('terminal.nothingComes') }}</p>
    }`,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      align-content: start;
      overflow: auto;
    }
    .line {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 2px 20px;
      text-align: left;
      padding: 14px 20px;
      min-height: 84px;
      cursor: pointer;
      font-size: 16px;
    }
    .line.now {
      background: var(--act-ground);
      border-color: var(--act);
    }
    .name {
      font-size: 20px;
    }
    .right {
      grid-row: 1 / span 2;
      grid-column: 2;
      text-align: right;
    }
    .right b {
      display: block;
    }
    .waits {
      grid-column: span 2;
      color: var(--watch);
    }
    .empty {
      font-size: 20px;
      padding: 40px 0;
    }
  `,
})
export class QueueList {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly duration = formatDuration;
  protected readonly moment = formatMoment;
  protected readonly good = goodGiven;
  protected readonly wanted = goodWantedGiven;
  readonly steps = input.required<StepNow[]>();
  readonly timeZone = input.required<string>();
  readonly chosen = output<StepNow>();
  protected unit = (s: StepNow): string => UNIT_WORDS[s.units.givesUnit ?? 'piece']?.[1] ?? '';
}
