import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Pile, StepNow } from '@druckerei/contract';
import { formatMoment, formatNumber, label, say, UNIT_WORDS } from '@druckerei/core';
import { Keypad } from './keypad';

/** A pile, or a part of it, or so many pieces without a flag (from a lot of the store). */
export interface Taken {
  pile: string | null;
  quantity: number;
  lot: string;
}

/** Which pile goes in: by its flag, whole or in part; or counted, where there is no flag. */
@Component({
  selector: 'dk-take-pile',
  imports: [Keypad, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (pile(); as p) {
      <h1 data-figures>{{ say('terminal.howManyOf', p.number + '.' + p.code) }}</h1>
      @if (p.state !== 'good') {
        <p class="note level-decide" data-figures>{{ say('terminal.pileIs', label('pile.' + p.state)) }}</p>
      }
      @if (p.waitUntil !== null && p.waitUntil > now()) {
        <p class="note level-decide" data-figures>{{ say('terminal.stillWet', moment(p.waitUntil, timeZone())) }}</p>
      }
      <button type="button" matButton="filled" (click)="taken.emit({ pile: p.id, quantity: p.inHand, lot: '' })">
        {{ say('terminal.allOfIt', number(p.inHand), unit(p.unit)) }}
      </button>
      <dk-keypad class="pad" [label]="say('terminal.partOfIt')" [button]="say('terminal.takeSoMany')" (entered)="part(p, $event)" />
      @if (tooMany()) {
        <p class="note level-decide" role="alert" data-figures>{{ say('terminal.notSoMany', number(p.inHand)) }}</p>
      }
      <button type="button" matButton="outlined" (click)="chosen.set(null); tooMany.set(false)">
        {{ say('terminal.anotherPile') }}
      </button>
    } @else if (byCount()) {
      <h1>{{ say('terminal.countedIn', unit(step().units.takesUnit ?? 'piece')) }}</h1>
      <mat-form-field
        ><mat-label>{{ say('terminal.lot') }}</mat-label
        ><input matInput class="lot" maxlength="40" [value]="lot()" (input)="lot.set($any($event.target).value)"
      /></mat-form-field>
      <dk-keypad
        class="pad"
        [label]="say('terminal.countedIn', unit(step().units.takesUnit ?? 'piece'))"
        [button]="say('terminal.takeSoMany')"
        (entered)="taken.emit({ pile: null, quantity: +$event, lot: lot().trim() })"
      />
      <button type="button" matButton="outlined" (click)="byCount.set(false)">{{ say('terminal.back') }}</button>
    } @else {
      <h1>{{ say('terminal.whichPileGoesIn') }}</h1>
      <p class="soft">{{ say('terminal.scanOrChoose') }}</p>
      <div class="choices">
        @for (p of here(); track p.id) {
          <button type="button" matButton="outlined" class="pile" [class.held]="p.state !== 'good'" (click)="chosen.set(p.id)" data-figures>
            <b>{{ p.number }}.{{ p.code }}</b>
            <span>{{ number(p.inHand) }} {{ unit(p.unit) }} · {{ label('pile.' + p.state) }}</span>
            <span class="soft">{{ p.stepName }} · {{ p.place }}</span>
          </button>
        }
        <button type="button" matButton="outlined" (click)="byCount.set(true)">{{ say('terminal.withoutFlag') }}</button>
        <button type="button" matButton="outlined" (click)="taken.emit(null)">{{ say('terminal.goOnWithout') }}</button>
      </div>
    }`,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      align-content: start;
      overflow: auto;
    }
    .pile {
      display: grid;
      text-align: left;
      padding: 12px 18px;
    }
    .held {
      border-color: var(--watch);
    }
    .pad,
    .lot,
    button {
      max-width: 480px;
    }
  `,
})
export class TakePile {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly moment = formatMoment;
  readonly step = input.required<StepNow>();
  readonly piles = input.required<Pile[]>();
  readonly timeZone = input.required<string>();
  readonly now = input.required<number>();
  /** A pile that was scanned. */
  readonly scanned = input<string | null>(null);
  /** What is taken; null: nothing, go on. */
  readonly taken = output<Taken | null>();
  protected readonly chosen = signal<string | null>(null);
  protected readonly byCount = signal(false);
  protected readonly tooMany = signal(false);
  protected readonly lot = signal('');
  protected readonly here = computed(() =>
    this.piles().filter((p) => p.job === this.step().job && p.flow === this.step().units.takes && p.inHand > 0),
  );
  protected readonly pile = computed(() => this.piles().find((p) => p.id === (this.chosen() ?? this.scanned())) ?? null);
  protected unit = (unit: string): string => UNIT_WORDS[unit]?.[1] ?? unit;
  protected part(p: Pile, typed: string): void {
    const quantity = Number(typed);
    this.tooMany.set(quantity > p.inHand);
    if (quantity > 0 && quantity <= p.inHand) this.taken.emit({ pile: p.id, quantity, lot: '' });
  }
}
