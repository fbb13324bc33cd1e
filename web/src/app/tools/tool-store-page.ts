import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatTabNavPanel } from '@angular/material/tabs';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import type { ToolCard } from '@druckerei/contract';
import { formatDuration, formatMoment, formatNumber, inkColour, label, say } from '@druckerei/core';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { readingOf, Server } from '../shared/server';
import { enterTool } from './enter-tool';
import { ToolDesk } from './tool-desk';
import { type View, Views } from '../shared/views';
import { InPlace } from '../shared/in-place';

const SHOWN = ['work', 'kept', 'gone'] as const;
type Shown = (typeof SHOWN)[number];
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
  imports: [ToolDesk, RouterLink, InPlace, MatButton, MatInputModule, MatTabNavPanel, Views],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tool-store-page.html',
  styleUrl: './tool-store-page.scss',
})
export class ToolStorePage {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly colour = inkColour;
  /** Which of them, as the address names it. */
  readonly view = input<string>();
  protected readonly shown = computed((): Shown => SHOWN.find((v) => v === this.view()) ?? 'work');
  protected readonly views: readonly View[] = SHOWN.map((v) => ({
    id: v,
    says: label(`tools.${v}`),
    query: { view: v === 'work' ? null : v },
  }));
  private readonly router = inject(Router);
  private readonly server = inject(Server);
  private readonly dialog = inject(MatDialog);
  private readonly cards = readingOf('tools.cards', ['tools']);
  private readonly offered = readingOf('tools.offers', ['tools']);
  protected readonly page = this.cards.got;
  private readonly refused = signal<Failure | null>(null);
  protected readonly failure = computed(() => this.refused() ?? this.cards.failure() ?? this.offered.failure());
  protected readonly find = signal('');
  /** As chosen, while it is there; else the first. */
  protected readonly chosen = linkedSignal<{ id: string }[] | undefined, string>({
    source: () => this.page()?.cards,
    computation: (cards, before) => (cards?.some((c) => c.id === before?.value) ? (before?.value ?? '') : (cards?.[0]?.id ?? '')),
  });
  protected readonly job = signal<string | null>(null);
  protected readonly offers = computed(() => (this.job() === null ? [] : (this.offered.got() ?? [])));
  protected readonly imaged = signal<string | null>(null);
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'press' || r === 'store'));
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
      const [find, job] = [this.find().trim(), this.job()];
      this.cards.ask({ query: { state: this.shown(), ...(find && { find }), ...(job !== null && { job }) } });
      if (job !== null) this.offered.ask({ params: { id: job } });
    });
  }

  protected readonly count = formatNumber;
  protected life = (c: ToolCard): string => say('tools.usedOf', formatNumber(c.used), formatNumber(c.life));

  /** Something was asked of the store: done, the page reads again; refused, it says why. */
  protected call(asked: Observable<unknown>): void {
    asked.subscribe({
      next: () => {
        this.refused.set(null);
        this.cards.again();
      },
      error: this.failed,
    });
  }
  protected image(): void {
    this.server.send('tools.image', { body: { key: crypto.randomUUID(), plates: 1 } }).subscribe({
      next: ({ imaged }) => {
        const [plate] = imaged;
        this.refused.set(null);
        this.imaged.set(plate ? say('tools.simulatedImaged', plate.id) : null);
        if (plate) this.chosen.set(plate.id);
        this.cards.again();
      },
      error: this.failed,
    });
  }
  /** What was entered lies in the store: it is shown there. */
  protected enter(): void {
    enterTool(this.dialog).subscribe((card) => {
      this.refused.set(null);
      this.job.set(null);
      this.find.set('');
      void this.router.navigate(['/tools'], { queryParams: { view: 'kept' } });
      this.chosen.set(card.id);
      this.cards.again();
    });
  }
  protected takeKept(): void {
    const job = this.job();
    if (job !== null)
      this.call(
        this.server.send('tools.take', { params: { id: job }, body: { key: crypto.randomUUID(), tools: this.kept().map((c) => c.id) } }),
      );
  }
  protected readonly failed = (f: Failure): void => {
    this.refused.set(f);
  };
}
