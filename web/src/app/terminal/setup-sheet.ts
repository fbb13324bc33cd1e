import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { SetupSheet as Sheet, StepNow } from '@druckerei/contract';
import { label, type Scene, say } from '@druckerei/core';
import { Drawing } from '../drawings/drawing';

/** A step's setup sheet as it was released: drawing, settings, lists, cautions; and the one thing to do next. */
@Component({
  selector: 'dk-setup-sheet',
  imports: [Drawing, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section class="card drawing">
      @if (scene(); as s) {
        <dk-drawing [scene]="s" />
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
      @if (step().waits.length > 0) {
        <p class="note level-decide" data-figures>{{ say('terminal.waitsFor', step().waits.join(', ')) }}</p>
      }
      <div class="do">
        <button type="button" matButton="outlined" (click)="back.emit()">{{ say('terminal.back') }}</button>
        <button type="button" matButton="filled" (click)="go.emit()">{{ button() }}</button>
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
  `,
})
export class SetupSheet {
  protected readonly say = say;
  protected readonly label = label;
  readonly step = input.required<StepNow>();
  readonly sheet = input.required<Sheet | null>();
  readonly button = input.required<string>();
  readonly go = output();
  readonly back = output();
  protected readonly washed = computed(() =>
    (this.step().washUp?.units ?? [])
      .filter((u) => u.wash !== 'none')
      .map((u) => say(u.wash === 'deep' ? 'terminal.washUnitDeep' : 'terminal.washUnit', u.unit, u.from, u.to)),
  );
  protected readonly scene = computed(() => (this.sheet()?.scene ?? null) as Scene | null);
}
