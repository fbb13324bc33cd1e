import { ChangeDetectionStrategy, Component, computed, input, type OnDestroy, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Pile, StepNow } from '@druckerei/contract';
import { type CounterEvent, formatNumber, pileScan, say, simulatedRun } from '@druckerei/core';
import { leftAtMachine } from './with-waiting';

const SPEEDS = [1, 10, 60, 600] as const;
const TICK_MS = 1_000;
/** Seconds of the machine between two reports of its counter. */
const REPORT_S = 5;
const KEY_MS = 15;

/** What a counter reports, in pieces as the log has them. */
export interface Counted {
  kind: CounterEvent['kind'];
  quantity: number;
  reason: string;
}

/**
 * Stand-ins that say they are simulated: a counter that reports good and lost pieces and stops as a machine would, and a scanner that types the code of a flag.
 * The counter goes on while other screens are open; it ends with the step, or when it is switched off.
 */
@Component({
  selector: 'dk-simulated-devices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `@if (open()) {
    <section>
      <h1>{{ say('terminal.simulated') }}</h1>
      <p class="soft">{{ say('terminal.simulatedSays') }}</p>
      <h2>{{ say('terminal.simulatedCounter') }}</h2>
      <div class="choices">
        @for (s of speeds; track s) {
          <button
            type="button"
            matButton="outlined"
            [class.here]="speed() === s"
            [attr.aria-pressed]="speed() === s"
            (click)="speed.set(s)"
          >
            {{ say('terminal.timesAsFast', s) }}
          </button>
        }
      </div>
      @if (running()) {
        <button type="button" matButton="filled" (click)="stop()">{{ say('terminal.counterOff') }}</button>
      } @else {
        <button type="button" matButton="filled" [disabled]="step()?.times?.state !== 'running'" (click)="start()">
          {{ say('terminal.counterOn') }}
        </button>
      }
      <h2>{{ say('terminal.simulatedScanner') }}</h2>
      <div class="choices">
        @for (p of piles(); track p.id) {
          <button type="button" matButton="outlined" (click)="scan(p)" data-figures>
            {{ p.number }}.{{ p.code }} · {{ number(p.inHand) }}
          </button>
        } @empty {
          <p class="soft">{{ say('terminal.noPiles') }}</p>
        }
      </div>
    </section>
  }`,
  styles: `
    section {
      display: grid;
      gap: 12px;
      max-width: 900px;
    }
    .here {
      background: var(--act-ground);
      border-color: var(--act);
    }
  `,
})
export class SimulatedDevices implements OnDestroy {
  protected readonly say = say;
  protected readonly number = formatNumber;
  protected readonly speeds = SPEEDS;
  readonly open = input.required<boolean>();
  readonly step = input.required<StepNow | null>();
  readonly piles = input.required<Pile[]>();
  readonly counted = output<Counted[]>();
  protected readonly speed = signal<number>(60);
  private readonly timer = signal<ReturnType<typeof setInterval> | null>(null);
  protected readonly running = computed(() => this.timer() !== null);
  /** Whether anything here is at work: the frame says so on every screen. */
  readonly atWork = output<boolean>();

  protected start(): void {
    const step = this.step();
    if (!step || this.timer() !== null) return;
    const left = leftAtMachine(step);
    const cycles = Math.floor(left === null ? Math.max(step.run - step.tally.run, 0) : left / step.units.perCycle);
    if (cycles <= 0) return;
    const events = simulatedRun(
      {
        seed: Math.floor(Date.now() / 1000),
        perHour: Math.max(step.perHour, 60),
        runningPpm: Math.max(step.runningPpm, 5_000),
        stopsPerHour: 2,
        stopS: 180,
        wasteReasons: ['running', 'running', 'register', 'dirt'],
        stopReasons: ['feeder', 'colourCheck', 'blanket'],
      },
      cycles,
      REPORT_S,
    );
    let clock = 0;
    let next = events.next();
    this.timer.set(
      setInterval(() => {
        clock += (this.speed() * TICK_MS) / 1000;
        const due: CounterEvent[] = [];
        for (; !next.done && next.value.at <= clock; next = events.next()) due.push(next.value);
        const added = addedUp(due, step);
        if (added.length > 0) this.counted.emit(added);
        if (next.done) this.stop();
      }, TICK_MS),
    );
    this.atWork.emit(true);
  }
  protected stop(): void {
    const timer = this.timer();
    if (timer !== null) clearInterval(timer);
    this.timer.set(null);
    this.atWork.emit(false);
  }
  ngOnDestroy(): void {
    this.stop();
  }

  /** Types the flag's code as a scanner does: quick keys and Enter, wherever the person is. */
  protected scan(p: Pile): void {
    [...pileScan(p.number, p.id), 'Enter'].forEach((key, i) =>
      setTimeout(() => document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true })), i * KEY_MS),
    );
  }
}

/** Counts of one moment as few entries: good ones together, lost ones by reason, stops as they came. */
function addedUp(events: readonly CounterEvent[], { units }: StepNow): Counted[] {
  const sums = new Map<string, Counted>();
  const rest: Counted[] = [];
  for (const e of events) {
    if (e.kind === 'stop' || e.kind === 'go') {
      rest.push({ kind: e.kind, quantity: 0, reason: e.reason });
      continue;
    }
    const quantity = Math.round(e.quantity * (e.kind === 'good' ? units.givesPer : units.perCycle));
    const known = sums.get(e.kind + e.reason);
    if (known) known.quantity += quantity;
    else sums.set(e.kind + e.reason, { kind: e.kind, quantity, reason: e.reason });
  }
  return [...sums.values(), ...rest].filter((c) => c.quantity > 0 || c.kind === 'stop' || c.kind === 'go');
}
