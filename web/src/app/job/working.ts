import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  assumptionSays,
  termSays,
  type Figure,
  formatFigure,
  FORMULAS,
  label,
  type Override,
  type Plan,
  type Term,
  type Place,
  say,
} from '@druckerei/core';
import { SetByHand } from './set-by-hand';

interface TermRow {
  name: string;
  shown: string;
  unit: string;
  pm: string;
  from: string;
  fig: string | null;
}
/** How a figure came about: formula in words, what went in, where each value came from; and the way to set it by hand, with reason and end date. */
@Component({
  selector: 'dk-working',
  imports: [MatButton, SetByHand],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` @if (figure(); as f) {
    <div class="top">
      <h2>{{ words()?.name ?? f.formula }}</h2>
      <span class="space"></span><button type="button" matButton (click)="closed.emit()">{{ say('working.close') }}</button>
    </div>
    <p class="value">
      <b>{{ value().number }}</b> <span class="unit">{{ value().unit }}</span>
      @if (f.pm) {
        <span class="unit"> ±{{ pm() }}</span>
      }
    </p>
    @if (f.instead; as o) {
      <p class="chip level-decide">
        {{ say('working.setByHandByComputed', o.by, o.reason, computedValue()) }}
        <button type="button" matButton (click)="override.emit(null)">{{ say('working.backToTheComputedFigure') }}</button>
      </p>
    }
    <p class="formula">{{ words()?.reads }}</p>
    @if (rests().length > 0) {
      <p class="soft">{{ say('working.itRestsOn', rests().join(', ')) }}</p>
    }
    <ul>
      @for (t of terms(); track $index) {
        <li>
          @if (t.fig; as id) {
            <button type="button" matButton class="term" (click)="explain.emit(id)">{{ t.name }}</button>
          } @else {
            {{ t.name }}
          }
          <b>{{ t.shown }}</b> <span class="unit">{{ t.unit }}{{ t.pm ? ' ±' + t.pm : '' }}</span> <span class="soft">{{ t.from }}</span>
        </li>
      }
    </ul>
    @if (!locked()) {
      @if (byHand()) {
        @defer (on immediate) {
          <dk-set-by-hand [unit]="f.unit" [place]="place()" [who]="who()" (override)="override.emit($event)" (left)="byHand.set(false)" />
        }
      } @else {
        <button type="button" matButton (click)="byHand.set(true)">{{ say('working.setByHand') }}</button>
      }
    }
  }`,
  styles: `
    .value {
      margin: 2px 0 4px;
      font-size: 17px;
    }
    .formula {
      font:
        15px/1.35 'Source Serif 4 Variable',
        serif;
      margin: 6px 0;
    }
    ul {
      margin: 4px 0 8px;
      padding-left: 18px;
    }
    li {
      margin: 3px 0;
    }
    .term {
      font-weight: 400;
    }
  `,
})
export class Working {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  readonly id = input.required<string>();
  readonly place = input.required<Place>();
  readonly who = input.required<string>();
  readonly locked = input(false);
  readonly explain = output<string>();
  readonly override = output<Override | null>();
  readonly closed = output();
  protected readonly byHand = linkedSignal({ source: () => this.id(), computation: () => false });
  protected readonly figure = computed((): Figure | undefined => this.plan().figures[this.id()]);
  /** What the ready date rests on. */
  protected readonly rests = computed(() =>
    this.id() === this.plan().totals.readyAt ? this.plan().assumptions.map((a) => assumptionSays(a, this.place().timeZone)) : [],
  );
  protected readonly words = computed(() => FORMULAS[this.figure()?.formula ?? '']);
  protected readonly value = computed(() => {
    const f = this.figure();
    return f ? formatFigure(f.value, f.unit, this.place()) : { number: '', unit: '' };
  });
  protected readonly pm = computed(() => {
    const f = this.figure();
    return f?.pm ? formatFigure(f.pm, f.unit === 'moment' ? 's' : f.unit, this.place()).number : '';
  });
  protected readonly computedValue = computed(() => {
    const f = this.figure();
    const s = f?.computed === undefined ? null : formatFigure(f.computed, f.unit, this.place());
    return s ? `${s.number} ${s.unit}` : '';
  });
  protected readonly terms = computed((): TermRow[] =>
    Object.entries(this.figure()?.terms ?? {}).map(([name, term]) => this.row(name, term)),
  );

  private row(name: string, term: Term): TermRow {
    const said = this.words()?.terms?.[name] ?? termSays(name, this.plan().stones);
    if ('fig' in term) {
      const f = this.plan().figures[term.fig];
      const s = f ? formatFigure(f.value, f.unit, this.place()) : { number: '–', unit: '' };
      return {
        name: said,
        shown: s.number,
        unit: s.unit,
        pm: f?.pm ? formatFigure(f.pm, f.unit === 'moment' ? 's' : f.unit, this.place()).number : '',
        from: '',
        fig: f ? term.fig : null,
      };
    }
    const s = formatFigure(term.value, term.unit, this.place());
    return {
      name: said,
      shown: s.number,
      unit: s.unit,
      pm: term.pm ? formatFigure(term.pm, term.unit, this.place()).number : '',
      from: label(term.from),
      fig: null,
    };
  }
}
