import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  type OnDestroy,
  signal,
  untracked,
  linkedSignal,
} from '@angular/core';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatTabNavPanel } from '@angular/material/tabs';
import { Store } from '@ngrx/store';
import { pageTitle } from '../shared/page-title';
import { Views, type View as Shown } from '../shared/views';
import { Typing } from '../shared/typing';
import type { Observable } from 'rxjs';
import {
  earlyThings,
  type Edit,
  editAt,
  editSays,
  familyOf,
  findingKey,
  formatFigure,
  formatNumber,
  isMixedInk,
  label,
  mayGang,
  orderedQuantity,
  type Override,
  type Place,
  PRACTICE_DEFAULTS,
  practiceValue,
  say,
  stoneName,
  type TotalKey,
} from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import { Planner } from '../planner/planner';
import { Searcher } from '../planner/searcher';
import { ProductForm } from '../product/product-form';
import { EditValue } from '../shared/edit-value';
import { FigureValue } from '../shared/figure';
import { Shortcuts } from '../shared/shortcuts';
import { Units } from '../shared/units';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { askReason, type ReasonAsk } from '../shared/reason-dialog';
import { ComparePanel } from './compare-panel';
import { BoardDate } from '../board/board-date';
import { CountRiver } from './count-river';
import { DeliveriesPanel } from './deliveries-panel';
import { GangComposer } from './gang-composer';
import { VersionsPanel } from './versions-panel';
import { FindingMark } from './finding-mark';
import { FloorPanel } from './floor-panel';
import { foldableParts } from './foldable-parts';
import { FoldUp } from './fold-up';
import { GatesPanel } from './gates-panel';
import { ToolsPanel } from './tools-panel';
import { HistoryPanel } from './history-panel';
import { PlansPanel } from './plans-panel';
import { Findings } from './findings';
import { isLocked, JobActions, jobFeature, type ReleaseAsk } from './job.feature';
import { JobFile } from './job-file';
import { LayoutSearch } from './layout-search';
import { ReleaseDialog, type ReleaseData } from './release-dialog';
import { NewerSettings } from './newer-settings';
import { SectionSheets, sheetsOf } from './section-sheets';
import { RouteBars } from './route-bars';
import { RiskPanel } from './risk-panel';
import { StonePanel } from './stone-panel';
import { Working } from './working';

const FOOT: TotalKey[] = [
  'sheets',
  'metres',
  'plates',
  'inkKg',
  'machineS',
  'waitS',
  'money',
  'perThousand',
  'runOn',
  'wasteKg',
  'readyAt',
];

type View = 'stone' | 'fold' | 'sections' | 'gang' | 'floor' | 'risk' | 'route' | 'plans' | 'gates' | 'deliveries' | 'history' | 'compare';
const VIEWS: { id: View; says: string }[] = [
  { id: 'fold', says: say('jobPage.foldUp') },
  { id: 'sections', says: say('jobPage.sections') },
  { id: 'gang', says: say('jobPage.gang') },
  { id: 'floor', says: say('jobPage.floor') },
  { id: 'risk', says: say('jobPage.risk') },
  { id: 'route', says: say('jobPage.when') },
  { id: 'plans', says: say('jobPage.plans') },
  { id: 'gates', says: say('jobPage.gates') },
  { id: 'deliveries', says: say('jobPage.deliveries') },
  { id: 'history', says: say('jobPage.history') },
  { id: 'compare', says: say('jobPage.compareStocksAndPresses') },
];

/** One job: header, count river, the chosen stone with drawing, settings, findings and workings, totals at the foot. There is no save button. */
@Component({
  selector: 'dk-job-page',
  imports: [
    RouterLink,
    MatDialogModule,
    MatMenuModule,
    BoardDate,
    CountRiver,
    DeliveriesPanel,
    GangComposer,
    VersionsPanel,
    FloorPanel,
    FoldUp,
    GatesPanel,
    ToolsPanel,
    HistoryPanel,
    JobFile,
    PlansPanel,
    RiskPanel,
    StonePanel,
    FindingMark,
    Findings,
    Working,
    Drawing,
    ProductForm,
    RouteBars,
    SectionSheets,
    ComparePanel,
    EditValue,
    FigureValue,
    LayoutSearch,
    NewerSettings,
    MatButton,
    MatTabNavPanel,
    Views,
  ],
  providers: [Planner, Searcher],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job-page.html',
  styleUrl: './job-page.scss',
})
export class JobPage implements OnDestroy {
  protected readonly say = say;
  readonly id = input.required<string>();
  /** View and stone as the address names them: each can be sent to somebody, and Back leads from one to the one before. */
  readonly view = input<string>();
  readonly stone = input<string>();
  private readonly typing = inject(Typing);
  private readonly store = inject(Store);
  private readonly units = inject(Units);
  private readonly dialog = inject(MatDialog);
  protected readonly planner = inject(Planner);
  protected readonly searcher = inject(Searcher);
  protected readonly job = this.store.selectSignal(jobFeature.selectJob);
  protected readonly spec = this.store.selectSignal(jobFeature.selectSpec);
  protected readonly plant = this.store.selectSignal(jobFeature.selectPlant);
  protected readonly call = this.store.selectSignal(jobFeature.selectCall);
  private readonly askedStone = this.store.selectSignal(jobFeature.selectStone);
  /** The stone that is looked at; the product where the river has none such any more, or an address names one that never was. */
  protected readonly stoneId = computed(() => {
    const [id, stones] = [this.askedStone(), this.planner.planning()?.plan.stones];
    return !stones || stones.some((s) => s.id === id) ? id : 'product';
  });
  /** It makes cylinders or embossing rollers. */
  protected readonly hasRollers = computed(() => Object.values(this.planner.planning()?.plan.parts ?? {}).some((p) => p.traits?.roller));
  protected readonly figureId = this.store.selectSignal(jobFeature.selectFigure);
  protected readonly refused = this.store.selectSignal(jobFeature.selectRefused);
  protected readonly stale = this.store.selectSignal(jobFeature.selectStale);
  protected readonly newer = this.store.selectSignal(jobFeature.selectNewer);
  protected readonly taking = this.store.selectSignal(jobFeature.selectTaking);
  private readonly save = this.store.selectSignal(jobFeature.selectSave);
  private readonly releaseCall = this.store.selectSignal(jobFeature.selectRelease);
  protected readonly undoable = computed(() => this.store.selectSignal(jobFeature.selectUndo)().length > 0);
  protected readonly redoable = computed(() => this.store.selectSignal(jobFeature.selectRedo)().length > 0);
  private readonly me = this.store.selectSignal(sessionFeature.selectMe);
  protected readonly asList = signal(false);
  protected readonly askedFinding = signal<string | null>(null);
  protected readonly shown = linkedSignal((): View => VIEWS.find((v) => v.id === this.view())?.id ?? 'stone');
  /** The product, the stone that is looked at, and all else there is to see of a job, each at its address. */
  protected readonly views = computed((): Shown[] => [
    { id: 'product', says: say('jobPage.product'), query: { view: null, stone: null } },
    ...(this.stoneId() === 'product' ? [] : [{ id: 'stone', says: this.stoneName(), query: { view: null, stone: this.stoneId() } }]),
    ...VIEWS.filter((v) => this.isThere(v.id)).map((v) => ({
      ...v,
      query: { view: v.id },
      ...(v.id === 'gates' && { waits: this.gatesShut() }),
    })),
  ]);
  /** Views that only some jobs have: a blank that folds up, sections on sheets, orders that share sheets. */
  private isThere(view: View): boolean {
    if (view === 'fold') return this.foldable().length > 0;
    if (view === 'sections') return sheetsOf(this.planning()?.plan ?? null).length > 0;
    return view !== 'gang' || this.ganging();
  }
  /** Blanks that fold up, each as its product calls it. */
  protected readonly foldable = computed(() => foldableParts(this.planning()?.plan ?? null));
  /** Whether orders of the job share sheets, or could. */
  protected readonly ganging = computed(() => {
    const [plan, spec] = [this.planning()?.plan, this.spec()];
    return plan !== undefined && spec !== null && mayGang(plan, spec);
  });
  /** Gates of the job that nobody has opened. */
  private readonly gatesShut = computed(
    () => this.planning()?.plan.findings.filter((f) => f.code === 'gate.waiting' || f.code === 'gate.refused').length ?? 0,
  );
  protected readonly here = computed(() => (this.shown() !== 'stone' ? this.shown() : this.stoneId() === 'product' ? 'product' : 'stone'));
  private readonly server = inject(Server);
  private readonly router = inject(Router);
  protected readonly deskFailure = signal<Failure | null>(null);

  protected readonly failure = computed(() => {
    const c = this.call();
    return typeof c === 'object' ? c.failure : null;
  });
  protected readonly locked = computed(() => isLocked(this.job()?.state ?? 'draft') || !this.plans());
  /** Whether this person plans. */
  protected readonly plans = computed(() => this.me()?.roles.includes('planner') ?? false);
  protected readonly mayAnswer = computed(() => (this.me()?.roles ?? []).some((r) => r !== 'admin') && this.job()?.state !== 'delivered');
  protected readonly wrong = computed(() => Object.keys(this.refused()).length > 0);
  protected readonly planning = this.planner.planning;
  protected readonly place = computed((): Place => ({
    timeZone: this.plant()?.timeZone ?? 'UTC',
    currency: this.plant()?.currency ?? 'EUR',
    units: this.units.system(),
  }));
  protected readonly who = computed(() => this.me()?.fullName ?? '');
  /** Passes that print, for their ink zones; the first ink somebody mixes, for the kitchen. */
  protected readonly printed = computed(() =>
    (this.planning()?.plan.stones ?? []).flatMap((s) =>
      s.steps
        .filter((step) => this.planning()?.plan.steps[step]?.inks)
        .map((step) => ({ step, says: `${stoneName(s)} ${step.slice(s.id.length + 1)}`.trim() })),
    ),
  );
  protected readonly mixed = computed(
    () =>
      Object.values(this.planning()?.plan.steps ?? {})
        .flatMap((s) => s.inks ?? [])
        .find(isMixedInk) ?? null,
  );
  protected readonly chosenStone = computed(() => this.planning()?.plan.stones.find((s) => s.id === this.stoneId()) ?? null);
  /** Of a stone that runs several forms or versions: the one that is looked at. */
  protected readonly chosenRun = signal<string | null>(null);
  protected readonly shownRun = computed(() => {
    const runs = this.chosenStone()?.runs ?? [];
    return (runs.find((r) => r.id === this.chosenRun()) ?? runs[0])?.id ?? null;
  });
  private readonly drawn = computed(() => (this.stoneId() === 'product' ? null : (this.shownRun() ?? this.stoneId())));
  /** The form whose sheet is drawn: a layout is searched for at the first stone that works on it. */
  protected readonly searchPart = computed(() => {
    const [s, p] = [this.chosenStone(), this.planning()?.plan];
    if (!s || !p) return null;
    const form = Object.values(p.forms).find((f) => f.question !== '' && f.parts.some((part) => s.parts.includes(part)));
    const first = form && p.stones.find((x) => x.parts.some((part) => form.parts.includes(part)));
    return form && first?.id === s.id ? form.id : null;
  });
  protected readonly drawingTitle = computed(() => {
    const title = this.planner.scene()?.title;
    return title === undefined ? '' : label(`drawing.${title}`);
  });
  protected readonly stoneName = computed(() => {
    const s = this.chosenStone();
    return s ? stoneName(s) : '';
  });
  protected readonly item = computed(() => {
    const first = Object.entries(this.spec()?.items ?? {})[0];
    return first
      ? {
          id: first[0],
          item: first[1],
          quantity: orderedQuantity(first[1]),
          version: Object.keys(first[1].versions)[0] ?? 'only',
          // Several items, versions or deliveries are edited under Deliveries, where they stand side by side.
          several: Object.keys(this.spec()?.items ?? {}).length > 1 || Object.keys(first[1].versions).length > 1,
        }
      : null;
  });
  protected readonly pieces = computed(() => {
    const made = Object.values(this.spec()?.products ?? {}).find((p) => p.kind === 'made');
    return made?.kind === 'made' ? familyOf(made.family).words.pieces : 'pieces';
  });
  /** The share of jobs the works wishes to come out, where a job wishes nothing. */
  protected readonly usualWish = computed(() => {
    const plant = this.plant();
    return plant ? practiceValue(plant, 'risk.wish') : PRACTICE_DEFAULTS['risk.wish'].value;
  });
  protected readonly due = computed(() => this.item()?.item.deliveries[0]?.by ?? '');
  protected readonly chance = computed(() => {
    const p = this.planning()?.plan;
    const f = p?.figures[p.totals.chance ?? ''];
    return f ? Math.round(f.value * 100) : null;
  });
  protected readonly wishSays = computed(() => formatNumber((this.spec()?.choices.certainty ?? this.usualWish()) * 100, 1));
  protected readonly foot = computed(() => {
    const p = this.planning()?.plan;
    return p
      ? FOOT.flatMap((k) => {
          const id = p.totals[k];
          return id === undefined ? [] : [{ key: k, id, figure: p.figures[id], says: label(`total.${k}`) }];
        })
      : [];
  });
  private readonly pending = this.store.selectSignal(jobFeature.selectPending);
  protected readonly unsaved = computed(() => this.pending().length > 0);
  protected readonly hasTools = computed(() => Object.keys(this.planning()?.plan.tools ?? {}).length > 0);
  protected readonly saveSays = computed(() => {
    const s = this.save();
    return isLocked(this.job()?.state ?? 'draft')
      ? say('jobPage.released2')
      : typeof s === 'object'
        ? say('jobPage.keptHereNotSaved')
        : { saved: say('jobPage.saved'), saving: say('jobPage.saving'), kept: say('jobPage.keptHere') }[s];
  });
  protected readonly saveFailure = computed(() => {
    const s = this.save();
    return typeof s === 'object' ? s.failure : null;
  });
  protected readonly releaseFailure = computed(() => {
    const r = this.releaseCall();
    return typeof r === 'object' ? r.failure : null;
  });
  protected readonly staleRows = computed(() =>
    (this.stale()?.stale?.edits ?? []).map((e) => {
      const edit = e as Edit;
      const mine = this.pending().find((p) => p.at.join('.') === edit.at.join('.'));
      const [spec, plant] = [this.spec(), this.plant()];
      if (!spec || !plant) return { place: '', theirs: '', mine: '' };
      const said = editSays(edit, spec, plant);
      return { place: said.place, theirs: said.now, mine: mine ? editSays(mine, spec, plant).now : '' };
    }),
  );

  /** What others changed meanwhile, in words. */
  protected readonly news = computed(() => {
    const [spec, plant] = [this.spec(), this.plant()];
    if (!spec || !plant) return [];
    return this.store
      .selectSignal(jobFeature.selectNews)()
      .map((n) => ({
        by: n.by,
        says: n.edits
          .slice(0, 4)
          .map((e) => editSays(e, spec, plant))
          .map((e) => `${e.place}: ${e.was} → ${e.now}`)
          .join(' · '),
        more: Math.max(n.edits.length - 4, 0),
      }));
  });

  constructor() {
    effect(() => {
      this.store.dispatch(JobActions.opened({ id: this.id() }));
    });
    effect(() => {
      const stone = this.stone() ?? 'product';
      if (stone !== untracked(this.askedStone)) this.store.dispatch(JobActions.stoneChosen({ stone }));
    });
    const planned = computed(() => this.planning() !== null);
    effect(() => {
      const compares = planned() && this.shown() === 'compare';
      untracked(() => {
        if (compares) this.planner.compare();
        else this.planner.cancelCompare();
      });
    });
    pageTitle(() => say('app.titleOfJob', this.job()?.number ?? '…', this.spec()?.name ?? ''));
    effect(() => {
      const [spec, plant, job] = [this.spec(), this.plant(), this.job()];
      if (spec && plant && job) this.planner.plan(spec, plant, job.shelf);
    });
    effect(() => {
      if (this.shown() === 'risk' && this.planning()) this.planner.askRisk(untracked(() => this.item()?.id ?? ''));
    });
    effect(() => {
      const newer = this.newer();
      if (newer && this.planning()) this.planner.askMoved(newer);
    });
    effect(() => {
      this.planner.choose(this.drawn());
    });
    inject(Shortcuts).use([
      {
        keys: '$mod+z',
        shown: 'Ctrl Z',
        says: say('jobPage.undo2'),
        run: () => {
          this.undo();
        },
      },
      {
        keys: '$mod+Shift+z',
        shown: 'Ctrl Shift Z',
        says: say('jobPage.redo'),
        run: () => {
          this.redo();
        },
      },
      {
        keys: '[',
        shown: '[',
        says: say('jobPage.stoneBefore'),
        run: () => {
          this.walk(-1);
        },
      },
      {
        keys: ']',
        shown: ']',
        says: say('jobPage.nextStone'),
        run: () => {
          this.walk(1);
        },
      },
      {
        keys: 'p',
        shown: 'P',
        says: say('jobPage.theProduct'),
        run: () => {
          this.chooseStone('product');
        },
      },
      {
        keys: 'l',
        shown: 'L',
        says: say('jobPage.riverAsAListAnd'),
        run: () => {
          this.asList.update((on) => !on);
        },
      },
      {
        keys: 'g',
        shown: 'G',
        says: say('jobPage.whenEachStepRuns2'),
        run: () => {
          this.show('route');
        },
      },
      {
        keys: 'c',
        shown: 'C',
        says: say('jobPage.compareStocksAndPresses2'),
        run: () => {
          this.show('compare');
        },
      },
      {
        keys: 'Escape',
        shown: 'Esc',
        says: say('jobPage.closeTheWorking'),
        run: () => {
          this.explain(null);
        },
      },
    ]);
  }

  ngOnDestroy(): void {
    this.planner.stop();
    this.store.dispatch(JobActions.closed());
  }

  protected edit(edits: Edit[]): void {
    if (!this.locked()) this.store.dispatch(JobActions.edited({ edits, at: Date.now(), field: this.typing.field }));
  }
  protected setQuantity(value: unknown): void {
    const [spec, i] = [this.spec(), this.item()];
    if (spec && i && typeof value === 'number')
      this.edit([editAt(spec, ['items', i.id, 'versions', i.version, 'quantity'], value), ...this.shareEdits(value)]);
  }
  protected setDue(value: unknown): void {
    const [spec, i] = [this.spec(), this.item()];
    if (spec && i && typeof value === 'string')
      this.edit([
        editAt(
          spec,
          ['items', i.id, 'deliveries'],
          i.item.deliveries.map((d, n) => (n === 0 ? { ...d, by: value.slice(0, 16) } : d)),
        ),
      ]);
  }
  protected setOvers(value: unknown): void {
    const [spec, i] = [this.spec(), this.item()];
    if (spec && i && typeof value === 'number') this.edit([editAt(spec, ['items', i.id, 'overs', 'overPpm'], value)]);
  }
  protected setTitle(value: unknown): void {
    const spec = this.spec();
    if (spec && typeof value === 'string') this.edit([editAt(spec, ['name'], value)]);
  }
  protected override(id: string, override: Override | null): void {
    const spec = this.spec();
    if (spec) this.edit([editAt(spec, ['overrides', id], override ?? undefined)]);
  }
  protected take(edits: Edit[]): void {
    this.edit(edits);
    this.show('compare');
  }
  protected searchLayout(part: string): void {
    const [spec, plant, job] = [this.spec(), this.plant(), this.job()];
    const first = this.planning()?.plan.stones.find((s) => s.parts[0] === part);
    if (!spec || !plant || !job || this.locked()) return;
    if (this.save() !== 'saved') {
      this.deskFailure.set({ status: 0, title: say('jobPage.searchWhenSaved') });
      return;
    }
    this.searcher.layout(job.id, job.version, part);
    if (first) this.chooseStone(first.id);
  }
  protected takeLayout(edits: Edit[]): void {
    this.edit(edits);
    this.searcher.cancel();
  }
  protected chooseStone(stone: string, by: 'hand' | 'walk' = 'hand'): void {
    this.shown.set('stone');
    this.store.dispatch(JobActions.stoneChosen({ stone }));
    this.address({ view: null, stone: stone === 'product' ? null : stone }, by === 'walk');
  }
  /** Writes what is looked at into the address; who walks along the river leaves no trail of stones behind. */
  private address(queryParams: { view: View | null; stone?: string | null }, replaceUrl = false): void {
    void this.router.navigate(['/jobs', this.id()], { queryParams, queryParamsHandling: 'merge', replaceUrl });
  }
  protected explain(figure: string | null): void {
    this.store.dispatch(JobActions.figureAsked({ figure }));
  }
  protected openFinding(key: string): void {
    this.explain(null);
    this.askedFinding.set(key);
  }
  protected undo(): void {
    this.store.dispatch(JobActions.undoAsked());
  }
  protected redo(): void {
    this.store.dispatch(JobActions.redoAsked());
  }
  protected again(): void {
    this.store.dispatch(JobActions.opened({ id: this.id() }));
  }
  protected takeSettings(): void {
    this.store.dispatch(JobActions.newSettingsTaken());
  }
  protected trySave(): void {
    this.store.dispatch(JobActions.saveTriedAgain());
  }
  protected keepMine(): void {
    this.store.dispatch(JobActions.mineKept());
  }
  protected takeTheirs(): void {
    this.store.dispatch(JobActions.theirsTaken());
  }
  protected total = (id: string): string => {
    const f = this.planning()?.plan.figures[id];
    return f ? formatFigure(f.value, f.unit, this.place()).number : '';
  };

  protected release(): void {
    const [plan, spec, plant, job] = [this.planning()?.plan, this.spec(), this.plant(), this.job()];
    if (!plan || !spec || !plant || !job) return;
    const data: ReleaseData = {
      findings: () => this.planning()?.plan.findings ?? [],
      decided: Object.keys(spec.decisions).filter((k) => plan.findings.some((f) => findingKey(f) === k)),
      things: earlyThings(plan, plant),
      early: job.releases.flatMap((r) => r.scope ?? []),
      revising: job.state === 'revising',
    };
    this.dialog
      .open<ReleaseDialog, ReleaseData, ReleaseAsk>(ReleaseDialog, { width: '600px', data })
      .afterClosed()
      .subscribe((ask) => {
        if (ask) this.store.dispatch(JobActions.releaseAsked({ ask }));
      });
  }

  protected show(view: View): void {
    this.shown.update((v) => (v === view ? 'stone' : view));
    this.address({ view: this.shown() === 'stone' ? null : this.shown() });
  }
  protected openAgain(): void {
    const id = this.job()?.id;
    if (id !== undefined) this.store.dispatch(JobActions.opened({ id }));
  }
  protected readAgain(): void {
    this.store.dispatch(JobActions.readAgainAsked());
  }
  protected newsRead(): void {
    this.store.dispatch(JobActions.newsRead());
  }
  protected revise(): void {
    this.asked(
      { title: say('jobPage.reviseTheJob'), says: say('jobPage.whatIsReleasedStaysInForce'), button: say('jobPage.revise') },
      (reason, version) => this.server.send('jobs.revise', { params: { id: this.id() }, body: { version, reason } }),
    );
  }
  protected withdraw(): void {
    this.asked(
      { title: say('jobPage.giveTheRevisionUp'), says: say('jobPage.theReleasedPlanComesBack'), button: say('jobPage.giveItUp') },
      (reason, version) => this.server.send('jobs.withdraw', { params: { id: this.id() }, body: { version, reason } }),
    );
  }
  protected deliver(back: boolean): void {
    const ask = back
      ? { title: say('jobPage.notDeliveredAfterAll'), says: say('jobPage.itComesBackInHand'), button: say('jobPage.takeItBack') }
      : {
          title: say('jobPage.markAsDelivered'),
          says: say('jobPage.itLeavesTheOrdersInHand'),
          button: say('jobPage.delivered'),
          label: say('jobPage.note'),
          least: 0,
        };
    this.asked(ask, (note, version) => this.server.send('jobs.deliver', { params: { id: this.id() }, body: { version, back, note } }));
  }
  /** Keeps a compared way as another plan of the job. */
  protected keepAsPlan({ name, edits }: { name: string; edits: Edit[] }): void {
    this.server
      .send('jobs.duplicate', { params: { id: this.id() }, body: { id: crypto.randomUUID(), name: name.slice(0, 80), edits } })
      .subscribe({
        next: () => {
          this.planner.cancelCompare();
          this.shown.set('plans');
          this.address({ view: 'plans' });
        },
        error: (f: Failure) => {
          this.deskFailure.set(f);
        },
      });
  }
  private asked(data: ReasonAsk, call: (reason: string, version: number) => Observable<unknown>): void {
    askReason(this.dialog, data).subscribe((reason) => {
      const version = this.job()?.version;
      if (version === undefined) return;
      call(reason, version).subscribe({
        next: () => {
          this.deskFailure.set(null);
          this.readAgain();
        },
        error: (f: Failure) => {
          this.deskFailure.set(f);
        },
      });
    });
  }
  protected sameAgain(): void {
    void this.router.navigate(['/orders/new'], { queryParams: { again: this.job()?.alternativeOf ?? this.id() } });
  }

  /** With one delivery its share follows the quantity; with several a finding says what is missing. */
  private shareEdits(quantity: number): Edit[] {
    const [spec, i] = [this.spec(), this.item()];
    return spec && i?.item.deliveries.length === 1
      ? [
          editAt(
            spec,
            ['items', i.id, 'deliveries'],
            i.item.deliveries.map((d) => ({ ...d, share: { [i.version]: quantity } })),
          ),
        ]
      : [];
  }

  private walk(by: number): void {
    const ids = ['product', ...(this.planning()?.plan.stones.map((s) => s.id) ?? [])];
    const next = ids[Math.min(Math.max(ids.indexOf(this.stoneId()) + by, 0), ids.length - 1)];
    if (next !== undefined) this.chooseStone(next, 'walk');
  }
}
