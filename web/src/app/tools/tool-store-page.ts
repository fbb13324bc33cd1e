import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatDialog } from '@angular/material/dialog';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { auditTime, filter, type Observable } from 'rxjs';
import type { FormOffer, ToolCard, ToolPage } from '@druckerei/contract';
import { formatDuration, formatMoment, formatNumber, inkColour, label, say } from '@druckerei/core';
import { sessionFeature } from '../session/session.feature';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { enterTool } from './enter-tool';
import { ToolDesk } from './tool-desk';

type Shown = 'work' | 'kept' | 'gone';
interface Group {
  key: string;
  number: number | null;
  title: string;
  job: string | null;
  cards: ToolCard[];
}

/** Every form of the house: those at work job by job, those kept, those gone; the platesetter's queue; a card with its checks and history. */
@Component({
  selector: 'dk-tool-store-page',
  imports: [ToolDesk, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tool-store-page.html',
  styleUrl: './tool-store-page.scss',
})
export class ToolStorePage {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly colour = inkColour;
  protected readonly views: readonly Shown[] = ['work', 'kept', 'gone'];
  private readonly api = inject(ApiCaller);
  private readonly dialog = inject(MatDialog);
  protected readonly page = signal<ToolPage | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly view = signal<Shown>('work');
  protected readonly find = signal('');
  protected readonly chosen = signal('');
  protected readonly job = signal<string | null>(null);
  protected readonly offers = signal<FormOffer[]>([]);
  protected readonly imaged = signal<string | null>(null);
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'press' || r === 'store'));
  private readonly news = toSignal(
    inject(Changes).changes$.pipe(
      filter((c) => c === null || c.table === 'tools'),
      auditTime(300),
    ),
    { initialValue: null },
  );
  protected readonly groups = computed((): Group[] => {
    const groups = new Map<string, Group>();
    for (const card of this.page()?.cards ?? []) {
      const key = card.job ?? card.kind;
      const group = groups.get(key) ?? {
        key,
        number: card.number,
        title: card.title ?? label(`tool.${card.kind}`),
        job: card.job,
        cards: [],
      };
      group.cards.push(card);
      groups.set(key, group);
    }
    return [...groups.values()];
  });
  /** The queue as bars along the hours it takes. */
  protected readonly queue = computed(() => {
    const page = this.page();
    if (!page || page.queue.length === 0) return null;
    const end = Math.max(...page.queue.map((q) => q.readyAt));
    const wide = Math.max(end - page.asOf, 1);
    return {
      rows: page.queue.map((q) => ({
        ...q,
        left: (100 * (q.startAt - page.asOf)) / wide,
        width: (100 * (q.readyAt - q.startAt)) / wide,
        says: q.lateS > 0 ? say('tools.late', formatDuration(q.lateS)) : say('tools.readyAt', formatMoment(q.readyAt, page.timeZone)),
      })),
      says: say('tools.queueTakes', page.queue.length, formatDuration(end - page.asOf)),
    };
  });
  protected readonly card = computed(() => this.page()?.cards.find((c) => c.id === this.chosen()) ?? null);
  /** Kept forms of the job before that would do here. */
  protected readonly kept = computed(() => this.offers().flatMap((o) => (o.offers[0] ? [o.offers[0]] : [])));

  constructor() {
    const query = inject(ActivatedRoute).snapshot.queryParamMap;
    this.job.set(query.get('job'));
    effect(() => {
      this.news();
      this.view();
      this.find();
      this.job();
      this.read();
    });
  }

  protected readonly count = formatNumber;
  protected life = (c: ToolCard): string => say('tools.usedOf', formatNumber(c.used), formatNumber(c.life));

  private read(): void {
    const [find, job] = [this.find().trim(), this.job()];
    this.api.call('tools.cards', { query: { state: this.view(), ...(find && { find }), ...(job !== null && { job }) } }).subscribe({
      next: (page) => {
        this.page.set(page);
        if (!page.cards.some((c) => c.id === this.chosen())) this.chosen.set(page.cards[0]?.id ?? '');
      },
      error: this.failed,
    });
    if (job === null) this.offers.set([]);
    else this.api.call('tools.offers', { params: { id: job } }).subscribe({ next: (o) => this.offers.set(o), error: this.failed });
  }
  /** Something was asked of the store: done, the page reads again; refused, it says why. */
  protected call(asked: Observable<unknown>): void {
    asked.subscribe({
      next: () => {
        this.failure.set(null);
        this.read();
      },
      error: this.failed,
    });
  }
  protected image(): void {
    this.api.call('tools.image', { body: { key: crypto.randomUUID(), plates: 1 } }).subscribe({
      next: ({ imaged }) => {
        const [plate] = imaged;
        this.failure.set(null);
        this.imaged.set(plate ? say('tools.simulatedImaged', plate.id) : null);
        if (plate) this.chosen.set(plate.id);
        this.read();
      },
      error: this.failed,
    });
  }
  /** What was entered lies in the store: it is shown there. */
  protected enter(): void {
    enterTool(this.dialog).subscribe((card) => {
      this.failure.set(null);
      this.job.set(null);
      this.find.set('');
      this.view.set('kept');
      this.chosen.set(card.id);
      this.read();
    });
  }
  protected takeKept(): void {
    const job = this.job();
    if (job !== null)
      this.call(
        this.api.call('tools.take', { params: { id: job }, body: { key: crypto.randomUUID(), tools: this.kept().map((c) => c.id) } }),
      );
  }
  protected readonly failed = (f: Failure): void => {
    this.failure.set(f);
  };
}
