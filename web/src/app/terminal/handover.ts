import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Handover, Terminal } from '@druckerei/contract';
import { formatMoment, formatNumber, label, say } from '@druckerei/core';
import { goodGiven, goodWantedGiven } from './with-waiting';

/** What the shift before left: read one by one, and signed, before anything starts. */
@Component({
  selector: 'dk-read-handover',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `@if (unread()[0]; as h) {
    <h1>{{ say('terminal.leftFor', h.by || say('terminal.theShiftBefore')) }}</h1>
    <p class="soft">
      {{ moment(h.at, timeZone()) }}
      @if (unread().length > 1) {
        · {{ say('terminal.andMoreNotes', unread().length - 1) }}
      }
    </p>
    <p class="card word" data-figures>{{ h.note }}</p>
    <button type="button" matButton="filled" (click)="read.emit(h)">{{ say('terminal.readAndSigned') }}</button>
  }`,
  styles: `
    .word {
      font-size: 21px;
      line-height: 1.45;
      padding: 20px 24px;
      white-space: pre-line;
      max-width: 900px;
    }
  `,
})
export class ReadHandover {
  protected readonly say = say;
  protected readonly moment = formatMoment;
  readonly unread = input.required<Handover[]>();
  readonly timeZone = input.required<string>();
  readonly read = output<Handover>();
}

/** What is left for the next shift: what stands, what is hot and which faults are open is put together; the rest is written. */
@Component({
  selector: 'dk-write-handover',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatInputModule],
  template: `<h1>{{ say('terminal.leaveWord') }}</h1>
    <ul class="card stands" data-figures>
      @for (l of lines(); track l) {
        <li>{{ l }}</li>
      } @empty {
        <li>{{ say('terminal.nothingStands') }}</li>
      }
    </ul>
    <mat-form-field
      ><mat-label>{{ say('terminal.whatElse') }}</mat-label
      ><textarea matInput rows="4" maxlength="300" [value]="text()" (input)="text.set($any($event.target).value)"></textarea>
    </mat-form-field>
    <div class="two">
      <button type="button" matButton="outlined" (click)="left.emit(null)">{{ say('terminal.notYet') }}</button>
      <button type="button" matButton="filled" [disabled]="note().length < 3" (click)="left.emit(note())">
        {{ say('terminal.leaveIt') }}
      </button>
    </div>`,
  styles: `
    .stands {
      font-size: 18px;
      line-height: 1.5;
      padding: 14px 34px;
      margin: 10px 0;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 2fr;
      gap: 12px;
      margin-top: 14px;
    }
  `,
})
export class WriteHandover {
  protected readonly say = say;
  readonly terminal = input.required<Terminal>();
  readonly left = output<string | null>();
  protected readonly text = signal('');
  /** What stands, what is hot, open faults, held piles: from the log, so that nobody forgets to say it. */
  protected readonly lines = computed(() => {
    const { steps, piles, timeZone } = this.terminal();
    const stands = steps
      .filter((s) => s.times.state !== 'waiting' && s.times.state !== 'done')
      .map((s) =>
        say(
          s.times.state === 'stopped' ? 'terminal.standsStopped' : 'terminal.standsRunning',
          `${s.number} ${s.name}`,
          formatNumber(goodGiven(s)),
          formatNumber(goodWantedGiven(s)),
          label(`stop.${s.times.stopReason}`),
        ),
      );
    const hot = steps.filter((s) => s.times.state === 'waiting' && s.waits.length === 0).slice(0, 1);
    const held = piles.filter((p) => p.state === 'hold' && p.inHand > 0);
    return [
      ...stands,
      ...hot.map((s) => say('terminal.isNext', `${s.number} ${s.name}`, formatMoment(s.startAt, timeZone))),
      ...held.map((p) => say('terminal.isHeld', `${p.number}.${p.code}`, formatNumber(p.inHand))),
    ];
  });
  protected readonly note = computed(() => [...this.lines(), this.text().trim()].filter(Boolean).join('\n').slice(0, 500));
}
