import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Pile, StepNow } from '@druckerei/contract';
import {
  formatDuration,
  formatMoment,
  formatNumber,
  holdsRun,
  label,
  say,
  STOP_REASONS,
  timesUpTo,
  UNIT_WORDS,
  wasteReasonsOf,
} from '@druckerei/core';
import { MeasuredCount } from '../shared/measured-count';
import { CutOutDesk, type CutOutLost } from './cut-out';
import { Keypad } from './keypad';
import { Readings } from './readings';
import { WebBreakDesk, type WebLost } from './web-break';
import { goodGiven, goodWantedGiven, leftAtMachine } from './with-waiting';
import { keptFor } from '../shared/kept-for';

/** What the operator wants written down. Counts in pieces: good of what the step gives, waste and samples of its finer side. */
export type Wish =
  | { kind: 'good' | 'samples' | 'back'; quantity: number }
  | { kind: 'waste'; quantity: number; reason: string }
  | { kind: 'destroyed'; quantity: number; note: string; witness: string }
  | { kind: 'recount'; quantity: number; note: string }
  | { kind: 'measure'; key: string; value: number }
  | { kind: 'stop'; reason: string }
  | { kind: 'note'; note: string }
  | { kind: 'setupEnd' | 'clear' | 'go' | 'runEnd' | 'newPile' | 'takeMore' | 'sheet' };

type Count = 'good' | 'waste' | 'samples' | 'destroyed';
type Ask =
  | { is: 'count'; of: Count; reason: string }
  | { is: 'waste' | 'stop' | 'note' | 'finish' | 'measured' | 'readings' }
  | { is: 'above'; wish: Wish; more: number };

/** Why more came out than went in, as people say it. */
const RECOUNTS = ['terminal.flagWasLow', 'terminal.countedAgain', 'terminal.counterRanOn'] as const;

/** The step that runs: how far it is, and one decision at a time: good, waste with its reason, a stop, a new pile, samples, the end. */
@Component({
  selector: 'dk-run-desk',
  imports: [CutOutDesk, Keypad, MeasuredCount, Readings, WebBreakDesk, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './run-desk.html',
  styleUrl: './run-desk.scss',
})
export class RunDesk {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly stopReasons = STOP_REASONS;
  protected readonly recounts = RECOUNTS;
  readonly step = input.required<StepNow>();
  protected readonly wasteReasons = computed(() => wasteReasonsOf(this.step().process));
  readonly pile = input.required<Pile | null>();
  readonly caution = input('');
  /** Whose pieces are counted, where the step parts a sheet into several orders. */
  readonly order = input<string | null>(null);
  readonly orderChosen = output<string>();
  /** The clock, epoch seconds. */
  readonly now = input.required<number>();
  readonly timeZone = input('UTC');
  readonly wish = output<Wish>();
  /** Somebody tried whether it is dry before its time; forgotten with the step. */
  protected readonly tried = keptFor(
    () => `${this.step().job} ${this.step().step}`,
    () => false,
  );
  /** What holds the run; what is dry when tried does not. */
  protected readonly holds = computed(() => holdsRun(this.step(), this.now()).filter((h) => h !== 'stillWet' || !this.tried()));
  protected readonly ask = signal<Ask>({ is: 'count', of: 'good', reason: '' });
  protected readonly words = signal('');
  protected readonly witness = signal('');

  protected readonly good = computed(() => goodGiven(this.step()));
  protected readonly wanted = computed(() => goodWantedGiven(this.step()));
  protected readonly share = computed(() => Math.min(this.good() / Math.max(this.wanted(), 1), 1));
  protected readonly unit = computed(() => UNIT_WORDS[this.step().units.givesUnit ?? 'piece']?.[1] ?? '');
  protected readonly finerUnit = computed(() => UNIT_WORDS[this.step().units.unit ?? 'piece']?.[1] ?? '');
  /** Rate over the run so far, stops within; and how long the rest takes at it. */
  protected readonly rate = computed(() => {
    const { times, tally, run, perHour } = this.step();
    const ran = timesUpTo(times, this.now()).runS;
    const cycles = tally.run;
    const rate = ran > 60 && cycles > 0 ? (cycles * 3600) / ran : null;
    const left = Math.max(run - cycles, 0);
    return { rate, togo: rate === null ? (left * 3600) / Math.max(perHour, 1) : (left * 3600) / rate };
  });
  protected readonly rateSays = computed(() => {
    const { rate, togo } = this.rate();
    return rate === null
      ? say('terminal.toGoAsPlanned', formatDuration(togo))
      : say('terminal.anHourToGo', formatNumber(rate * this.step().units.givesPer, 0), formatDuration(togo));
  });
  protected readonly wasted = computed(() =>
    Object.entries(this.step().tally.waste)
      .map(([reason, n]) => `${formatNumber(n)} ${label(`waste.${reason}`)}`)
      .join(' · '),
  );
  protected readonly left = computed(() => leftAtMachine(this.step()));
  /** What is left at the machine, in whole pieces of what came in: what can be brought back untouched. */
  protected readonly toBringBack = computed(() => {
    const { units } = this.step();
    return units.takesPer > 0 ? Math.floor(((this.left() ?? 0) * units.takesPer) / units.perCycle + 1e-6) : 0;
  });
  protected readonly takenUnit = computed(() => UNIT_WORDS[this.step().units.takesUnit ?? 'piece']?.[1] ?? '');
  /** Pieces a measured count may be off: what the order leaves open of what is wanted here. */
  protected readonly atStake = computed(() => Math.floor((this.wanted() * (this.step().measure?.openPpm ?? 0)) / 1e6));
  protected readonly due = computed(() => Math.max(Math.round(this.wanted() - this.good()), 1));
  /** Of what lies before the step, what is reserve, in pieces of what it takes. */
  protected readonly reserve = computed(() => Math.round(this.step().reserve * this.step().units.takesPer));
  /** Forms are made without pieces passing: nothing to count, only time. */
  protected readonly counts = computed(() => this.step().units.unit !== null);
  protected readonly asked = computed(() => {
    const a = this.ask();
    if (a.is !== 'count') return '';
    const { name } = this.step().orders.find((o) => o.flow === this.order()) ?? {};
    if (a.of === 'good')
      return name === undefined ? say('terminal.goodSince', this.unit()) : say('terminal.goodSinceOf', this.unit(), name);
    if (a.of === 'waste') return say('terminal.wasteOf', this.finerUnit(), label(`waste.${a.reason}`));
    return say(a.of === 'samples' ? 'terminal.samplesPulled' : 'terminal.destroyed', this.finerUnit());
  });
  /** What is being counted, while anything is. */
  protected readonly counting = computed((): Count | null => {
    const a = this.ask();
    return a.is === 'count' ? a.of : null;
  });
  /** What a break of the web is reckoned by, while its waste is counted. */
  protected readonly ofBreak = computed(() => {
    const a = this.ask();
    return a.is === 'count' && a.of === 'waste' && a.reason === 'atBreak' ? this.step().breaks : null;
  });
  /** Where a fault is cut out between lengths, while what it costs is counted. */
  protected readonly ofCutOut = computed(() => {
    const a = this.ask();
    return a.is === 'count' && a.of === 'waste' && a.reason === 'cutOut' ? this.step().cutsOut : null;
  });
  /** By how much more came out than went in, while that is asked about. */
  protected readonly tooMany = computed(() => {
    const a = this.ask();
    return a.is === 'above' ? a.more : 0;
  });
  protected number = formatNumber;
  protected duration = formatDuration;
  protected moment = formatMoment;

  protected show(is: 'waste' | 'stop' | 'note' | 'finish' | 'measured' | 'readings'): void {
    this.words.set('');
    this.ask.set({ is });
  }
  protected count(of: Count, reason = ''): void {
    this.words.set('');
    this.ask.set({ is: 'count', of, reason });
  }
  /** Counted by height or by a scale: as if typed. */
  protected measured(pieces: number): void {
    this.count('good');
    this.typed(String(pieces));
  }
  protected typed(text: string): void {
    const a = this.ask();
    const quantity = Number(text);
    if (a.is !== 'count' || quantity <= 0) return;
    const wish: Wish =
      a.of === 'waste'
        ? { kind: 'waste', quantity, reason: a.reason }
        : a.of === 'destroyed'
          ? { kind: 'destroyed', quantity, note: this.words().trim() || say('terminal.destroyedNote'), witness: this.witness().trim() }
          : { kind: a.of, quantity };
    const { units } = this.step();
    const finer = a.of === 'good' ? (quantity * units.perCycle) / Math.max(units.givesPer, 1e-9) : quantity;
    const left = this.left();
    // More came out than went in: asked once, then written with a reason.
    if (left !== null && finer > left + 1e-6) this.ask.set({ is: 'above', wish, more: Math.ceil(finer - left - 1e-6) });
    else this.write(wish);
  }
  /** A break is written with its metres, and counted as what they are of the finer side. */
  protected broke({ metres, turns, note }: WebLost): void {
    this.wish.emit({ kind: 'note', note });
    this.typed(String(this.step().units.unit === 'metre' ? Math.ceil(metres) : turns));
  }
  /** A cut-out is written with where it lay, and counted as the lengths it cost. */
  protected cutOut({ lengths, note }: CutOutLost): void {
    this.wish.emit({ kind: 'note', note });
    this.typed(String(Math.ceil(lengths * this.step().units.perCycle - 1e-9)));
  }
  protected above(why: string): void {
    const a = this.ask();
    if (a.is !== 'above') return;
    this.wish.emit({ kind: 'recount', quantity: a.more, note: why });
    this.write(a.wish);
  }
  /** Written down with who says so; from then on the run may begin. */
  protected dryAlready(): void {
    this.write({ kind: 'note', note: say('terminal.dryTriedNote') });
    this.tried.set(true);
  }
  /** Readings nobody has taken yet, by name. */
  protected readonly notMeasured = computed(() =>
    this.step()
      .measures.filter((m) => m.value === null)
      .map((m) => m.name),
  );
  /** Readings stay open: there is more than one. */
  protected reading({ key, value }: { key: string; value: number }): void {
    this.wish.emit({ kind: 'measure', key, value });
  }
  protected write(wish: Wish): void {
    this.wish.emit(wish);
    this.count('good');
  }
}
