import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { auditTime, filter } from 'rxjs';
import type { Job, JobFloor, LogLine, Shortage } from '@druckerei/contract';
import {
  formatDuration,
  CHILD_WAYS,
  type ChildWay,
  formatMoney,
  formatMoment,
  formatNumber,
  label,
  type Place,
  type Plan,
  say,
  sharing,
  UNIT_WORDS,
} from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';
import { FigureValue } from '../shared/figure';
import { askReason } from '../shared/reason-dialog';

type StepRow = JobFloor['steps'][number];

/** What happened to a job on the floor: forecast with its range, ways out when it will be short, steps and their balance, piles and where they are, waste, log. */
@Component({
  selector: 'dk-floor-panel',
  imports: [RouterLink, MatDialogModule, FigureValue, MatButton, MatTooltip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './floor-panel.html',
  styleUrl: './floor-panel.scss',
})
export class FloorPanel {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly moment = formatMoment;
  protected readonly duration = formatDuration;
  readonly job = input.required<Pick<Job, 'id' | 'number' | 'version'>>();
  readonly plan = input.required<Plan>();
  readonly place = input.required<Place>();
  /** Whether this person plans. */
  readonly may = input(false);
  readonly explain = output<string>();
  private readonly server = inject(Server);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  protected readonly floor = signal<JobFloor | null>(null);
  protected readonly shortage = signal<(Shortage & { item: string }) | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  private readonly news = toSignal(
    inject(Changes).changes$.pipe(
      filter((c) => c === null || (c.table === 'floor' && c.id === this.job().id)),
      auditTime(500),
    ),
    { initialValue: null },
  );
  protected readonly forecasts = computed(() =>
    Object.entries(this.plan().items).flatMap(([item, of]) => (of.forecast ? [{ item, wanted: of.wanted, ...of.forecast }] : [])),
  );
  /** An item that will be short, if one will. */
  protected readonly shortItem = computed(() => {
    const value = (id: string): number => this.plan().figures[id]?.value ?? 0;
    const { items } = this.plan();
    const wanted = (item: string): number => sharing(items, item).reduce((sum, id) => sum + value(items[id]?.wanted ?? ''), 0);
    return this.forecasts().find((f) => value(f.good) < wanted(f.item))?.item ?? null;
  });

  /** What will be missing beyond what child jobs make. */
  protected readonly missing = computed(
    () => (this.shortage()?.short ?? 0) - (this.floor()?.children ?? []).reduce((sum, c) => sum + c.pieces, 0),
  );

  constructor() {
    effect(() => {
      this.news();
      this.read(this.job().id);
    });
    effect(() => {
      const [item, id] = [this.shortItem(), this.job().id];
      if (item === null || !this.may()) return this.shortage.set(null);
      this.server.send('floor.shortage', { params: { id }, query: { item } }).subscribe({
        next: (s) => {
          this.shortage.set({ ...s, item });
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }

  private read(id: string): void {
    this.server.send('floor.job', { params: { id }, query: {} }).subscribe({
      next: (f) => {
        this.floor.set(f);
        this.failure.set(null);
      },
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
  protected more(): void {
    const last = this.floor()?.log.at(-1);
    if (!last) return;
    this.server.send('floor.job', { params: { id: this.job().id }, query: { before: last.seq } }).subscribe({
      next: (f) => {
        this.floor.update((known) => known && { ...known, log: [...known.log, ...f.log], more: f.more });
      },
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }

  protected unit = (s: StepRow): string => UNIT_WORDS[s.units.unit ?? 'piece']?.[1] ?? '';
  protected pieces = (unit: string): string => UNIT_WORDS[unit]?.[1] ?? unit;
  protected money = (value: number): string => formatMoney(value, this.place());
  protected lost = (s: StepRow): string =>
    [
      ...Object.entries(s.tally.waste).map(([reason, n]) => `${formatNumber(n)} ${label(`waste.${reason}`)}`),
      ...(s.tally.samples > 0 ? [`${formatNumber(s.tally.samples)} ${label('waste.samples')}`] : []),
      ...(s.tally.destroyed > 0 ? [`${formatNumber(s.tally.destroyed)} ${label('waste.destroyed')}`] : []),
    ].join(' · ');
  /** Piles that hold something first; those that are used up after. */
  protected readonly piles = computed(() =>
    [...(this.floor()?.piles ?? [])].sort((a, b) => Number(a.inHand === 0) - Number(b.inHand === 0) || a.nr - b.nr),
  );
  protected readonly now = (): number => Date.now() / 1000;
  protected readonly stepName = (id: string | null): string => this.floor()?.steps.find((s) => s.step === id)?.name ?? id ?? '';

  /** Why, where an entry has a reason; of a reading what was measured. */
  protected reasonSays({ kind, reason, value, step }: LogLine): string {
    if (kind === 'measure') {
      const measure = this.floor()
        ?.steps.find((s) => s.step === step)
        ?.measures.find((m) => m.key === reason);
      return `${measure?.name ?? reason} ${formatNumber(value ?? 0, 3)} ${measure?.unit ?? ''}`.trim();
    }
    return reason && (kind === 'waste' || kind === 'stop') ? label(`${kind}.${reason}`) : reason;
  }
  /** A way that enters a job; null: the job itself goes on. */
  protected childWay = (way: string): ChildWay | null => CHILD_WAYS.find((w) => w === way) ?? null;
  protected enter(way: ChildWay): void {
    const s = this.shortage();
    if (!s) return;
    this.server.send('floor.child', { params: { id: this.job().id }, body: { id: crypto.randomUUID(), item: s.item, way } }).subscribe({
      next: ({ job }) => void this.router.navigate(['/jobs', job]),
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
  /** A mistake is taken back by a counter-entry with a reason; the line stays. */
  protected takeBack(line: LogLine): void {
    const ask = { title: say('floorPanel.takeBackTitle'), says: say('floorPanel.takeBackSays'), button: say('floorPanel.takeBack') };
    askReason(this.dialog, ask).subscribe((note) => {
      this.send({ kind: 'counter', machine: line.machine, step: line.step, other: line.id, note });
    });
  }
  /** What was found more or less, with the reason: the difference is closed, and stays on record. */
  protected settle(off: JobFloor['differences'][number]): void {
    const pile = this.floor()?.piles.find((p) => p.code === off.pile);
    const step = this.floor()?.steps.find((s) => s.step === off.step);
    const maker = this.floor()?.steps.find((s) => s.step === pile?.step);
    const ask = {
      title: say('floorPanel.settleTitle', formatNumber(Math.abs(off.off))),
      says: say('floorPanel.settleSays'),
      button: say('floorPanel.settle'),
    };
    askReason(this.dialog, ask).subscribe((note) => {
      this.send({
        kind: 'recount',
        machine: step?.machine ?? maker?.machine ?? 'desk',
        step: step?.step ?? null,
        pile: step ? null : (pile?.id ?? null),
        quantity: -Math.round(off.off),
        note,
      });
    });
  }
  private send(more: { kind: string; machine: string; step: string | null; note: string; [key: string]: unknown }): void {
    const entry = {
      id: crypto.randomUUID(),
      job: this.job().id,
      pile: null,
      other: null,
      quantity: null,
      reason: '',
      witness: '',
      at: Date.now() / 1000,
      release: null,
      ...more,
    };
    this.server
      .send('floor.send', { body: { device: say('floorPanel.desk'), desk: true, sentAt: Date.now() / 1000, entries: [entry] } })
      .subscribe({
        next: ({ refused }) => {
          const [says] = refused;
          this.failure.set(says ? { status: 422, title: says.says } : null);
          this.read(this.job().id);
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
  }
}
