import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatInput } from '@angular/material/input';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { BoardBar, BoardEffect, BoardFound, BoardHelp, BoardJob } from '@druckerei/contract';
import { changesSay, formatDuration, formatMoment, formatMoney, formatNumber, say } from '@druckerei/core/words';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { readingOf, Server } from '../shared/server';
import { Shortcuts } from '../shared/shortcuts';
import { type BarSays, BoardDrawing } from './board-drawing';
import { BoardHoursPanel } from './board-hours';
import { BoardLoad } from './board-load';
import { BoardPin } from './board-pin';
import { because, BREACH_WORDS, effectSays, helpSays, jobSays, lateS, SPAN_WORDS, VERSION_WORDS } from './board-says';
import { BoardMoves } from './board-moves';
import { ofAnother, type Place, type Span, SPANS } from './board-scale';
import { BoardSearch } from './board-search';
import { DayList } from './day-list';

/** The search that a version is given by itself: whoever sees it first begins it, and all see the same. */
const itself = (nr: number): string => `b0a2d000-0000-4000-8000-${nr.toString(16).padStart(12, '0')}`;
/** Times go on without news too. */
const READ_MS = 60_000;

/** Every released step on its machine in time: which jobs are late and why; a better order looked for, shown as a difference, taken or left; bars moved by hand. */
@Component({
  selector: 'dk-board-page',
  imports: [
    BoardDrawing,
    BoardHoursPanel,
    BoardLoad,
    BoardPin,
    DayList,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatInput,
    MatProgressBar,
    RouterLink,
  ],
  providers: [BoardMoves, BoardSearch],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './board-page.html',
  styleUrl: './board-page.scss',
})
export class BoardPage {
  protected readonly say = say;
  protected readonly duration = formatDuration;
  protected number = (value: number): string => formatNumber(value);
  protected readonly spans = SPANS;
  protected spanSays = (span: Span): string => say(SPAN_WORDS[span]);
  private readonly reading = readingOf('board.read', ['board', 'jobs', 'floor', 'plants']);
  private readonly server = inject(Server);
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly plans = computed(() => this.me()?.roles.includes('planner') ?? false);
  protected readonly page = this.reading.got;
  protected readonly failure = computed(() => this.refused() ?? this.reading.failure());
  private readonly refused = signal<Failure | null>(null);

  /** A job that is to be shown, from the address. */
  readonly show = input<string>();
  /** A job that is not released, or all that are not, shown as they would lie; from the address. */
  readonly quoted = input<string>();
  protected readonly span = signal<Span>('day');
  protected readonly folds = signal(false);
  protected readonly wanted = signal('');
  protected readonly showsLoad = signal(false);
  protected readonly chosen = signal<string | null>(null);
  private readonly drawing = viewChild(BoardDrawing);
  private readonly pin = viewChild(BoardPin);

  protected readonly bar = computed(() => this.page()?.bars.find((b) => b.work === this.chosen()) ?? null);
  protected readonly job = computed(() => this.page()?.jobs.find((j) => j.job === this.bar()?.job) ?? null);
  protected readonly says = computed((): ReadonlyMap<string, BarSays> => {
    const wanted = this.wanted().trim().toLowerCase();
    return new Map(
      (this.page()?.jobs ?? []).map((j) => [
        j.job,
        { text: jobSays(j), lateS: lateS(j), isFound: jobSays(j).toLowerCase().includes(wanted) },
      ]),
    );
  });
  /** Jobs that are shown without being released. */
  protected readonly quotedJobs = computed(() => {
    const page = this.page();
    const asked = new Set(page?.bars.flatMap((b) => (b.quoted ? [b.job] : [])));
    return page?.jobs.filter((j) => asked.has(j.job)) ?? [];
  });
  protected readonly quotedSays = computed(() => {
    const [one, ...more] = this.quotedJobs();
    if (!one) return say('board.withNone');
    return more.length === 0 ? say('board.withQuoted', one.number, one.title) : say('board.withAllQuoted', more.length + 1);
  });
  /** Late and at risk, the dearest first, then the least to spare. */
  protected readonly late = computed(() => {
    const page = this.page();
    if (!page) return [];
    return page.jobs
      .filter((j) => j.dueAt !== null && j.dueAt - j.readyAt < page.reserveS)
      .sort((a, b) => b.lateMoney - a.lateMoney || (a.dueAt ?? 0) - a.readyAt - ((b.dueAt ?? 0) - b.readyAt));
  });
  /** The least that any job has to spare. */
  protected readonly spareS = computed(() =>
    Math.min(...(this.page()?.jobs ?? []).flatMap((j) => (j.dueAt === null ? [] : [j.dueAt - j.readyAt]))),
  );
  protected readonly version = computed(() => {
    const page = this.page();
    if (!page) return '';
    return page.why === null ? say('board.byRule') : say(VERSION_WORDS[page.why], page.nr, page.by, this.moment(page.at ?? 0));
  });
  protected readonly told = computed(() => {
    const [bar, job, page] = [this.bar(), this.job(), this.page()];
    return bar && job && page ? this.barSays(bar, job) : '';
  });
  protected readonly breaches = computed(() => {
    const page = this.page();
    return (page?.breaches ?? []).map((b) => {
      const bar = page?.bars.find((x) => x.work === b.work);
      const job = page?.jobs.find((j) => j.job === (bar?.job ?? b.work.split(' ')[0]));
      return say(BREACH_WORDS[b.code], `${job?.number ?? ''} ${bar?.name ?? b.work}`, formatDuration(b.byS));
    });
  });

  // The search: its proposal stands beside the board until that moves on.
  private readonly better = inject(BoardSearch);
  protected readonly task = this.better.task;
  protected readonly searching = this.better.searching;
  protected readonly found = computed(() => this.better.foundFor(this.page()?.nr));
  protected readonly isBetter = computed(() => {
    const found = this.found();
    return found !== null && found.after < found.before - 0.5;
  });
  /** The version for which another order was looked for by itself. */
  private readonly askedItself = signal<number | null>(null);
  protected readonly isGrown = computed(() => {
    const page = this.page();
    return page !== null && page.grown >= page.growthMoney;
  });
  /** The search as it is told: one that was begun by itself and found nothing is not. */
  protected readonly shownTask = computed(() => {
    const [task, page] = [this.task(), this.page()];
    return page && task?.state === 'done' && task.id === itself(page.nr) && !this.isBetter() ? null : task;
  });

  // A move that is tried.
  private readonly moves = inject(BoardMoves);
  protected readonly tried = this.moves.tried;
  protected readonly machines = computed(() => this.moves.machinesOf(this.chosen() ?? '', this.page()?.nr ?? 0));
  protected readonly able = computed(() => this.moves.able(this.chosen() ?? '', this.page()?.nr ?? 0));
  /** Moves that would let the chosen job end sooner; another job is asked anew. */
  protected readonly helps = linkedSignal<string | null, BoardHelp[] | 'asked' | null>({
    source: () => `${this.job()?.job ?? ''} ${this.page()?.nr ?? 0}`,
    computation: () => null,
  });
  protected readonly place = computed(() => this.tried()?.place ?? null);
  /** The machine of the place that is tried; null: none, or its own. */
  private readonly onto = computed(() => {
    const [place, page, bar] = [this.place(), this.page(), this.bar()];
    if (!place || 'first' in place) return null;
    const machine = 'on' in place ? place.on : page?.bars.find((b) => b.work === place.beside)?.machine;
    return machine === undefined || machine === bar?.machine ? null : machine;
  });
  protected readonly isElsewhere = computed(() => this.onto() !== null);
  protected readonly before = computed(() => this.besides('ArrowLeft'));
  protected readonly behind = computed(() => this.besides('ArrowRight'));

  constructor() {
    effect(() => {
      const quoted = this.quoted();
      untracked(() => this.reading.ask({ query: quoted === undefined ? {} : { quoted } }));
    });
    // What cannot be drawn as it would lie is said; the board is shown without it.
    let without: string | null = null;
    effect(() => {
      const [failed, quoted] = [this.reading.failure(), this.quoted()];
      if (!failed || quoted === undefined || quoted === without || this.page()) return;
      without = quoted;
      untracked(() => {
        this.refused.set(failed);
        this.reading.ask({ query: {} });
      });
    });
    const timer = setInterval(() => {
      this.reading.again();
    }, READ_MS);
    inject(DestroyRef).onDestroy(() => {
      clearInterval(timer);
    });
    let shown = false;
    effect(() => {
      const [page, drawing] = [this.page(), this.drawing()];
      if (!page || !drawing || shown) return;
      shown = true;
      untracked(() => {
        const wanted = page.jobs.find((j) => j.job === (this.quoted() ?? this.show()));
        if (wanted) this.goTo(wanted);
        else drawing.show(page.asOf);
      });
    });
    effect(() => {
      const page = this.page();
      if (!page || !this.plans() || !this.isGrown() || this.askedItself() === page.nr) return;
      untracked(() => {
        this.askedItself.set(page.nr);
        if (!this.task()) this.search(itself(page.nr));
      });
    });
    inject(Shortcuts).use([
      { keys: 'n', shown: 'N', says: say('board.keys.now'), run: () => this.goNow() },
      { keys: 'l', shown: 'L', says: say('board.keys.late'), run: () => this.nextLate() },
      { keys: 'm', shown: 'M', says: say('board.keys.move'), run: () => this.tryMove('ArrowLeft') },
      { keys: 't', shown: 'T', says: say('board.keys.thread'), run: () => this.nextOfJob() },
      { keys: 'c', shown: 'C', says: say('board.keys.fold'), run: () => this.fold() },
      { keys: 'p', shown: 'P', says: say('board.keys.pin'), run: () => this.pin()?.toggle() },
      { keys: '$mod+z', shown: 'Ctrl Z', says: say('board.back'), run: () => this.back() },
    ]);
  }

  protected moment = (at: number): string => formatMoment(at, this.page()?.timeZone ?? 'UTC');
  protected money = (value: number): string =>
    formatMoney(value, { timeZone: this.page()?.timeZone ?? 'UTC', currency: this.page()?.currency ?? 'EUR' });
  protected lateSays(job: BoardJob): string {
    const s = lateS(job);
    return s > 0 ? say('board.lateBy', formatDuration(s)) : say('board.spare', formatDuration((job.dueAt ?? 0) - job.readyAt));
  }
  protected endSays({ dueAt, readyAt, endAt }: BoardJob): string {
    if (dueAt === null) return say('board.endsOnly', this.moment(endAt));
    if (readyAt < endAt) return say('board.endsInParts', this.moment(readyAt), this.moment(dueAt), this.moment(endAt));
    return say('board.ends', this.moment(endAt), this.moment(dueAt));
  }
  protected because = (job: BoardJob): string => because(job);
  protected isLate = (job: BoardJob): boolean => lateS(job) > 0;
  protected numberOf = (job: string): string => String(this.page()?.jobs.find((j) => j.job === job)?.number ?? '');
  protected foundJobs(found: BoardFound): string {
    const said = (list: BoardFound['jobs']): string =>
      list.length === 0 ? say('board.nobody') : list.map((j) => `${this.numberOf(j.job)} ${formatDuration(Math.abs(j.byS))}`).join(', ');
    return say('board.foundJobs', said(found.jobs.filter((j) => j.byS < 0).reverse()), said(found.jobs.filter((j) => j.byS > 0)));
  }
  protected effectSays = (e: BoardEffect): string => effectSays(e, this.money(e.money));
  protected changesSay = (bar: BoardBar): string => say('board.changes', changesSay(bar.changes));

  protected choose(work: string | null): void {
    this.moves.leave();
    this.refused.set(null);
    this.chosen.set(work);
  }
  /** A job of the list: its first bar is chosen and shown. */
  protected goTo(job: BoardJob): void {
    const first = this.page()
      ?.bars.filter((b) => b.job === job.job)
      .sort((a, b) => a.start - b.start)[0];
    if (!first) return;
    this.choose(first.work);
    this.drawing()?.show(first.start, first.machine);
    this.drawing()?.focus();
  }
  protected zoom(span: Span): void {
    this.span.set(span);
    setTimeout(() => this.drawing()?.show(this.bar()?.start ?? this.page()?.asOf ?? 0));
  }
  /** Hours in which everything is closed fold away, and back; what is seen stays in sight. */
  protected fold(): void {
    const at = this.drawing()?.shown();
    this.folds.update((f) => !f);
    setTimeout(() => this.drawing()?.show(at ?? this.page()?.asOf ?? 0));
  }
  protected goNow(): void {
    const page = this.page();
    if (page) this.drawing()?.show(page.asOf);
  }
  private nextLate(): void {
    const late = this.late();
    const at = late.findIndex((j) => j.job === this.bar()?.job);
    const next = late[(at + 1) % Math.max(late.length, 1)];
    if (next) this.goTo(next);
  }

  /** Along the thread of the chosen bar's job: its next step in time, after the last its first. */
  private nextOfJob(): void {
    const bar = this.bar();
    const mine =
      this.page()
        ?.bars.filter((b) => b.job === bar?.job)
        .sort((a, b) => a.start - b.start || a.end - b.end) ?? [];
    const next = mine[(mine.findIndex((b) => b.work === bar?.work) + 1) % Math.max(mine.length, 1)];
    if (!next) return;
    this.choose(next.work);
    this.drawing()?.show(next.start, next.machine);
  }

  protected search(id: string = crypto.randomUUID()): void {
    const page = this.page();
    if (!page || this.searching()) return;
    this.refused.set(null);
    this.better.begin(id, page.nr, (f) => this.failed(f));
  }
  protected stop(): void {
    this.better.stop((f) => this.failed(f));
  }
  protected take(): void {
    const [page, task] = [this.page(), this.task()];
    if (page && task) this.done(this.server.send('board.take', { body: { task: task.id, base: page.nr } }));
  }
  protected print(): void {
    window.print();
  }
  protected refuse(): void {
    this.better.leave();
  }
  /** Nobody accepted it yet, or it has drifted from what was. */
  protected readonly isToAccept = computed(() => {
    const page = this.page();
    return page !== null && page.bars.length > 0 && (page.nr === 0 || page.bars.some((b) => b.fresh || b.off !== null));
  });
  protected accept(): void {
    const page = this.page();
    if (page) this.done(this.server.send('board.accept', { body: { base: page.nr } }));
  }
  protected back(): void {
    const page = this.page();
    if (page && page.nr > 1 && this.plans()) this.done(this.server.send('board.back', { body: { base: page.nr } }));
  }

  /** Keys of the drawing that do not walk: while a place is tried, arrows try another, or another machine; Enter moves, Escape leaves it. */
  protected pressed(event: KeyboardEvent): void {
    if (!this.tried()) return;
    if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') this.tryMove(event.key);
    else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') this.tryMachine(event.key === 'ArrowUp' ? -1 : 1);
    else if (event.key === 'Enter') this.moveIt();
    else if (event.key === 'Escape') this.leave();
    else return;
    event.preventDefault();
  }
  protected leave(): void {
    this.moves.leave();
  }
  private besides(key: 'ArrowLeft' | 'ArrowRight'): BoardBar | null {
    const [bar, drawing] = [this.bar(), this.drawing()];
    if (!bar || bar.runs || bar.quoted || !drawing || !this.plans()) return null;
    const beside = ofAnother(drawing.lanes(), bar, bar, key);
    return beside && !beside.runs && !beside.quoted ? beside : null;
  }
  protected tryMove(key: 'ArrowLeft' | 'ArrowRight'): void {
    const [bar, drawing] = [this.bar(), this.drawing()];
    if (!bar || !drawing) return;
    const side = key === 'ArrowLeft' ? 'before' : 'behind';
    const beside = this.fromTried(bar, drawing.lanes(), key, side);
    if (!beside || beside.runs || beside.quoted || bar.quoted || beside.work === bar.work) return;
    this.try({ beside: beside.work, side });
  }
  /** From the place that is tried one farther; on a machine it was only put on, its last bar. */
  private fromTried(bar: BoardBar, lanes: readonly BoardBar[][], key: 'ArrowLeft' | 'ArrowRight', side: string): BoardBar | null {
    const place = this.place();
    const tried = place && 'side' in place ? lanes.flat().find((b) => b.work === place.beside) : undefined;
    if (tried && place && 'side' in place && place.side === side) return ofAnother(lanes, tried, bar, key);
    const onto = this.onto();
    if (onto === null) return this.besides(key);
    return tried ?? lanes.find((lane) => lane.some((b) => b.machine === onto))?.at(-1) ?? null;
  }
  /** The next machine above or below that could take it; back on its own, the place it has. */
  private tryMachine(step: -1 | 1): void {
    const bar = this.bar();
    if (!bar) return;
    this.askMachines(() => {
      const rows = this.machineRows(bar);
      const next = rows[rows.indexOf(this.onto() ?? bar.machine) + step];
      if (next === bar.machine) this.leave();
      else if (next !== undefined) this.try({ on: next });
    });
  }
  /** Its own machine and those that could take it, as the rows stand; those that have no row yet last. */
  private machineRows(bar: BoardBar): string[] {
    const shown = (this.page()?.lanes ?? []).map((l) => l.machine).filter((m) => m === bar.machine || this.able().has(m));
    return [...shown, ...[...this.able()].filter((m) => !shown.includes(m))];
  }
  protected askMachines(then?: () => void): void {
    const [bar, page] = [this.bar(), this.page()];
    if (bar && !bar.quoted && page && this.plans()) this.moves.askMachines(bar.work, page.nr, (f) => this.failed(f), then);
  }
  /** A bar that is taken hold of: which machines could take it is asked while it moves. */
  protected grabbed(work: string): void {
    if (this.chosen() !== work) this.choose(work);
    this.askMachines();
  }
  /** A bar that is dragged: its place is tried while it moves. */
  protected dragTo({ work, place }: { work: string; place: Place }): void {
    if (!this.plans()) return;
    if (this.chosen() !== work) this.choose(work);
    this.try(place);
  }
  protected try(place: Place): void {
    const [page, bar] = [this.page(), this.bar()];
    if (!page || !bar) return;
    this.refused.set(null);
    this.moves.try(page.nr, bar.work, place, (f) => this.failed(f));
  }
  protected askHelp(job: BoardJob): void {
    this.helps.set('asked');
    this.server.send('board.help', { params: { id: job.job } }).subscribe({
      next: (found) => {
        this.helps.set(found);
      },
      error: (failure: Failure) => {
        this.helps.set(null);
        this.failed(failure);
      },
    });
  }
  protected helpSays(help: BoardHelp): string {
    const page = this.page();
    return page ? helpSays(help, page, this.money(help.money)) : '';
  }
  /** A move that would help is tried as if it were dragged there: who else it moves is told before it is taken. */
  protected tryHelp(help: BoardHelp, { job }: BoardJob): void {
    if (help.kind === 'before') this.dragTo({ work: help.work, place: { beside: help.beside, side: 'before' } });
    else if (help.kind === 'on') this.dragTo({ work: help.work, place: { on: help.machine } });
    else if (help.kind === 'first') this.try({ first: job });
  }
  protected moveIt(): void {
    const tried = this.tried();
    if (!tried) return;
    this.leave();
    this.done(this.server.send('board.move', { body: tried.move }));
  }

  private done(sent: ReturnType<typeof this.server.send<'board.move'>>): void {
    this.refused.set(null);
    sent.subscribe({
      next: () => this.movedOn(),
      error: (failure: Failure) => {
        this.failed(failure);
        this.reading.again();
      },
    });
  }
  protected movedOn(): void {
    this.better.leave();
    this.refused.set(null);
    this.reading.again();
  }
  protected failed(failure: Failure): void {
    this.refused.set(failure);
  }

  private barSays(bar: BoardBar, job: BoardJob): string {
    const lane = this.page()?.lanes.find((l) => l.machine === bar.machine)?.name ?? bar.machine;
    const late = lateS(job);
    return [
      say('board.bar', job.number, job.title, bar.name, lane, this.moment(bar.start), this.moment(bar.end)),
      ...(bar.runs ? [say('board.bar.runs')] : []),
      ...(bar.pin ? [say('board.bar.pinned')] : []),
      ...(bar.fresh ? [say('board.bar.fresh')] : []),
      ...(bar.quoted ? [say('board.bar.quoted')] : []),
      ...(bar.off ? [say('board.bar.off', this.moment(bar.off.start))] : []),
      ...(late > 0 ? [say('board.bar.late', formatDuration(late))] : []),
    ].join('; ');
  }
}
