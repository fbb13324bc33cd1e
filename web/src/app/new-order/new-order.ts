import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  type OnDestroy,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { Store } from '@ngrx/store';
import { catchError, map, of, switchMap } from 'rxjs';
import type { Customer } from '@druckerei/contract';
import {
  applyEdits,
  editAt,
  type Edit,
  type FamilyId,
  familyOf,
  formatFigure,
  type JobSpec,
  JobSpecSchema,
  label,
  FAMILIES,
  NO_CHOICES,
  NOT_MADE_YET,
  type Plant,
  type Shelf,
  type Place,
  say,
} from '@druckerei/core';
import { BoardDate } from '../board/board-date';
import { CountRiver } from '../job/count-river';
import { Findings } from '../job/findings';
import { Planner } from '../planner/planner';
import { StartFrom } from './start-from';
import { ProductForm } from '../product/product-form';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { EditValue } from '../shared/edit-value';
import { PlanContext } from '../shared/plan-context';
import { Shortcuts } from '../shared/shortcuts';
import { Units } from '../shared/units';
import { SessionActions } from '../session/session.feature';
import { PictureFields } from '../shared/picture-fields';
import { Suggest } from '../shared/suggest';

const NEW_NAME = say('newOrder.newOrder2');
const KEPT = 'druckerei.new-order';
const DAY_MS = 86_400_000;
const FAMILY_IDS = Object.keys(FAMILIES) as FamilyId[];

/** A fresh specification of a family: its starting wish, a quantity, a date in two weeks. */
export function freshSpec(family: FamilyId, now: Date): JobSpec {
  const by = `${new Date(now.getTime() + 14 * DAY_MS).toISOString().slice(0, 10)}T12:00`;
  return JobSpecSchema.parse({
    schema: 1,
    name: NEW_NAME,
    choices: NO_CHOICES,
    overrides: {},
    decisions: {},
    items: {
      i1: {
        orderLine: null,
        product: familyOf(family).product,
        versions: { only: { name: 'only', quantity: 5000, changes: [] } },
        deliveries: [{ by, share: { only: 5000 }, to: '' }],
        overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
        pieces: 'alike',
        balanced: false,
      },
    },
    products: { [familyOf(family).product]: { kind: 'made', family, wish: familyOf(family).starts } },
  });
}

/** Taking in an order: a picture of the product with its sizes, quantity, date and customer; the river grows under them while typing. What is typed stays in this browser until the order is entered. */
@Component({
  selector: 'dk-new-order',
  imports: [BoardDate, RouterLink, ProductForm, StartFrom, CountRiver, Findings, EditValue, PictureFields, Suggest, MatButton, MatTooltip],
  providers: [Planner],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-order.html',
  styleUrl: './new-order.scss',
})
export class NewOrder implements OnDestroy {
  protected readonly say = say;
  /** The job this order repeats, from the address. */
  readonly again = input<string>();
  protected readonly starting = signal(false);
  private readonly startFrom = viewChild(StartFrom);
  private readonly server = inject(Server);
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly units = inject(Units);
  private readonly plants = inject(PlanContext);
  protected readonly planner = inject(Planner);
  protected readonly families = FAMILY_IDS.map((id) => {
    const { words, picture, starts } = familyOf(id);
    return { id, words, picture: picture(starts, {}) };
  });
  protected readonly notMade = NOT_MADE_YET.map((line) => label(`line.${line}`)).join(', ');
  private readonly kept = this.keptSpec();
  /** What is to be made is chosen first; an order that was left half typed goes on where it was. */
  protected readonly picking = signal(this.kept === null);
  protected readonly spec = signal(this.kept ?? freshSpec('folded-card', new Date()));
  protected readonly customer = signal('');
  protected readonly newName = signal('');
  protected readonly refused = signal<Record<string, string>>({});
  protected readonly sending = signal(false);
  protected readonly failure = signal<Failure | null>(null);
  private readonly orderId = crypto.randomUUID();
  private readonly context = toSignal(
    this.plants.current().pipe(
      switchMap(({ hash, shelf }) => this.plants.plant(hash).pipe(map((plant): { plant: Plant; shelf: Shelf } => ({ plant, shelf })))),
      catchError((f: Failure) => {
        this.fail(f);
        return of(null);
      }),
    ),
    { initialValue: null },
  );
  protected readonly customers = signal<Customer[]>([]);
  protected readonly plant = computed(() => this.context()?.plant ?? null);
  protected readonly place = computed((): Place => ({
    timeZone: this.plant()?.timeZone ?? 'UTC',
    currency: this.plant()?.currency ?? 'EUR',
    units: this.units.system(),
  }));
  protected readonly known = computed(() => this.customers().map(({ id, name, address }) => ({ value: id, says: name, more: address })));
  /** Where orders went before, the customer's own first. */
  protected readonly addresses = computed(() => {
    const own = this.customers().filter((c) => c.id === this.customer());
    const all = [...own, ...this.customers()].map((c) => c.address).filter((address) => address !== '');
    return [...new Set(all)].map((address) => ({ value: address, says: address }));
  });
  protected readonly planning = this.planner.planning;
  protected readonly item = computed(() => Object.entries(this.spec().items)[0]);
  private readonly itemId = computed(() => this.item()?.[0] ?? 'i1');
  private readonly versionId = computed(() => Object.keys(this.item()?.[1].versions ?? {})[0] ?? 'only');
  protected readonly quantity = computed(() => String(Object.values(this.item()?.[1].versions ?? {})[0]?.quantity ?? ''));
  protected readonly delivery = computed(() => this.item()?.[1].deliveries[0]);
  protected readonly missing = computed(() =>
    this.spec().name.trim() === '' || this.spec().name === NEW_NAME
      ? say('newOrder.nameTheProduct')
      : this.customer() === '' && this.newName().trim() === ''
        ? say('newOrder.chooseTheCustomer')
        : (Object.values(this.refused())[0] ?? ''),
  );

  protected readonly wrong = computed(() => Object.keys(this.refused()).length > 0);
  protected readonly says = (key: string): string => label(`total.${key}`);
  protected readonly shown = (id: string): string => {
    const f = this.planning()?.plan.figures[id];
    const s = f ? formatFigure(f.value, f.unit, this.place()) : null;
    return s ? `${s.number} ${s.unit}` : '';
  };

  constructor() {
    this.server.send('customers.list', {}).subscribe({
      next: (list) => {
        this.customers.set(list);
      },
      error: (f: Failure) => {
        this.fail(f);
      },
    });
    effect(() => {
      const c = this.context();
      if (c) this.planner.plan(this.spec(), c.plant, c.shelf);
    });
    effect(() => {
      const typed = JSON.stringify(this.spec());
      if (!this.picking()) localStorage.setItem(KEPT, typed);
    });
    afterNextRender(() => {
      const job = this.again();
      if (job === undefined) return;
      this.picking.set(false);
      this.starting.set(true);
      this.startFrom()?.again(job);
    });
    inject(Shortcuts).use([
      {
        keys: '$mod+Enter',
        shown: 'Ctrl Enter',
        says: say('newOrder.enterTheOrder'),
        inFields: true,
        run: () => {
          this.enter();
        },
      },
    ]);
  }

  ngOnDestroy(): void {
    this.planner.stop();
  }

  protected edit(edits: Edit[]): void {
    const applied = applyEdits(this.spec(), edits);
    if (applied.ok) {
      this.spec.set(applied.made);
      this.refused.set({});
    } else this.refused.set(Object.fromEntries(applied.issues.map((i) => [i.path, i.says])));
  }
  protected setName(value: unknown): void {
    if (typeof value === 'string') this.edit([editAt(this.spec(), ['name'], value)]);
  }
  protected setQuantity(value: unknown): void {
    if (typeof value === 'number')
      this.edit([
        editAt(this.spec(), ['items', this.itemId(), 'versions', this.versionId(), 'quantity'], value),
        editAt(this.spec(), ['items', this.itemId(), 'deliveries'], [{ ...this.delivery(), share: { [this.versionId()]: value } }]),
      ]);
  }
  protected setDue(value: unknown): void {
    if (typeof value === 'string')
      this.edit([editAt(this.spec(), ['items', this.itemId(), 'deliveries'], [{ ...this.delivery(), by: value.slice(0, 16) }])]);
  }
  protected setAddress(value: unknown): void {
    this.edit([
      editAt(this.spec(), ['items', this.itemId(), 'deliveries'], [{ ...this.delivery(), to: typeof value === 'string' ? value : '' }]),
    ]);
  }
  protected setOvers(value: unknown): void {
    if (typeof value === 'number') this.edit([editAt(this.spec(), ['items', this.itemId(), 'overs', 'overPpm'], value)]);
  }
  /** One that is known, by id; else the name of a new one. */
  protected pick(who: string): void {
    const known = this.customers().find((c) => c.id === who);
    this.customer.set(known?.id ?? '');
    this.newName.set(known ? '' : who);
    if (known?.address && !this.delivery()?.to) this.setAddress(known.address);
  }
  /** A specification from somewhere else: an old job, a file. */
  protected start({ spec, customer }: { spec: JobSpec; customer: string | null }): void {
    this.picking.set(false);
    this.spec.set(spec);
    this.refused.set({});
    if (customer !== null) this.customer.set(customer);
  }
  /** From the beginning: what is to be made. */
  protected clear(): void {
    localStorage.removeItem(KEPT);
    this.picking.set(true);
  }
  protected fromElsewhere(): void {
    this.picking.set(false);
    this.starting.set(true);
  }
  protected begin(family: FamilyId): void {
    this.spec.set(freshSpec(family, new Date()));
    this.refused.set({});
    this.picking.set(false);
  }
  protected readonly family = computed((): FamilyId => {
    const made = Object.values(this.spec().products).find((p) => p.kind === 'made');
    return made?.kind === 'made' ? made.family : 'folded-card';
  });
  protected readonly familyName = computed(() => familyOf(this.family()).words.name);
  protected readonly why = (path: string): string | null => this.refused()[path] ?? null;

  /** Clicked twice is one order: the id was made when the page opened. */
  protected enter(): void {
    if (this.sending() || this.missing()) return;
    this.sending.set(true);
    this.failure.set(null);
    const name = this.newName().trim();
    const customer = this.customer()
      ? of({ id: this.customer() })
      : this.server.send('customers.create', { body: { id: crypto.randomUUID(), name, address: this.delivery()?.to ?? '' } });
    customer
      .pipe(switchMap(({ id }) => this.server.send('orders.create', { body: { id: this.orderId, customer: id, spec: this.spec() } })))
      .subscribe({
        next: ({ job }) => {
          localStorage.removeItem(KEPT);
          void this.router.navigate(['/jobs', job]);
        },
        error: (f: Failure) => {
          this.sending.set(false);
          this.fail(f);
        },
      });
  }

  private fail(f: Failure): void {
    if (f.status === 401) this.store.dispatch(SessionActions.sessionExpired());
    else this.failure.set(f);
  }

  private keptSpec(): JobSpec | null {
    try {
      const applied = applyEdits(JSON.parse(localStorage.getItem(KEPT) ?? 'null') as JobSpec, []);
      return applied.ok ? applied.made : null;
    } catch {
      return null;
    }
  }
}
