import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  type ElementRef,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { lengthMmFromText, typedLength, type UnitSystem, say, readNumber } from '@druckerei/core';
import { Units } from './units';

export type EditKind = 'count' | 'length' | 'percent' | 'hours' | 'minutes' | 'seconds' | 'number' | 'text' | 'moment';
/** How much of what the document holds one typed unit is. */
const PER_TYPED: Record<EditKind, number> = {
  ...{ count: 1, length: 1, seconds: 1, number: 1, text: 1, moment: 1 },
  percent: 10_000,
  hours: 3600,
  minutes: 60,
};
/** A number of the document as it is typed. */
export const typedFrom = (kind: EditKind, value: number): string => String(Math.round((value / PER_TYPED[kind]) * 1e6) / 1e6);

/** What a text means in the kind's own unit of the specification; null while it is half typed. */
export function parseTyped(kind: EditKind, text: string, system: UnitSystem = 'metric'): number | string | null | undefined {
  const trimmed = text.trim();
  if (trimmed === '') return undefined;
  if (kind === 'text' || kind === 'moment') return trimmed;
  if (kind === 'length') return lengthMmFromText(trimmed, system === 'imperial' ? 'in' : 'mm');
  const value = readNumber(trimmed.replace(/%$/, ''));
  if (Number.isNaN(value)) return null;
  if (kind === 'count') return Number.isInteger(value) ? value : null;
  return kind === 'percent' ? Math.round(value * PER_TYPED.percent) : value * PER_TYPED[kind];
}
const asks = (): Record<EditKind, string> => ({
  count: say('editValue.typeAWholeNumber'),
  length: say('editValue.typeALength1485'),
  percent: say('editValue.typeAPercentage'),
  hours: say('editValue.typeHours'),
  minutes: say('editValue.typeMinutes'),
  number: say('editValue.typeANumber'),
  seconds: say('editValue.typeSeconds'),
  text: '',
  moment: say('editValue.chooseADateAndTime'),
});

/** A value as text with a dashed underline that becomes its own input in place. A half-typed text stays and says what is missing; Escape goes back. */
@Component({
  selector: 'dk-edit-value',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` @if (open()) {
      <input
        #field
        class="field-input"
        [class.wrong]="wrong()"
        [type]="kind() === 'moment' ? 'datetime-local' : 'text'"
        [value]="text()"
        [attr.aria-label]="label()"
        [attr.aria-invalid]="!!wrong()"
        [attr.inputmode]="kind() === 'text' || kind() === 'moment' ? null : 'decimal'"
        (input)="type(field.value)"
        (blur)="close()"
        (keydown.enter)="close()"
        (keydown.escape)="back()"
      />
      @if (wrong()) {
        <span class="fail says" role="alert">{{ wrong() }}</span>
      }
    } @else {
      <button type="button" [attr.aria-label]="label() + ', ' + shown() + say('editValue.edit')" (click)="begin()" [disabled]="locked()">
        {{ shown() || placeholder() }}
      </button>
    }`,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
    }
    button {
      border: 0;
      background: none;
      padding: 2px 0;
      min-width: 24px;
      min-height: 24px;
      border-bottom: 1px dashed var(--act);
      cursor: text;
      font-weight: 600;
      text-align: inherit;
      max-width: 100%;
    }
    button:disabled {
      border-bottom-color: transparent;
      cursor: default;
    }
    .field-input {
      min-width: 90px;
      font-weight: 600;
    }
    .says {
      display: block;
      font-size: 12.5px;
      font-weight: 400;
    }
  `,
})
export class EditValue {
  protected readonly say = say;
  readonly label = input.required<string>();
  readonly kind = input.required<EditKind>();
  readonly value = input<string>('');
  /** As shown when not edited; the value itself where nothing else is given. */
  readonly display = input<string | null>(null);
  readonly placeholder = input(say('editValue.set'));
  readonly locked = input(false);
  /** What core said of the last value sent. */
  readonly refused = input<string | null>(null);
  /** undefined: emptied, back to the default. */
  readonly changed = output<number | string | undefined>();
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  protected readonly open = signal(false);
  private readonly system = inject(Units).system;
  /** The value as this person types it: a length in his or her own unit. */
  private readonly typed = computed(() => {
    const value = this.value();
    return this.kind() === 'length' && value !== '' && Number.isFinite(Number(value)) ? typedLength(Number(value), this.system()) : value;
  });
  protected readonly text = linkedSignal(() => this.typed());
  protected readonly shown = computed(() => {
    if (this.kind() !== 'length') return this.display() ?? this.value();
    return this.typed() === '' ? (this.display() ?? '') : this.system() === 'imperial' ? this.typed() : `${this.typed()} mm`;
  });
  protected readonly wrong = computed(() =>
    parseTyped(this.kind(), this.text(), this.system()) === null ? asks()[this.kind()] : (this.refused() ?? ''),
  );
  private before = '';

  protected begin(): void {
    this.before = this.typed();
    this.text.set(this.typed());
    this.open.set(true);
    setTimeout(() => {
      this.field()?.nativeElement.focus();
      this.field()?.nativeElement.select();
    });
  }
  protected type(text: string): void {
    this.text.set(text);
    const parsed = parseTyped(this.kind(), text, this.system());
    if (parsed !== null) this.changed.emit(parsed);
  }
  protected close(): void {
    if (!this.wrong()) this.open.set(false);
  }
  protected back(): void {
    if (this.text() !== this.before) {
      const parsed = parseTyped(this.kind(), this.before, this.system());
      if (parsed !== null) this.changed.emit(parsed);
    }
    this.text.set(this.before);
    this.open.set(false);
  }
}
