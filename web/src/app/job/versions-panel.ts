import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import {
  type Edit,
  editAt,
  formatDuration,
  formatMoney,
  formatNumber,
  type JobSpec,
  type Place,
  type Plan,
  type ProductVersions,
  productVersions,
  say,
  type VersionRow,
} from '@druckerei/core';
import { EditValue } from '../shared/edit-value';

/** The versions of a product: how many of each, which inks have plates of their own in it, in which order they run and what that costs. */
@Component({
  selector: 'dk-versions-panel',
  imports: [EditValue, MatButton, MatCheckbox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (p of products(); track p.product) {
    <section [attr.aria-label]="say('versionsPanel.title')">
      <h2>{{ say('versionsPanel.title') }}</h2>
      <table class="lines">
        <thead>
          <tr>
            <th>{{ say('versionsPanel.runs') }}</th>
            <th>{{ say('versionsPanel.version') }}</th>
            <th class="number">{{ say('versionsPanel.pieces') }}</th>
            <th>{{ say('versionsPanel.changes') }}</th>
            <th class="number">{{ say('versionsPanel.setupSheets') }}</th>
            <th class="number">{{ say('versionsPanel.setupTime') }}</th>
            <th class="number">{{ say('versionsPanel.setupCost') }}</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          @for (v of p.versions; track v.id; let i = $index; let last = $last) {
            <tr>
              <td class="order">
                {{ i + 1 }}
                @if (!locked()) {
                  <button
                    type="button"
                    matButton
                    [disabled]="i === 0"
                    [attr.aria-label]="say('versionsPanel.earlier', v.name)"
                    (click)="move(p, i, -1)"
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    matButton
                    [disabled]="last"
                    [attr.aria-label]="say('versionsPanel.later', v.name)"
                    (click)="move(p, i, 1)"
                  >
                    ↓
                  </button>
                }
              </td>
              <td>
                <dk-edit-value
                  [label]="say('versionsPanel.nameOf', v.name)"
                  kind="text"
                  [value]="v.name"
                  [locked]="locked()"
                  (changed)="rename(p, v, $event)"
                />
              </td>
              <td class="number">{{ n(v.quantity) }}</td>
              <td>
                @for (ink of p.inks; track ink) {
                  <mat-checkbox
                    [checked]="v.changes.includes(ink)"
                    [disabled]="locked()"
                    [aria-label]="say('versionsPanel.ownPlate', v.name, ink)"
                    (change)="setChange(p, v, ink, $event.checked)"
                    >{{ ink }}</mat-checkbox
                  >
                }
              </td>
              <td class="number">{{ n(v.setupCycles) }}</td>
              <td class="number">{{ duration(v.setupS) }}</td>
              <td class="number">{{ money(v.setupCost) }}</td>
              <td>
                @if (!locked()) {
                  <button type="button" matButton [attr.aria-label]="say('versionsPanel.takeAwayOf', v.name)" (click)="remove(p, v)">
                    {{ say('versionsPanel.takeAway') }}
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
      <p>
        {{ say(p.changes === 1 ? 'versionsPanel.oneChange' : 'versionsPanel.plateChanges', n(p.changes)) }}
        @if (p.better; as b) {
          @if (!locked()) {
            <button matButton="outlined" type="button" (click)="order(p, b.order)">
              {{ say('versionsPanel.runInstead', names(p, b.order), n(b.changes)) }}
            </button>
          }
        }
      </p>
      <p class="soft">{{ say('versionsPanel.clearance') }}</p>
    </section>
  }`,
  styles: `
    .order {
      white-space: nowrap;
    }
  `,
})
export class VersionsPanel {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  readonly spec = input.required<JobSpec>();
  readonly place = input.required<Place>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  protected readonly products = computed(() => productVersions(this.plan(), this.spec()));
  protected readonly n = (value: number): string => formatNumber(value, 0);
  protected readonly duration = formatDuration;
  protected readonly money = (value: number): string => formatMoney(value, this.place());

  protected names = (p: ProductVersions, order: readonly string[]): string =>
    order.map((id) => p.versions.find((v) => v.id === id)?.name ?? id).join(', ');
  protected order(p: ProductVersions, order: readonly string[]): void {
    this.edits.emit([editAt(this.spec(), ['choices', 'versions', p.product], [...order])]);
  }
  protected move(p: ProductVersions, at: number, by: -1 | 1): void {
    const order = p.versions.map((v) => v.id);
    const [moved = ''] = order.splice(at, 1);
    order.splice(at + by, 0, moved);
    this.order(p, order);
  }
  /** A version is the same in every order that wants the product. */
  private ofEach(p: ProductVersions, v: VersionRow, key: string, value: unknown): Edit[] {
    return p.items
      .filter((item) => this.spec().items[item]?.versions[v.id])
      .map((item) => editAt(this.spec(), ['items', item, 'versions', v.id, key], value));
  }
  protected rename(p: ProductVersions, v: VersionRow, name: unknown): void {
    if (typeof name === 'string') this.edits.emit(this.ofEach(p, v, 'name', name));
  }
  protected setChange(p: ProductVersions, v: VersionRow, ink: string, own: boolean): void {
    const changes = own ? [...v.changes, ink] : v.changes.filter((i) => i !== ink);
    this.edits.emit(this.ofEach(p, v, 'changes', changes));
  }
  /** What was to be delivered of it goes with it. */
  protected remove(p: ProductVersions, v: VersionRow): void {
    this.edits.emit(
      p.items.flatMap((item) => {
        const of = this.spec().items[item];
        if (!of?.versions[v.id]) return [];
        const { [v.id]: _, ...versions } = of.versions;
        const deliveries = of.deliveries.map(({ share: { [v.id]: _gone, ...share }, ...d }) => ({ ...d, share }));
        return [editAt(this.spec(), ['items', item, 'versions'], versions), editAt(this.spec(), ['items', item, 'deliveries'], deliveries)];
      }),
    );
  }
}
