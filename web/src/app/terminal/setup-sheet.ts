import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { SetupSheet as Sheet, StepNow } from '@druckerei/contract';
import { label, type Scene, say } from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import { keptFor } from '../shared/kept-for';

/** Why somebody sets a step up before its time. */
const EARLY_REASONS = ['terminal.early.ended', 'terminal.early.soon', 'terminal.early.there', 'terminal.early.told'] as const;

/** A step's setup sheet as it was released: drawing, settings, lists, cautions; and the one thing to do next. */
@Component({
  selector: 'dk-setup-sheet',
  imports: [Drawing, MatButton, MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section class="card drawing">
      @if (scene(); as s) {
        <dk-drawing [scene]="s" [out]="false" />
      }
    </section>
    <section class="rest">
      <h1 data-figures>{{ step().name }}</h1>
      <p class="soft" data-figures>{{ step().number }} · {{ step().title }} · {{ step().customer }}</p>
      @if (sheet(); as s) {
        <dl class="card" data-figures>
          @for (r of s.rows; track $index) {
            <div>
              <dt>{{ r[0] }}</dt>
              <dd>{{ r[1] }}</dd>
            </div>
          }
        </dl>
        @for (l of s.lists; track l.title) {
          <table class="lines" data-figures>
            <caption class="said">
              {{
                label(l.title)
              }}
            </caption>
            <thead>
              <tr>
                @for (h of l.head; track $index) {
                  <th>{{ h }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (r of l.rows; track $index) {
                <tr>
                  @for (c of r; track $index) {
                    <td>{{ c }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        }
        <p class="caution" data-figures>
          <b>{{ say('terminal.caution') }}</b> {{ s.cautions.join(' ') }}
        </p>
      } @else {
        <p class="soft">{{ say('terminal.noSheetKept') }}</p>
      }
      @if (step().washUp; as w) {
        <p class="soft" data-figures>
          {{ say('terminal.washUpBefore', w.minutes) }}
          @for (u of washed(); track u) {
            · {{ u }}
          }
        </p>
      }
      <div class="do">
        @for (w of early(); track w) {
          <p class="note level-decide" role="status" data-figures>{{ w }}</p>
        }
        @if (early().length > 0) {
          <mat-button-toggle-group
            hideSingleSelectionIndicator
            [attr.aria-label]="say('terminal.earlyWhy')"
            [value]="reason()"
            (change)="reason.set($event.value)"
          >
            @for (r of reasons; track r) {
              <mat-button-toggle [value]="say(r)">{{ say(r) }}</mat-button-toggle>
            }
          </mat-button-toggle-group>
        }
        <button type="button" matButton="outlined" (click)="back.emit()">{{ say('terminal.back') }}</button>
        <button type="button" matButton="filled" [disabled]="early().length > 0 && reason() === ''" (click)="go.emit(reason())">
          {{ button() }}
        </button>
      </div>
    </section>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 18px;
      min-height: 0;
    }
    .drawing {
      min-height: 0;
      padding: 10px;
      display: flex;
    }
    .drawing dk-drawing {
      flex: 1;
      min-width: 0;
    }
    .rest {
      overflow: auto;
      display: grid;
      gap: 8px;
      align-content: start;
    }
    .rest > p,
    .rest > h1 {
      margin: 0;
    }
    dl {
      margin: 0;
      padding: 8px 16px;
      columns: 2;
      column-gap: 30px;
      font-size: 16px;
    }
    dl div {
      display: flex;
      justify-content: space-between;
      gap: 12px;
      break-inside: avoid;
      border-bottom: 1px solid var(--line);
      padding: 3px 0;
    }
    dt {
      color: var(--soft);
    }
    dd {
      margin: 0;
      font-weight: 600;
      text-align: right;
    }
    .caution {
      margin: 0;
      font-size: 16px;
      color: var(--watch);
    }
    .do {
      display: grid;
      grid-template-columns: 1fr 2fr;
      gap: 12px;
      position: sticky;
      bottom: 0;
      background: var(--paper);
      padding-top: 8px;
    }
    .do p,
    .do mat-button-toggle-group {
      grid-column: 1 / -1;
      margin: 0;
    }
    .do mat-button-toggle-group {
      display: grid;
      grid-template-columns: 1fr 1fr;
      white-space: normal;
    }
  `,
})
export class SetupSheet {
  protected readonly say = say;
  protected readonly label = label;
  readonly step = input.required<StepNow>();
  readonly sheet = input.required<Sheet | null>();
  readonly button = input.required<string>();
  /** What else is set up or runs on this machine; null: nothing. */
  readonly running = input<StepNow | null>(null);
  /** Goes on; with the reason where the step is set up before its time. */
  readonly go = output<string>();
  readonly back = output();
  protected readonly reasons = EARLY_REASONS;
  protected readonly reason = keptFor(
    () => `${this.step().job} ${this.step().step}`,
    () => '',
  );
  /** Why it is early to set this step up: the machine has another one, or what it needs is not there. The person at the machine decides, and says why. */
  protected readonly early = computed((): string[] => {
    const { times, waits } = this.step();
    if (times.state !== 'waiting') return [];
    const other = this.running();
    return [
      ...(other ? [say('terminal.stillHere', other.number, other.name, label(`floor.${other.times.state}`))] : []),
      ...(waits.length > 0 ? [say('terminal.waitsFor', waits.join(', '))] : []),
    ];
  });
  protected readonly washed = computed(() =>
    (this.step().washUp?.units ?? [])
      .filter((u) => u.wash !== 'none')
      .map((u) => say(u.wash === 'deep' ? 'terminal.washUnitDeep' : 'terminal.washUnit', u.unit, u.from, u.to)),
  );
  protected readonly scene = computed(() => (this.sheet()?.scene ?? null) as Scene | null);
}
