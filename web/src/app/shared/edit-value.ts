import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  computed,
  DestroyRef,
  inject,
  type ElementRef,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatInput } from '@angular/material/input';
import { formatMoment, lengthMmFromText, readNumber, readWhole, say, typedLength, unclearNumber, type UnitSystem } from '@druckerei/core';
import { Typing } from './typing';
import { Units } from './units';
import { InPlace } from './in-place';
import { MomentFields } from './moment-fields';

export type EditKind = 'count' | 'length' | 'percent' | 'hours' | 'minutes' | 'seconds' | 'number' | 'text' | 'moment' | 'day';
/** How much of what the document holds one typed unit is. */
const PER_TYPED: Record<EditKind, number> = {
  ...{ count: 1, length: 1, seconds: 1, number: 1, text: 1, moment: 1, day: 1 },
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
  if (kind === 'text' || kind === 'moment' || kind === 'day') return trimmed;
  if (kind === 'count') {
    const whole = readWhole(trimmed);
    return Number.isNaN(whole) ? null : whole;
  }
  if (unclearTyped(trimmed)) return null;
  if (kind === 'length') return lengthMmFromText(trimmed, system === 'imperial' ? 'in' : 'mm');
  const value = readNumber(trimmed.replace(/%$/, ''));
  if (Number.isNaN(value)) return null;
  return kind === 'percent' ? Math.round(value * PER_TYPED.percent) : value * PER_TYPED[kind];
}
/** Both readings of what was typed, unit or not, where it can be read in two ways. */
const unclearTyped = (text: string): [number, number] | null => unclearNumber(text.replace(/[^\d.,]*$/, ''));
/** What is missing of a text, in words. */
function askFor(kind: EditKind, text: string): string {
  const both = kind === 'count' ? null : unclearTyped(text.trim());
  return both ? say('editValue.unclear', ...both.map((n) => String(n))) : asks()[kind];
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
  moment: '',
  day: '',
});

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
/** A day, or a day and an hour of the works, in words. */
const momentSays = (text: string): string =>
  text.includes('T') ? formatMoment(Date.parse(`${text}:00Z`) / 1000, 'UTC') : DAY.format(Date.parse(`${text}T00:00:00Z`)).replace(',', '');

/** A value as text with a dashed underline that becomes its own input in place. A half-typed text stays and says what is missing; Escape goes back. */
@Component({
  selector: 'dk-edit-value',
  imports: [InPlace, MatInput, MomentFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` @if (open() && dated(); as dated) {
      @defer (on immediate) {
        <dk-moment-fields
          [label]="label()"
          [kind]="dated"
          [value]="value()"
          (changed)="type($event)"
          (focusin)="mine ??= typing.begin()"
          (left)="shut($event.byKey)"
        />
      }
      @if (refused(); as r) {
        <span class="fail says" role="alert">{{ r }}</span>
      }
    } @else if (open()) {
      <input
        matInput
        dkInPlace
        #field
        [wrong]="!!wrong()"
        [value]="text()"
        [attr.aria-label]="label()"
        [attr.inputmode]="kind() === 'text' ? null : 'decimal'"
        (input)="type(field.value)"
        (focus)="mine = typing.begin()"
        (blur)="left()"
        (keydown.enter)="close(true); $event.preventDefault()"
        (keydown.escape)="shut(true)"
      />
      @if (wrong()) {
        <span class="fail says" role="alert">{{ wrong() }}</span>
      }
    } @else {
      <button
        #shownValue
        type="button"
        [attr.aria-label]="label() + ', ' + shown() + say('editValue.edit')"
        (click)="begin()"
        [disabled]="locked()"
      >
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
    input {
      min-width: 90px;
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
  private readonly shownValue = viewChild<ElementRef<HTMLButtonElement>>('shownValue');
  protected readonly typing = inject(Typing);
  /** The typing that this field has begun. */
  protected mine: number | null = null;
  protected readonly open = signal(false);
  private readonly system = inject(Units).system;
  /** The value as this person types it: a length in his or her own unit. */
  private readonly typed = computed(() => {
    const value = this.value();
    return this.kind() === 'length' && value !== '' && Number.isFinite(Number(value)) ? typedLength(Number(value), this.system()) : value;
  });
  /** What stands in the field: while somebody types, what he typed, whatever was made of it. */
  protected readonly text = linkedSignal<{ typed: string; open: boolean }, string>({
    source: () => ({ typed: this.typed(), open: this.open() }),
    computation: ({ typed, open }, before) => (open && before ? before.value : typed),
  });
  protected readonly shown = computed(() => {
    if (this.dated() && this.value() !== '') return this.display() ?? momentSays(this.value());
    if (this.kind() !== 'length') return this.display() ?? this.value();
    return this.typed() === '' ? (this.display() ?? '') : this.system() === 'imperial' ? this.typed() : `${this.typed()} mm`;
  });
  protected readonly wrong = computed(() =>
    parseTyped(this.kind(), this.text(), this.system()) === null ? askFor(this.kind(), this.text()) : (this.refused() ?? ''),
  );
  protected readonly dated = computed(() => {
    const kind = this.kind();
    return kind === 'moment' || kind === 'day' ? kind : null;
  });
  private readonly view = inject(ChangeDetectorRef);

  protected begin(): void {
    this.text.set(this.typed());
    this.open.set(true);
    // At once: a scanner types on without a pause, and what it types belongs into the field.
    this.view.detectChanges();
    this.field()?.nativeElement.focus();
    this.field()?.nativeElement.select();
  }
  protected type(text: string): void {
    this.text.set(text);
    const parsed = parseTyped(this.kind(), text, this.system());
    if (parsed !== null) this.changed.emit(parsed);
  }
  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.typing.end(this.mine);
    });
  }
  /** Done typing: what is understood is in force; what is not stays in its field and is said. */
  protected close(byKey = false): void {
    if (!this.wrong()) this.shut(byKey);
  }
  protected left(): void {
    this.typing.end(this.mine);
    this.close();
  }
  /** Text again; who left it by a key stands on the value, where the next key finds him. That key itself is used up: Enter would press the value it now stands on. */
  protected shut(byKey: boolean): void {
    this.open.set(false);
    this.typing.end(this.mine);
    this.mine = null;
    if (!byKey) return;
    this.view.detectChanges();
    this.shownValue()?.nativeElement.focus();
  }
}
