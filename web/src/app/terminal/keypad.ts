import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { say } from '@druckerei/core';

const MOST_DIGITS = 9;

/** Ten keys for gloves: digits, take back, and one loud key that writes down. Real keys work too. */
@Component({
  selector: 'dk-keypad',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'key($event)' },
  template: `<output class="typed" [attr.aria-label]="label()" aria-live="polite">{{ shown() }}</output>
    <div class="keys">
      @for (d of digits; track d) {
        <button type="button" class="key" (click)="digit(d)">{{ d }}</button>
      }
      <button type="button" class="key" [attr.aria-label]="say('terminal.clear')" (click)="text.set('')">C</button>
      <button type="button" class="key" (click)="digit('0')">0</button>
      <button type="button" class="key" [attr.aria-label]="say('terminal.takeBack')" (click)="back()">⌫</button>
    </div>
    <button type="button" class="act big" [disabled]="text().length < least()" (click)="send()">{{ button() }}</button>`,
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
    .key {
      min-height: 67px;
      font-size: 28px;
      font-weight: 600;
      background: var(--card);
      border: 1px solid var(--line);
      border-radius: 9px;
      cursor: pointer;
      touch-action: manipulation;
    }
    .key:active {
      background: var(--act-ground);
    }
    .big {
      min-height: 76px;
      font-size: 22px;
    }
  `,
})
export class Keypad {
  protected readonly say = say;
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
