import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatProgressBar } from '@angular/material/progress-bar';
import { Store } from '@ngrx/store';
import { auditTime, filter, map, switchMap, takeWhile, timer, type Subscription } from 'rxjs';
import type { ZoneDesk, ZonesDone } from '@druckerei/contract';
import { formatNumber, inkColour, say, readNumber } from '@druckerei/core';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { pageTitle } from '../shared/page-title';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';
import { artworkOf, placed, type Raster } from './artwork';
import { keptFor } from '../shared/kept-for';

interface Reading {
  id: string;
  /** Null: every ink, from a PDF. */
  ink: string | null;
  done: number;
  of: number | null;
}
const POLL_MS = 400;

/** Ink zones of a pass: a separation is dropped for each ink, its coverage stands over the sheet zone by zone, the duct openings beneath. */
@Component({
  selector: 'dk-zones-page',
  imports: [RouterLink, MatButton, MatCheckbox, MatInputModule, MatExpansionModule, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './zones-page.html',
  styleUrl: './zones-page.scss',
})
export class ZonesPage {
  protected readonly say = say;
  protected readonly colour = inkColour;
  protected readonly number = formatNumber;
  private readonly server = inject(Server);
  protected readonly desk = signal<ZoneDesk | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly reading = signal<Reading | null>(null);
  protected readonly inkIsDark = signal(true);
  /** Of a PDF: the page that is read, as typed. */
  protected readonly page = signal('1');
  /** What the last PDF left to say. */
  protected readonly notes = signal<string[]>([]);
  private running: Subscription | null = null;
  private readonly at = toSignal(
    inject(ActivatedRoute).paramMap.pipe(map((p) => ({ job: p.get('job') ?? '', step: p.get('step') ?? '' }))),
    {
      initialValue: { job: '', step: '' },
    },
  );
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'press' || r === 'ink'));
  private readonly news = toSignal(
    inject(Changes).changes$.pipe(
      filter((c) => c === null || c.table === 'zones'),
      auditTime(300),
    ),
    { initialValue: null },
  );
  protected readonly ink = keptFor(
    () => this.desk()?.inks.find((i) => i.percent !== null)?.ink ?? this.desk()?.inks[0]?.ink ?? '',
    (first) => first,
  );
  protected readonly of = computed(() => this.desk()?.inks.find((i) => i.ink === this.ink()) ?? null);
  /** Openings as they were set when it printed well; empty: as told. */
  protected readonly set = keptFor<Record<number, string>>(
    () => this.ink(),
    () => ({}),
  );
  /** The sheet with its copies, and over it the profile of the chosen ink. */
  protected readonly drawing = computed(() => {
    const [desk, of] = [this.desk(), this.of()];
    if (!desk) return null;
    const [w, h] = desk.sheetMm;
    const left = (w - desk.zones * desk.zoneMm) / 2;
    const up = PROFILE * h;
    const most = Math.max(1, ...(of?.percent ?? []));
    const full = FULL_HEIGHTS.find((f) => f >= most) ?? 100;
    const bars = (of?.percent ?? []).map((p, i) => ({
      x: left + i * desk.zoneMm,
      h: (up * Math.min(p, full)) / full,
      p: formatNumber(p, 1),
      o: of?.opening?.[i] ?? 0,
    }));
    return {
      w,
      full,
      h,
      up,
      left,
      bars,
      zoneMm: desk.zoneMm,
      box: `${Math.min(left, 0) - 4} ${-up - 14} ${Math.max(w, desk.zones * desk.zoneMm) + 8} ${h + up + 44}`,
      most: formatNumber(most, 1),
    };
  });
  protected readonly totalSays = computed(() => {
    const desk = this.desk();
    if (!desk) return null;
    const { totalInk, differ, limitPercent, inks } = desk;
    if (!totalInk) return differ ? { says: say('zones.totalUnknown'), over: false } : null;
    const percent = formatNumber(totalInk.percent, 0);
    const over = limitPercent !== null && Math.round(totalInk.percent) > limitPercent;
    const of = totalInk.inks < inks.length ? say('zones.totalOfSome', percent, totalInk.inks, inks.length) : say('zones.total', percent);
    return { says: limitPercent === null ? of : `${of} ${say('zones.paperTakes', limitPercent)}`, over };
  });
  protected readonly curveSays = computed(() => {
    const c = this.desk()?.curve;
    if (!c) return '';
    return c.from === 0 ? say('zones.firstCurve', this.desk()?.logged ?? 0) : say('zones.ownCurve', c.from, formatNumber(c.off, 1));
  });

  /** The chosen ink as it lies on the sheet. */
  private readonly raster = signal<{ ink: string; of: Raster } | null>(null);
  protected readonly artwork = computed(() => {
    const [desk, raster] = [this.desk(), this.raster()];
    if (!desk || raster?.ink !== this.ink()) return null;
    return { href: artworkOf(raster.of, raster.ink), places: raster.of.places.map((p) => placed(p, desk.sheetMm[1])) };
  });

  constructor() {
    pageTitle(() => say('app.titleOfZones', this.desk()?.number ?? '…', this.desk()?.title ?? ''));
    effect(() => {
      this.news();
      this.read();
    });
    effect(() => {
      const of = this.of();
      if (of?.percent) this.readRaster(of.ink);
    });
  }
  private readRaster(ink: string): void {
    const { job, step } = this.at();
    // A separation that an older program read has no picture; the profile stands without it.
    this.server.send('zones.raster', { params: { id: job, step, ink } }).subscribe({
      next: (of) => this.raster.set({ ink, of }),
      error: () => this.raster.set(null),
    });
  }
  private read(): void {
    const { job, step } = this.at();
    this.server.send('zones.read', { params: { id: job, step } }).subscribe({ next: (d) => this.desk.set(d), error: this.failed });
  }
  protected csv = (): string => `/api/jobs/${this.at().job}/zones/${encodeURIComponent(this.at().step)}/zones.csv`;
  protected dropped(e: DragEvent, ink: string | null): void {
    e.preventDefault();
    const file = e.dataTransfer?.files[0];
    if (file) this.send(file, ink);
  }
  protected picked(from: HTMLInputElement, ink: string | null): void {
    const file = from.files?.[0];
    from.value = '';
    if (file) this.send(file, ink);
  }
  private send(file: File, ink: string | null): void {
    if (this.reading()) return;
    const { job, step } = this.at();
    const id = crypto.randomUUID();
    const page = Number(this.page().trim());
    this.notes.set([]);
    if (!Number.isInteger(page) || page < 1) {
      this.failure.set({ status: 422, title: say('zones.notRead'), detail: say('zones.whichPage', this.page()) });
      return;
    }
    this.failure.set(null);
    this.reading.set({ id, ink, done: 0, of: null });
    this.running = this.server
      .send('zones.send', { file })
      .pipe(
        switchMap(({ file: hash }) =>
          this.server.send('zones.begin', {
            body: { id, job, step, ink, file: hash, name: file.name.slice(0, 120), page, inkIsDark: this.inkIsDark() },
          }),
        ),
        switchMap(() => timer(0, POLL_MS)),
        switchMap(() => this.server.send('tasks.read', { params: { id } })),
        takeWhile((t) => t.state === 'waiting' || t.state === 'running', true),
      )
      .subscribe({
        next: (t) => {
          if (t.state === 'waiting' || t.state === 'running') {
            this.reading.set({ id, ink, done: t.done, of: t.of });
            return;
          }
          this.reading.set(null);
          if (t.state === 'failed') this.failure.set({ status: 422, title: say('zones.notRead'), detail: t.says });
          if (t.state === 'done') {
            // The kind of a task tells what its result is.
            const { read, absent, leftAside } = t.result as ZonesDone;
            this.notes.set([
              ...absent.map((a) => say('zones.absent', a)),
              ...(leftAside.length > 0 ? [say('zones.leftAside', leftAside.join(', '))] : []),
            ]);
            this.ink.set(ink ?? read[0]?.ink ?? this.ink());
            this.read();
          }
        },
        error: (f: Failure) => {
          this.reading.set(null);
          this.failure.set(f);
        },
      });
  }
  protected cancel(): void {
    const reading = this.reading();
    this.running?.unsubscribe();
    this.reading.set(null);
    if (reading) this.server.send('tasks.cancel', { params: { id: reading.id } }).subscribe({ error: () => undefined });
  }
  protected type(zone: number, text: string): void {
    this.set.update((s) => ({ ...s, [zone]: text }));
  }
  protected log(): void {
    const [of, { job, step }] = [this.of(), this.at()];
    if (!of?.opening) return;
    const typed = of.opening.map((_, i) => (this.set()[i] ?? '').trim());
    const wrong = typed.find((text) => text !== '' && Number.isNaN(readNumber(text)));
    if (wrong !== undefined) {
      this.failure.set({ status: 422, title: say('zones.notLogged'), detail: say('zones.noNumber', wrong) });
      return;
    }
    this.failure.set(null);
    const openings = of.opening.map((told, i) => (typed[i] === '' ? told : readNumber(typed[i] ?? '')));
    this.server.send('zones.log', { params: { id: job, step }, body: { id: crypto.randomUUID(), ink: of.ink, openings } }).subscribe({
      next: (d) => {
        this.set.set({});
        this.desk.set(d);
      },
      error: this.failed,
    });
  }
  private readonly failed = (f: Failure): void => {
    this.failure.set(f);
  };
}
/** Height of the profile, as a share of the sheet's. */
const PROFILE = 0.28;
/** What the profile's height may stand for, percent: a light ink is to be read too. */
const FULL_HEIGHTS = [10, 25, 50, 100];
