import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { CdkDrag, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import {
  addForm,
  dropForm,
  type Edit,
  formatMoney,
  formatMoment,
  formatNumber,
  freePlaces,
  gangPool,
  type GangKeep,
  type GangMember,
  type GangRow,
  gangRowsOf,
  joinGang,
  keepGang,
  type JobSpec,
  label,
  leaveGang,
  letterOf,
  mayLieWith,
  moveCopy,
  newGang,
  type Place,
  type Plan,
  type Plant,
  practiceTerm,
  say,
  type Scene,
  setCopies,
  setRun,
  type Shelf,
  sheetScene,
  takeApart,
} from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import { GangSolver } from '../planner/gang-solver';
import { mdiMinus, mdiPlus } from '@mdi/js';
import { EditValue } from '../shared/edit-value';
import { Icon } from '../shared/icon';
import { GangKeeps } from './gang-keeps';
import { GangProposal } from './gang-proposal';
import { JobFile } from './job-file';

/** What is dragged: a copy of an order from a form, an order of a gang from its row (no form), or one that is in no gang yet. */
interface Dragged {
  part: string;
  from: number | null;
  gang: string | null;
}
/** Where it may fall: a form of a gang; null: off the forms. */
type Target = { gang: string; form: number } | null;
/** An order as it lies on a form. */
interface LaidOrder {
  part: string;
  product: string;
  letter: string;
  copies: number;
  mayLess: boolean;
  mayMore: boolean;
  dragged: Dragged;
}
interface ShownForm {
  id: string;
  says: string;
  scene: Scene | null;
  placesSay: string;
  sheets: number;
  set: number | null;
  cost: string;
  mayDrop: boolean;
  orders: LaidOrder[];
  target: Target;
}
interface ShownOrder {
  member: GangMember;
  letter: string;
  order: string;
  due: string;
  overPercent: string;
  tooMany: boolean;
  dragged: Dragged;
}
interface ShownGang {
  row: GangRow;
  cost: number;
  forms: ShownForm[];
  orders: ShownOrder[];
  mayAdd: boolean;
}

/** Orders on common forms: which lie together, how many copies of each on which form, what each form runs and costs, and who gets too many; by mouse or by keys. */
@Component({
  selector: 'dk-gang-composer',
  imports: [
    CdkDrag,
    CdkDropList,
    CdkDropListGroup,
    Drawing,
    EditValue,
    GangKeeps,
    GangProposal,
    JobFile,
    MatButton,
    Icon,
    MatCheckbox,
    MatIconButton,
  ],
  providers: [GangSolver],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gang-composer.html',
  styleUrl: './gang-composer.scss',
})
export class GangComposer {
  protected readonly say = say;
  protected readonly label = label;
  readonly plan = input.required<Plan>();
  readonly spec = input.required<JobSpec>();
  readonly plant = input.required<Plant>();
  readonly shelf = input.required<Shelf>();
  readonly place = input.required<Place>();
  /** Whose orders the items are: products alone are often called alike. */
  readonly orders = input<readonly { number: number; item: string }[]>([]);
  readonly job = input.required<string>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  protected readonly solver = inject(GangSolver);
  protected readonly off: Target = null;
  protected readonly minus = mdiMinus;
  protected readonly plus = mdiPlus;

  private readonly rows = computed(() => gangRowsOf(this.plan(), this.spec()));
  protected readonly gangs = computed(() => this.rows().map((row) => this.shown(row)));
  protected readonly pool = computed(() =>
    gangPool(this.plan(), this.spec()).map((kind) => ({
      ...kind,
      orders: kind.orders.map((o) => ({
        ...o,
        order: this.orderOf(o.product),
        due: dueSays(o.due),
        joinable: this.joinable(o.part),
        dragged: { part: o.part, from: null, gang: null } satisfies Dragged,
      })),
    })),
  );
  protected readonly picked = signal<readonly string[]>([]);
  /** What the forms cost before the last change, to say what it did. */
  private readonly before = signal<Readonly<Record<string, number>>>({});

  protected readonly n = (value: number): string => formatNumber(value, 0);
  protected readonly money = (value: number): string => formatMoney(value, this.place());

  private shown(row: GangRow): ShownGang {
    const layout = row.forms.map((f) => this.plan().forms[f.id]?.layout).find((l) => l);
    const letter = (part: string): string => (layout ? letterOf(part, layout) : '');
    return {
      row,
      cost: row.forms.reduce((sum, f) => sum + f.cost, 0),
      mayAdd: addForm(this.spec(), row) !== null,
      forms: row.forms.map((form, at) => ({
        id: form.id,
        says: form.name === '' ? say('gang.theForm') : say('gang.form', form.name),
        scene: this.scene(form.id),
        placesSay:
          row.open === null ? say('gang.copiesOnIt', this.n(form.taken)) : say('gang.placesTaken', this.n(form.taken), this.n(row.open)),
        sheets: form.sheets,
        set: form.set,
        cost: this.money(form.cost),
        mayDrop: dropForm(this.spec(), row, at) !== null,
        target: { gang: row.id, form: at },
        orders: row.members.map((m) => ({
          part: m.part,
          product: m.product,
          letter: letter(m.part),
          copies: m.copies[at] ?? 0,
          mayLess: moveCopy(this.spec(), row, m.part, at, null) !== null,
          mayMore: freePlaces(row, at) >= 1,
          dragged: { part: m.part, from: at, gang: row.id },
        })),
      })),
      orders: row.members.map((member) => ({
        member,
        letter: letter(member.part),
        order: this.orderOf(member.product),
        due: dueSays(member.due),
        overPercent: formatNumber(member.wanted > 0 ? (100 * member.over) / member.wanted : 0, 1),
        tooMany: member.mostOver !== null && member.over > member.mostOver,
        dragged: { part: member.part, from: null, gang: row.id },
      })),
    };
  }
  private scene(form: string): Scene | null {
    const { forms, parts } = this.plan();
    const own = forms[form];
    return (
      (own &&
        sheetScene(
          own.layout,
          own.parts.flatMap((p) => parts[p] ?? []),
          this.plant().stocks[own.stock ?? ''] ?? null,
          own.style,
          practiceTerm(this.plant(), 'layout.colourBarMm'),
        )) ??
      null
    );
  }
  /** Numbers of the orders a product is made for. */
  private orderOf(product: string): string {
    const numbers = this.orders().flatMap((o) => (this.spec().items[o.item]?.product === product ? [o.number] : []));
    return [...new Set(numbers)].join(', ');
  }
  /** What the last change did to the cost of a gang; '' while nothing did. */
  protected moved({ row, cost }: ShownGang): string {
    const by = cost - (this.before()[row.id] ?? cost);
    return Math.abs(by) < 0.005 ? '' : (by > 0 ? '+' : '−') + this.money(Math.abs(by));
  }

  protected pick(part: string, is: boolean): void {
    this.picked.update((all) => (is ? [...all, part] : all.filter((p) => p !== part)));
  }
  protected pickedOf = (orders: readonly { part: string }[]): string[] =>
    orders.map((o) => o.part).filter((p) => this.picked().includes(p));
  protected bringTogether(orders: readonly { part: string }[]): void {
    this.emit(newGang(this.spec(), this.pickedOf(orders)));
    this.picked.set([]);
  }
  /** Gangs a free order may still join. */
  private joinable(part: string): GangRow[] {
    return this.rows().filter((g) => !g.refused && g.members.every((m) => mayLieWith(this.plan(), m.part, part)));
  }
  protected join(gang: GangRow, part: string): void {
    this.emit(joinGang(this.spec(), gang, part));
  }
  protected leave(gang: GangRow, part: string): void {
    this.emit(leaveGang(this.spec(), gang, part));
  }
  protected apart(gang: GangRow): void {
    this.emit(takeApart(this.spec(), gang.id));
  }
  protected less(gang: GangRow, part: string, form: number): void {
    this.emit(moveCopy(this.spec(), gang, part, form, null));
  }
  protected more(gang: GangRow, part: string, form: number): void {
    this.emit(moveCopy(this.spec(), gang, part, null, form));
  }
  protected copies(gang: GangRow, part: string, form: number, typed: unknown): void {
    if (typeof typed === 'number') this.emit(setCopies(this.spec(), gang, part, form, typed));
  }
  protected run(gang: GangRow, form: number, typed: unknown): void {
    this.emit(setRun(this.spec(), gang, form, typeof typed === 'number' && typed > 0 ? typed : null));
  }
  protected anotherForm(gang: GangRow): void {
    this.emit(addForm(this.spec(), gang));
  }
  protected formLess(gang: GangRow, form: number): void {
    this.emit(dropForm(this.spec(), gang, form));
  }

  /** A copy falls on a form, or off all; or an order that lay on none: it joins. */
  protected dropped({ item, container, previousContainer }: CdkDragDrop<Target>): void {
    const [{ part, from, gang }, onto] = [item.data as Dragged, container.data];
    const row = this.rows().find((g) => g.id === (onto?.gang ?? gang));
    if (!row || container === previousContainer) return;
    if (gang === null && onto) {
      if (this.joinable(part).includes(row)) this.emit(joinGang(this.spec(), row, part, onto.form));
    } else if (gang === row.id) this.emit(moveCopy(this.spec(), row, part, from, onto?.form ?? null));
  }

  protected hold(gang: GangRow, keep: GangKeep): void {
    this.emit(keepGang(this.spec(), gang, keep));
  }

  protected solve(gang: GangRow): void {
    this.solver.solve({ spec: this.spec(), plant: this.plant(), shelf: this.shelf(), gang: gang.id });
  }
  protected take(edits: Edit[]): void {
    this.solver.cancel();
    this.emit(...edits);
  }
  private emit(...edits: (Edit | null)[]): void {
    const real = edits.filter((e) => e !== null);
    if (real.length === 0) return;
    this.before.set(Object.fromEntries(this.gangs().map((g) => [g.row.id, g.cost])));
    this.edits.emit(real);
  }
}

/** When an order is due, as the works reads it. */
const dueSays = (due: string | null): string => (due === null ? '–' : formatMoment(Date.parse(`${due}:00Z`) / 1000, 'UTC'));
