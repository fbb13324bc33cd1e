import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { mdiBackspaceOutline } from '@mdi/js';
import { say } from '@druckerei/core';
import { Icon } from '../shared/icon';

const MOST_DIGITS = 9;

/** Ten keys for gloves: digits, take back, and one loud key that writes down. Real keys work too. */
@Component({
  selector: 'dk-keypad',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, MatButton],
  host: { '(document:keydown)': 'key($event)' },
  template: `<output class="typed" [attr.aria-label]="label()" aria-live="polite">{{ shown() }}</output>
    <div class="keys">
      @for (d of digits; track d) {
        <button type="button" matButton="outlined" (click)="digit(d)">{{ d }}</button>
      }
      <button type="button" matButton="outlined" [attr.aria-label]="say('terminal.clear')" (click)="text.set('')">C</button>
      <button type="button" matButton="outlined" (click)="digit('0')">0</button>
      <button type="button" matButton="outlined" [attr.aria-label]="say('terminal.takeBack')" (click)="back()">
        <dk-icon [path]="backIcon" [size]="30" />
      </button>
    </div>
    <button type="button" matButton="filled" [disabled]="text().length < least()" (click)="send()">{{ button() }}</button>`,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      align-content: start;
    }
    .typed {
      display: block;
      min-height: 62px;
      font-size: 52px;
      line-height: 62px;
      font-weight: 600;
    }
    .keys {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 10px;
    }
    .keys button {
      font-size: 28px;
    }
  `,
})
export class Keypad {
  protected readonly say = say;
  protected readonly backIcon = mdiBackspaceOutline;
  readonly label = input.required<string>();
  readonly button = input.required<string>();
  /** Shown as dots. */
  readonly secret = input(false);
  readonly least = input(1);
  readonly entered = output<string>();
  protected readonly digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];
  protected readonly text = signal('');
  protected readonly shown = (): string =>
    this.secret() ? '•'.repeat(this.text().length) : this.text().replace(/\B(?=(\d{3})+$)/g, '\u2009') || '0';

  protected digit(d: string): void {
    this.text.update((t) => (t.length < MOST_DIGITS ? (!this.secret() && t === '0' ? d : t + d) : t));
  }
  protected back(): void {
    this.text.update((t) => t.slice(0, -1));
  }
  protected send(): void {
    if (this.text().length < this.least()) return;
    this.entered.emit(this.text());
    this.text.set('');
  }
  protected key(e: KeyboardEvent): void {
    if (e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement || e.ctrlKey || e.altKey || e.metaKey) return;
    if (/^\d$/.test(e.key)) this.digit(e.key);
    else if (e.key === 'Backspace') this.back();
    else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) this.send();
  }
}
