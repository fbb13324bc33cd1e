import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatInput } from '@angular/material/input';
import { say } from '@druckerei/core';
import { InPlace } from './in-place';
import { Typing } from './typing';

/** Something that may be meant: what it is called, and what tells it from its like. */
export interface Suggestion {
  value: string;
  says: string;
  more?: string;
}
const MOST_SHOWN = 12;

const plain = (text: string): string => text.trim().toLocaleLowerCase();

/** A text typed in place that is found among what is known: by any words of it, in any order. Enter, a choice and leaving it commit; what is not known is taken as it is, or refused where only the known counts. */
@Component({
  selector: 'dk-suggest',
  imports: [InPlace, MatAutocompleteModule, MatInput],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<input
      #field
      matInput
      dkInPlace
      [wrong]="wrong() !== ''"
      #open="matAutocompleteTrigger"
      [matAutocomplete]="known"
      [attr.aria-label]="label()"
      [placeholder]="placeholder()"
      [disabled]="locked()"
      [value]="text()"
      (focus)="mine = typing.begin()"
      (input)="text.set(field.value)"
      (keydown.enter)="commit()"
      (blur)="left(open.panelOpen)"
    />
    <mat-autocomplete #known panelWidth="320px" (optionSelected)="choose($event.option.value)" (closed)="commit()">
      @for (o of shown(); track o.value) {
        <mat-option [value]="o.says"
          >{{ o.says }}
          @if (o.more) {
            <span class="soft">{{ o.more }}</span>
          }
        </mat-option>
      }
    </mat-autocomplete>
    @if (wrong(); as w) {
      <span class="fail" role="alert">{{ w }}</span>
    }`,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
    }
    input {
      width: 100%;
      font-weight: 600;
    }
    .fail {
      display: block;
      font-size: 12.5px;
    }
  `,
})
export class Suggest {
  readonly label = input.required<string>();
  /** What is known. */
  readonly options = input.required<readonly Suggestion[]>();
  /** What stands in it: the value of an option, or a text of one's own. */
  readonly value = input('');
  readonly placeholder = input(say('editValue.set'));
  readonly locked = input(false);
  /** Only what is known counts. */
  readonly only = input(false, { transform: booleanAttribute });
  /** The value of the option that was meant, else the text. */
  readonly changed = output<string>();
  protected readonly typing = inject(Typing);
  protected mine: number | null = null;

  /** What was last said of it, by either side: a field that is closed and left says a value once. */
  private readonly told = linkedSignal(() => this.value());
  private readonly stands = computed(() => this.options().find((o) => o.value === this.value())?.says ?? this.value());
  protected readonly text = linkedSignal(() => this.stands());
  protected readonly shown = computed(() => {
    // What stands there already narrows nothing: who opens the field wants to see what else there is.
    const words = this.text() === this.stands() ? [] : plain(this.text()).split(/\s+/);
    return this.options()
      .filter((o) => words.every((w) => plain(`${o.says} ${o.more ?? ''}`).includes(w)))
      .slice(0, MOST_SHOWN);
  });
  private readonly meant = computed(() => this.options().find((o) => plain(o.says) === plain(this.text())));
  protected readonly wrong = computed(() =>
    this.only() && !this.meant() && this.shown().length === 0 ? say('suggest.unknown', this.text().trim()) : '',
  );

  protected choose(says: string): void {
    this.text.set(says);
    this.commit();
  }
  protected commit(): void {
    const meant = this.meant();
    const text = meant?.value ?? this.text().trim();
    if (text === this.told() || (this.only() && !meant)) return;
    this.told.set(text);
    this.changed.emit(text);
  }
  /** A click on what is offered takes the focus away before it chooses: then the choice commits. */
  protected left(choosing: boolean): void {
    this.typing.end(this.mine);
    this.mine = null;
    if (choosing) return;
    this.commit();
    if (this.only() && !this.meant()) this.text.set(this.stands());
  }
}
