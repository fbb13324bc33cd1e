import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Pile } from '@druckerei/contract';
import { type FloorEntry, formatMoment, formatNumber, label, PILE_STATES, say, UNIT_WORDS } from '@druckerei/core';
import { Keypad } from './keypad';

type Doing = 'look' | 'split' | 'merge' | 'move' | 'recount' | 'scrap';
/** What happens to a pile; the page adds job, device and person. */
export type PileWish = Pick<FloorEntry, 'kind' | 'pile' | 'other' | 'quantity' | 'reason' | 'note'>;

/** The piles near a machine: what each holds, where it is, its flag; split, merge, move, hold, count again, throw away. */
@Component({
  selector: 'dk-pile-desk',
  imports: [Keypad, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pile-desk.html',
  styleUrl: './pile-desk.scss',
})
export class PileDesk {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly moment = formatMoment;
  protected readonly states = PILE_STATES;
  readonly piles = input.required<Pile[]>();
  readonly timeZone = input.required<string>();
  readonly scanned = input<string | null>(null);
  readonly wish = output<PileWish>();
  protected readonly chosen = signal<string | null>(null);
  protected readonly doing = signal<Doing>('look');
  protected readonly text = signal('');
  protected readonly wrong = signal('');
  protected readonly shown = computed(() => this.piles().filter((p) => p.inHand > 0 || p.id === this.chosen()));
  protected readonly pile = computed(() => this.piles().find((p) => p.id === (this.chosen() ?? this.scanned())) ?? null);
  /** Piles of the same pieces it may be merged with. */
  protected readonly like = computed(() => {
    const p = this.pile();
    return p === null ? [] : this.piles().filter((o) => o.id !== p.id && o.job === p.job && o.flow === p.flow && o.inHand > 0);
  });
  protected unit = (unit: string): string => UNIT_WORDS[unit]?.[1] ?? unit;

  protected begin(doing: Doing): void {
    this.text.set('');
    this.wrong.set('');
    this.doing.set(doing);
  }
  protected counted(p: Pile, typed: string): void {
    const n = Number(typed);
    const doing = this.doing();
    if (doing === 'recount') {
      if (n === p.inHand) return this.begin('look');
      return this.write(p, { kind: 'recount', quantity: n - p.inHand, note: this.text().trim() || say('terminal.countedAgain') });
    }
    if (n <= 0 || n > p.inHand) return this.wrong.set(say('terminal.notSoMany', formatNumber(p.inHand)));
    if (doing === 'split') this.write(p, { kind: 'split', other: crypto.randomUUID(), quantity: n });
    if (doing === 'scrap') this.write(p, { kind: 'scrap', quantity: n, note: this.text().trim() || say('terminal.spoiltPile') });
  }
  protected write(p: Pile, more: Partial<PileWish> & Pick<PileWish, 'kind'>): void {
    this.wish.emit({ pile: p.id, other: null, quantity: null, reason: '', note: '', ...more });
    this.begin('look');
  }
}
