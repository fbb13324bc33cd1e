import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { Store } from '@ngrx/store';
import type { MachineNow, StepNow } from '@druckerei/contract';
import { formatDuration, formatMoment, formatNumber, label, say, timesUpTo, UNIT_WORDS } from '@druckerei/core';
import { Sheets } from '../shared/sheet';
import { WaitingSteps } from './waiting-steps';
import { FloorActions, floorFeature } from './floor.feature';

interface Row {
  machine: MachineNow;
  state: StepNow['times']['state'] | 'idle';
  stateSays: string;
  /** Share of the good pieces wanted, and of the run that should be done by now at the planned rate. */
  done: number;
  due: number;
  count: string;
  rate: string;
  slow: boolean;
  togo: string;
  last: string;
  waits: string;
  /** What comes after it, where the units must be washed for it. */
  then: string;
}

/** Every machine now: what runs and how far it is against the plan, how long it will take, what was said last, and what waits for what. */
@Component({
  selector: 'dk-floor-page',
  imports: [RouterLink, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './floor-page.html',
  styleUrl: './floor-page.scss',
})
export class FloorPage {
  protected readonly say = say;
  private readonly store = inject(Store);
  private readonly sheets = inject(Sheets);
  private readonly board = this.store.selectSignal(floorFeature.selectBoard);
  private readonly call = this.store.selectSignal(floorFeature.selectCall);
  protected readonly failure = computed(() => {
    const call = this.call();
    return typeof call === 'object' ? call.failure : null;
  });
  /** Machines at work first, those that stand before those that run; idle ones with work next; the rest last. */
  protected readonly rows = computed((): Row[] | null => {
    const board = this.board();
    if (board === null) return null;
    const rank = ({ state, machine }: Row): number =>
      state === 'stopped' ? 0 : state === 'running' ? 1 : state === 'setup' ? 2 : machine.next || machine.step ? 3 : 4;
    return board.machines.map((m) => rowOf(m, board.asOf, board.timeZone)).sort((a, b) => rank(a) - rank(b));
  });
  protected readonly says = computed(() => {
    const rows = this.rows() ?? [];
    return say(
      'floor.soMany',
      rows.filter((r) => r.state === 'running').length,
      rows.filter((r) => r.state === 'setup').length,
      rows.filter((r) => r.state === 'stopped').length,
    );
  });

  constructor() {
    this.store.dispatch(FloorActions.opened());
  }
  protected waiting({ machine, name }: MachineNow): void {
    this.sheets.open(WaitingSteps, { id: machine, name }, say('floor.waitsAt', name));
  }
}

function rowOf(machine: MachineNow, now: number, timeZone: string): Row {
  const { step, next, last } = machine;
  const waiting = step ?? next;
  const row: Row = {
    machine,
    state: step?.times.state ?? 'idle',
    stateSays: label(`floor.${step?.times.state ?? 'idle'}`),
    done: 0,
    due: 0,
    count: '',
    rate: '',
    slow: false,
    togo: '',
    last: last ? say('floor.lastSaid', label(`entry.${last.kind}`), last.by, formatMoment(last.at, timeZone)) : say('floor.nothingSaid'),
    waits: waiting && waiting.waits.length > 0 ? say('floor.waitsFor', waiting.waits.join(', ')) : '',
    then: next?.washUp && next.washUp.minutes > 0 ? say('floor.then', next.number, next.washUp.minutes) : '',
  };
  if (!step) return row;
  const { tally, run, perHour, goodWanted } = step;
  const times = timesUpTo(step.times, now);
  if (times.state === 'stopped')
    row.stateSays = say('floor.standsFor', label(`stop.${times.stopReason}`), formatDuration(now - (times.since ?? now)));
  row.done = Math.min(tally.goodCycles / Math.max(goodWanted, 1), 1);
  row.due = Math.min((perHour * times.runS) / 3600 / Math.max(run, 1), 1);
  const unit = UNIT_WORDS[step.units.givesUnit ?? 'piece']?.[1] ?? '';
  row.count = say(
    'floor.goodOf',
    formatNumber(tally.goodCycles * step.units.givesPer),
    formatNumber(goodWanted * step.units.givesPer),
    unit,
  );
  const rate = times.runS > 60 ? (tally.run * 3600) / times.runS : null;
  row.rate =
    rate === null || tally.run === 0
      ? say('floor.planned', formatNumber(perHour * step.units.givesPer))
      : say('floor.rateAgainst', formatNumber(rate * step.units.givesPer), formatNumber(perHour * step.units.givesPer));
  row.slow = rate !== null && tally.run > 0 && rate < 0.8 * perHour;
  const left = Math.max(run - tally.run, 0);
  row.togo = formatDuration((left * 3600) / Math.max(rate !== null && tally.run > 0 ? rate : perHour, 1));
  return row;
}
