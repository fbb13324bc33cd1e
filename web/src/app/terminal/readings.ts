import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { StepNow } from '@druckerei/contract';
import { say } from '@druckerei/core';

type Reading = StepNow['measures'][number];

/** What is measured at a step: each reading with what is allowed, typed or answered, and the newest as it was written down. */
@Component({
  selector: 'dk-readings',
  imports: [MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    p {
      margin: 0 0 4px;
    }
    .answers {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
      align-items: center;
    }
  `,
  template: `
    @for (m of measures(); track m.key) {
      <div>
        <p data-figures>
          <b>{{ m.name }}</b>{{ m.allowed ? ': ' + m.allowed : '' }}
          @if (m.value !== null) {
            <br /><span [class.fail]="!m.within">{{
              say(m.within ? 'terminal.measuredBy' : 'terminal.measuredOutside', m.says, m.by)
            }}</span>
          }
        </p>
        @if (m.asked) {
          <span class="answers" role="group" [attr.aria-label]="m.name">
            <button type="button" matButton="outlined" [attr.aria-pressed]="m.value === 1" (click)="reading.emit({ key: m.key, value: 1 })">
              {{ say('terminal.yes') }}
            </button>
            <button type="button" matButton="outlined" [attr.aria-pressed]="m.value === 0" (click)="reading.emit({ key: m.key, value: 0 })">
              {{ say('terminal.no') }}
            </button>
          </span>
        } @else {
          <form class="answers" (submit)="$event.preventDefault(); write(m)">
            <mat-form-field subscriptSizing="dynamic">
              <input
                matInput
                inputmode="decimal"
                autocomplete="off"
                [attr.aria-label]="m.name"
                [value]="texts()[m.key] ?? ''"
                (input)="typed(m.key, $any($event.target).value)"
              />
              <span matTextSuffix data-figures>{{ m.unit }}</span>
            </mat-form-field>
            <button type="button" matButton="outlined" [disabled]="numberOf(m.key) === null" (click)="write(m)">
              {{ say('terminal.writeItDown') }}
            </button>
          </form>
        }
      </div>
    }
  `,
})
export class Readings {
  protected readonly say = say;
  readonly measures = input.required<readonly Reading[]>();
  readonly reading = output<{ key: string; value: number }>();
  /** What stands in the fields and is not written down yet. */
  protected readonly texts = signal<Record<string, string>>({});

  protected typed(key: string, text: string): void {
    this.texts.update((all) => ({ ...all, [key]: text }));
  }
  /** What is typed as a number, with a point or a comma; null: it is none. */
  protected numberOf(key: string): number | null {
    const text = (this.texts()[key] ?? '').trim().replace(',', '.');
    return text !== '' && Number.isFinite(Number(text)) ? Number(text) : null;
  }
  protected write({ key }: Reading): void {
    const value = this.numberOf(key);
    if (value === null) return;
    this.reading.emit({ key, value });
    this.typed(key, '');
  }
}
