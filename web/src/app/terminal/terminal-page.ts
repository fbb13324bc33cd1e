import { ChangeDetectionStrategy, Component, computed, inject, type OnDestroy, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { Store } from '@ngrx/store';
import type { Handover, Pile, StepNow } from '@druckerei/contract';
import { type FloorEntry, formatNumber, label, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { ChooseMachine } from './choose-machine';
import { ReadHandover, WriteHandover } from './handover';
import type { Someone, Waiting } from './outbox';
import { PileDesk, type PileWish } from './pile-desk';
import { QueueList } from './queue-list';
import { RunDesk, type Wish } from './run-desk';
import { listenForScans } from './scanner';
import { SetupSheet } from './setup-sheet';
import { SignOn } from './sign-on';
import { type Counted, SimulatedDevices } from './simulated-devices';
import { TakePile, type Taken } from './take-pile';
import { type Screen, TerminalActions, terminalFeature } from './terminal.feature';

/** A machine's terminal: who works here, what runs, what comes; everything written is kept on the device first and sent when the line is up. */
@Component({
  selector: 'dk-terminal-page',
  host: { class: 'large' },
  imports: [
    RouterLink,
    ChooseMachine,
    SignOn,
    ReadHandover,
    WriteHandover,
    QueueList,
    SetupSheet,
    TakePile,
    RunDesk,
    PileDesk,
    SimulatedDevices,
    MatButton,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './terminal-page.html',
  styleUrl: './terminal-page.scss',
})
export class TerminalPage implements OnDestroy {
  protected readonly say = say;
  protected readonly label = label;
  private readonly store = inject(Store);
  private readonly server = inject(Server);
  protected readonly machine = this.store.selectSignal(terminalFeature.selectMachine);
  protected readonly person = this.store.selectSignal(terminalFeature.selectPerson);
  protected readonly people = this.store.selectSignal(terminalFeature.selectPeople);
  protected readonly terminal = this.store.selectSignal(terminalFeature.selectNow);
  protected readonly step = this.store.selectSignal(terminalFeature.selectStep);
  protected readonly unsent = this.store.selectSignal(terminalFeature.selectUnsent);
  protected readonly turned = this.store.selectSignal(terminalFeature.selectTurned);
  private readonly line = this.store.selectSignal(terminalFeature.selectLine);
  private readonly chosenScreen = this.store.selectSignal(terminalFeature.selectScreen);
  private readonly pileId = this.store.selectSignal(terminalFeature.selectPile);
  protected readonly scanned = signal<string | null>(null);
  /** What a scan told that belongs to no question of this screen. */
  protected readonly told = signal('');
  protected readonly simulating = signal(false);
  protected readonly now = signal(Date.now() / 1000);
  private readonly clock = setInterval(() => {
    this.now.set(Date.now() / 1000);
  }, 1_000);
  private readonly stopScans = listenForScans((scan) => {
    this.scan(scan);
  });

  /** Handovers of others that the person who signed on has not read. */
  protected readonly unread = computed(() =>
    (this.terminal()?.handovers ?? []).filter((h) => h.by !== '' && h.by !== this.person()?.fullName),
  );
  protected readonly screen = computed((): Screen => {
    if (this.machine() === null) return 'machine';
    if (this.person() === null) return 'who';
    const asked = this.chosenScreen();
    if (asked === 'read' && this.unread().length === 0) return this.step() && this.step()?.times.state !== 'waiting' ? 'run' : 'queue';
    if ((asked === 'run' || asked === 'sheet' || asked === 'take') && this.step() === null) return 'queue';
    return asked;
  });
  private readonly chosenOrder = this.store.selectSignal(terminalFeature.selectOrder);
  /** Whose pieces are counted, where the step parts a sheet into several orders; null where it makes one thing. */
  protected readonly order = computed(() => {
    const orders = this.step()?.orders ?? [];
    return (orders.find((o) => o.flow === this.chosenOrder()) ?? orders[0])?.flow ?? null;
  });
  /** The pile good pieces are laid on: the one begun here, else the last this step laid that is not held. */
  protected readonly pile = computed(() => this.pileOf(this.order()));
  private pileOf(order: string | null): Pile | null {
    const fits = (p: Pile): boolean => order === null || p.flow === order;
    const piles = this.terminal()?.piles ?? [];
    const begun = piles.find((p) => p.id === this.pileId() && fits(p));
    const s = this.step();
    return (
      begun ??
      piles.filter((p) => s !== null && p.job === s.job && p.step === s.step && fits(p) && p.state !== 'hold' && p.inHand > 0).at(-1) ??
      null
    );
  }
  protected readonly sheet = computed(() => {
    const s = this.step();
    return s === null ? null : (this.terminal()?.sheets[`${s.job} ${s.step}`] ?? null);
  });
  /** What else is set up, runs or stands on this machine than the step that was chosen. */
  protected readonly running = computed(() => {
    const chosen = this.step();
    const others = (this.terminal()?.steps ?? []).filter((s) => s.job !== chosen?.job || s.step !== chosen.step);
    return others.find((s) => ['setup', 'running', 'stopped'].includes(s.times.state)) ?? null;
  });
  protected readonly sheetButton = computed(() => {
    const s = this.step();
    return s?.times.state === 'waiting' ? say('terminal.beginSetup') : say('terminal.toTheCounts');
  });
  protected readonly lineSays = computed(() => {
    const n = formatNumber(this.unsent());
    if (this.line() !== 'up') return this.unsent() > 0 ? say('terminal.keptHere', n) : say('terminal.lineDown');
    return this.unsent() > 0 ? say('terminal.sending', n) : say('terminal.allSent');
  });
  protected readonly down = computed(() => this.line() !== 'up');

  constructor() {
    this.store.dispatch(TerminalActions.opened());
    // A terminal that is started again without the line finds the program on its own device. Only terminals keep it: a desk always has the newest.
    if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/ngsw-worker.js');
  }
  ngOnDestroy(): void {
    clearInterval(this.clock);
    this.stopScans();
  }

  protected show(screen: Screen): void {
    this.told.set('');
    this.scanned.set(null);
    this.store.dispatch(TerminalActions.screenChosen({ screen }));
  }
  protected chooseMachine(machine: string | null): void {
    this.store.dispatch(TerminalActions.machineChosen({ machine }));
  }
  protected signOn(person: Someone & { token: string }): void {
    this.store.dispatch(TerminalActions.signedOn({ person }));
  }
  protected signOff(): void {
    this.store.dispatch(TerminalActions.signedOff());
  }
  protected seen(id: string): void {
    this.store.dispatch(TerminalActions.turnedSeen({ id }));
  }

  /** An entry of this device, person and moment. */
  private entry(kind: FloorEntry['kind'], more: Partial<FloorEntry> = {}, of: StepNow | null = this.step()): Waiting {
    return {
      id: crypto.randomUUID(),
      kind,
      machine: this.machine() ?? '',
      job: of?.job ?? null,
      step: of?.step ?? null,
      pile: null,
      other: null,
      quantity: null,
      reason: '',
      note: '',
      witness: '',
      at: Date.now() / 1000,
      release: of?.release ?? null,
      by: this.person()?.token ?? '',
      ...more,
    };
  }
  private write(...entries: Waiting[]): void {
    this.store.dispatch(TerminalActions.wrote({ entries }));
  }

  protected choose(s: StepNow): void {
    this.store.dispatch(TerminalActions.stepChosen({ job: s.job, step: s.step }));
    if (s.times.state !== 'waiting') this.show('run');
  }
  protected begin(early: string): void {
    if (this.step()?.times.state === 'waiting') this.write(this.entry('setupStart', { note: early }));
    this.show('run');
  }
  protected signHandover(h: Handover): void {
    this.write(this.entry('read', { other: h.id }, null));
  }
  protected leaveWord(note: string | null): void {
    if (note !== null) this.write(this.entry('handover', { note }, null));
    this.show('queue');
    if (note !== null) this.signOff();
  }

  /** The pile good pieces are laid on: the one begun, else a new one. */
  private layingOn(order = this.order()): { pile: string; laid: Waiting[] } {
    const pile = (order === this.order() ? this.pileId() : null) ?? this.pileOf(order)?.id;
    if (pile !== undefined) return { pile, laid: [] };
    const made = crypto.randomUUID();
    if (order === this.order()) this.store.dispatch(TerminalActions.pileChosen({ pile: made }));
    return { pile: made, laid: [this.newPile(made, order)] };
  }
  private newPile(pile: string, flow = this.order()): Waiting {
    return this.entry('pile', { pile, ...(flow !== null && { flow }) });
  }
  protected chooseOrder(order: string): void {
    this.store.dispatch(TerminalActions.orderChosen({ order }));
  }
  protected wished(wish: Wish): void {
    switch (wish.kind) {
      case 'good': {
        const { pile, laid } = this.layingOn();
        return this.write(...laid, this.entry('good', { pile, quantity: wish.quantity }));
      }
      case 'waste':
      case 'samples':
      case 'destroyed':
      case 'recount': {
        const pile = wish.kind === 'recount' ? null : (this.pile()?.id ?? null);
        return this.write(this.entry(wish.kind, { pile, ...wish }));
      }
      case 'stop':
      case 'note':
        return this.write(this.entry(wish.kind, wish));
      case 'measure':
        return this.write(this.entry('measure', { reason: wish.key, value: wish.value }));
      case 'go':
      case 'clear':
        return this.write(this.entry(wish.kind));
      case 'setupEnd':
        this.write(this.entry('setupEnd'), this.entry('runStart'));
        return this.step()?.units.takes !== null && this.step()?.tally.received === 0 ? this.show('take') : undefined;
      case 'runEnd':
        this.write(this.entry('runEnd'));
        this.store.dispatch(TerminalActions.pileChosen({ pile: null }));
        return this.show('queue');
      case 'newPile': {
        const pile = crypto.randomUUID();
        this.write(this.newPile(pile));
        return this.store.dispatch(TerminalActions.pileChosen({ pile }));
      }
      case 'takeMore':
        return this.show('take');
      case 'sheet':
        return this.show('sheet');
    }
  }
  protected take(taken: Taken | null): void {
    if (taken) this.write(this.entry('take', { pile: taken.pile, quantity: taken.quantity, reason: taken.lot }));
    this.show('run');
  }
  protected pileWish(wish: PileWish): void {
    const pile = this.terminal()?.piles.find((p) => p.id === wish.pile);
    if (pile) this.write(this.entry(wish.kind, { ...wish, job: pile.job, step: null }, this.step()));
  }
  /** What the simulated counter reports is written like a machine's own counts, and its note says where it comes from. */
  protected counted(counts: Counted[]): void {
    const note = say('terminal.bySimulatedCounter');
    // What a parted sheet gives falls on the piles of its orders alike.
    const orders = this.step()?.orders ?? [];
    const up = orders.reduce((sum, o) => sum + o.per, 0);
    const shares =
      orders.length === 0 ? [{ ...this.layingOn(), share: 1 }] : orders.map((o) => ({ ...this.layingOn(o.flow), share: o.per / up }));
    const onto = (c: Counted): Waiting[] => {
      const { kind, reason } = c;
      if (kind === 'good')
        return shares
          .map(({ pile, share }) => ({ pile, quantity: Math.round(c.quantity * share) }))
          .filter(({ quantity }) => quantity > 0)
          .map((more) => this.entry(kind, { reason, note, ...more }));
      const quantity = c.quantity > 0 ? { quantity: c.quantity } : {};
      return [this.entry(kind, { reason, note, ...quantity, ...(kind === 'waste' && { pile: shares[0]?.pile ?? null }) })];
    };
    this.write(...shares.flatMap(({ laid }) => laid), ...counts.flatMap(onto));
  }

  /** A flag was scanned: a pile this step takes goes in, any other is shown; one that lies elsewhere is asked of the server. */
  private scan({ job, code }: { job: number; code: string }): void {
    if (this.person() === null) return;
    const pile = this.terminal()?.piles.find((p) => p.number === job && p.code === code);
    if (pile) {
      const step = this.step();
      const takes = step !== null && step.times.state !== 'waiting' && step.job === pile.job && step.units.takes === pile.flow;
      this.show(takes ? 'take' : 'piles');
      this.scanned.set(pile.id);
      return;
    }
    this.server.send('floor.scan', { query: { code: `${job}.${code}` } }).subscribe({
      next: (p) => {
        this.told.set(
          say('terminal.liesElsewhere', `${p.number}.${p.code}`, formatNumber(p.inHand), p.place, p.next || say('terminal.dispatch')),
        );
      },
      error: (f: Failure) => {
        this.told.set(f.status === 0 ? say('terminal.unknownHere', `${job}.${code}`) : (f.detail ?? f.title));
      },
    });
  }
}
