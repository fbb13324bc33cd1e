import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { breakLostM, formatNumber, repeatsLost, say, type WebThatBreaks } from '@druckerei/core';
import { type MetreField, MetreFields, metresOf } from './metre-fields';

/** What a break of the web lost, and how it came about. */
export interface WebLost {
  metres: number;
  turns: number;
  note: string;
}

/** A web that broke: counter and last good metre as they are read, path and register as the works usually has them; what is lost stands beneath. */
@Component({
  selector: 'dk-web-break',
  imports: [MatButton, MetreFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: `
    form {
      display: grid;
      gap: 8px;
    }
    p {
      margin: 0;
    }
  `,
  template: `<form (submit)="$event.preventDefault(); write()">
    <dk-metre-fields [fields]="fields" />
    <p role="status" data-figures [class.fail]="isWrong()">{{ says() }}</p>
    <button type="submit" matButton="filled" [disabled]="found() === null">{{ say('terminal.writeItDown') }}</button>
  </form>`,
})
export class WebBreakDesk {
  protected readonly say = say;
  readonly web = input.required<WebThatBreaks>();
  readonly lost = output<WebLost>();
  private readonly counter = signal('');
  private readonly lastGood = signal('');
  private readonly path = linkedSignal(() => String(this.web().pathM));
  private readonly again = linkedSignal(() => String(this.web().registerM));
  protected readonly fields: readonly MetreField[] = [
    { label: 'terminal.breakAt', text: this.counter },
    { label: 'terminal.breakLastGood', text: this.lastGood },
    { label: 'terminal.breakPath', text: this.path },
    { label: 'terminal.breakAgain', text: this.again },
  ];

  /** What is typed, as numbers; null: something is missing or none. */
  private readonly typed = computed(() => {
    const [counterM = NaN, lastGoodM = NaN, pathM = NaN, registerM = NaN] = this.fields.map(({ text }) => metresOf(text()));
    const all = { counterM, lastGoodM, pathM, registerM };
    return Object.values(all).every((m) => m >= 0) ? all : null;
  });
  protected readonly isWrong = computed(() => {
    const typed = this.typed();
    return typed !== null && typed.lastGoodM > typed.counterM;
  });
  protected readonly found = computed(() => {
    const typed = this.typed();
    if (typed === null || this.isWrong()) return null;
    const metres = breakLostM(typed);
    return { metres, turns: repeatsLost(metres, this.web().turnMm) };
  });
  protected readonly says = computed(() => {
    const found = this.found();
    if (found) return say('terminal.breakLost', formatNumber(found.metres), formatNumber(found.turns));
    return this.isWrong() ? say('terminal.breakBackwards') : '';
  });

  protected write(): void {
    const [found, typed] = [this.found(), this.typed()];
    if (!found || !typed) return;
    const said = [typed.counterM, typed.lastGoodM, typed.pathM, typed.registerM].map((m) => formatNumber(m));
    this.lost.emit({ ...found, note: say('terminal.breakNote', ...said) });
  }
}
