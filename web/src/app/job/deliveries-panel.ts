import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import type { Job } from '@druckerei/contract';
import { editAt, type Edit, formatNumber, type Item, type JobSpec, orderedQuantity, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { EditValue } from '../shared/edit-value';
import { Suggest } from '../shared/suggest';

/** Pieces of a version somebody has just asked for. */
const NEW_VERSION = 1_000;

/** What goes where and when: dates, addresses and versions of every order the job works for, and whether they add up; and the way to take another order in. */
@Component({
  selector: 'dk-deliveries-panel',
  imports: [EditValue, Suggest, RouterLink, MatButton, MatCheckbox, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (i of items(); track i.id) {
      <div class="top">
        <h2>
          @if (i.order; as o) {
            <a [routerLink]="['/orders', o.id]">{{ say('deliveriesPanel.orderOf', o.number, o.customer) }}</a>
          } @else {
            {{ say('deliveriesPanel.forTheWorks') }}
          }
        </h2>
        <span class="space"></span>
        <mat-checkbox class="soft" [checked]="i.item.balanced" [disabled]="locked()" (change)="setBalanced(i.id, $event.checked)">{{
          say('deliveriesPanel.balanced')
        }}</mat-checkbox>
        @if (!locked()) {
          <button type="button" matButton (click)="addVersion(i.id, i.item)">{{ say('deliveriesPanel.anotherVersion') }}</button>
          <button type="button" matButton (click)="addDelivery(i.id, i.item)">{{ say('deliveriesPanel.anotherDelivery') }}</button>
        }
      </div>
      <table class="lines">
        <thead>
          <tr>
            <th>{{ say('deliveriesPanel.by') }}</th>
            @for (v of i.versions; track v.id) {
              <th class="number">
                @if (i.versions.length > 1) {
                  <dk-edit-value
                    [label]="say('deliveriesPanel.version')"
                    kind="text"
                    [value]="v.name"
                    [locked]="locked()"
                    (changed)="setVersion(i.id, v.id, 'name', $event)"
                  />
                } @else {
                  {{ say('deliveriesPanel.pieces') }}
                }
              </th>
            }
            <th>{{ say('deliveriesPanel.to') }}</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          @for (d of i.item.deliveries; track $index; let at = $index) {
            <tr>
              <td>
                <dk-edit-value
                  [label]="say('deliveriesPanel.deliverBy', at + 1)"
                  kind="moment"
                  [value]="d.by"
                  [locked]="locked()"
                  (changed)="setDelivery(i.id, i.item, at, { by: $any($event).slice(0, 16) })"
                />
              </td>
              @for (v of i.versions; track v.id) {
                <td class="number">
                  <dk-edit-value
                    [label]="say('deliveriesPanel.piecesOf', at + 1, v.name)"
                    kind="count"
                    [value]="(d.share[v.id] ?? 0) + ''"
                    [display]="n(d.share[v.id] ?? 0)"
                    [locked]="locked()"
                    (changed)="setShare(i.id, i.item, at, v.id, $event)"
                  />
                </td>
              }
              <td>
                <dk-suggest
                  [label]="say('deliveriesPanel.deliverTo', at + 1)"
                  [options]="addresses()"
                  [value]="d.to"
                  [placeholder]="say('deliveriesPanel.address')"
                  [locked]="locked()"
                  (changed)="setDelivery(i.id, i.item, at, { to: $event })"
                />
              </td>
              <td>
                <a matButton target="_blank" [href]="'/api/jobs/' + job().id + '/delivery-note.pdf?item=' + i.id + '&nr=' + (at + 1)">{{
                  say('deliveriesPanel.note')
                }}</a>
                @if (!locked() && i.item.deliveries.length > 1) {
                  <button type="button" matButton (click)="removeDelivery(i.id, i.item, at)">
                    {{ say('deliveriesPanel.takeAway') }}
                  </button>
                }
              </td>
            </tr>
          }
          <tr class="sum">
            <th scope="row">{{ say('deliveriesPanel.inAll') }}</th>
            @for (v of i.versions; track v.id) {
              <td class="number" [class.fail]="v.delivered !== v.quantity">
                {{ n(v.delivered) }} <span class="soft">{{ say('deliveriesPanel.of') }}</span>
                <dk-edit-value
                  [label]="say('deliveriesPanel.orderedOf', v.name)"
                  kind="count"
                  [value]="v.quantity + ''"
                  [display]="n(v.quantity)"
                  [locked]="locked()"
                  (changed)="setVersion(i.id, v.id, 'quantity', $event)"
                />
              </td>
            }
            <td colspan="2">{{ i.says }}</td>
          </tr>
        </tbody>
      </table>
    }
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    @if (canJoin()) {
      <form class="join" (submit)="$event.preventDefault(); join(other.value)">
        <mat-form-field
          ><mat-label>{{ say('deliveriesPanel.takeInTheOrderOfJob') }}</mat-label
          ><input matInput #other inputmode="numeric" [attr.aria-label]="say('deliveriesPanel.numberOfTheOtherJob')" /></mat-form-field
        ><button type="submit" matButton="outlined">{{ say('deliveriesPanel.takeIn') }}</button>
        <span class="soft">{{ say('deliveriesPanel.oneJobWorksForBoth') }}</span>
      </form>
    }`,
  styles: `
    .sum td {
      font-weight: 600;
    }
    .join {
      display: flex;
      gap: 12px;
      align-items: end;
    }
    .join mat-form-field {
      width: 190px;
    }
  `,
})
export class DeliveriesPanel {
  protected readonly say = say;
  readonly job = input.required<Pick<Job, 'id' | 'version' | 'orders' | 'state' | 'alternativeOf'>>();
  readonly spec = input.required<JobSpec>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  readonly changed = output();
  private readonly server = inject(Server);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly n = formatNumber;
  protected readonly canJoin = computed(() => !this.locked() && this.job().state === 'draft' && this.job().alternativeOf === null);
  protected readonly items = computed(() =>
    Object.entries(this.spec().items).map(([id, item]) => {
      const versions = Object.entries(item.versions).map(([v, { name, quantity }]) => ({
        id: v,
        name,
        quantity,
        delivered: item.deliveries.reduce((sum, d) => sum + (d.share[v] ?? 0), 0),
      }));
      const open = orderedQuantity(item) - versions.reduce((sum, v) => sum + v.delivered, 0);
      return {
        id,
        item,
        versions,
        order: this.job().orders.find((o) => o.item === id) ?? null,
        says:
          open === 0
            ? say('deliveriesPanel.addsUp')
            : open > 0
              ? say('deliveriesPanel.stillToPlace', formatNumber(open))
              : say('deliveriesPanel.moreThanOrdered', formatNumber(-open)),
      };
    }),
  );

  /** Where this job's pieces go already. */
  protected readonly addresses = computed(() => {
    const all = Object.values(this.spec().items).flatMap((item) => item.deliveries.map((d) => d.to));
    return [...new Set(all)].filter((address) => address !== '').map((address) => ({ value: address, says: address }));
  });

  private put(id: string, deliveries: Item['deliveries']): void {
    this.edits.emit([editAt(this.spec(), ['items', id, 'deliveries'], deliveries)]);
  }
  protected setDelivery(id: string, item: Item, at: number, change: Partial<Item['deliveries'][number]>): void {
    this.put(
      id,
      item.deliveries.map((d, i) => (i === at ? { ...d, ...change } : d)),
    );
  }
  protected setShare(id: string, item: Item, at: number, version: string, value: unknown): void {
    if (typeof value === 'number') this.setDelivery(id, item, at, { share: { ...item.deliveries[at]?.share, [version]: value } });
  }
  /** What is still to place goes with the new one. */
  protected addDelivery(id: string, item: Item): void {
    const last = item.deliveries.at(-1);
    const share = Object.fromEntries(
      Object.entries(item.versions).map(([v, { quantity }]) => [
        v,
        Math.max(quantity - item.deliveries.reduce((sum, d) => sum + (d.share[v] ?? 0), 0), 0),
      ]),
    );
    this.put(id, [...item.deliveries, { by: last?.by ?? '2030-01-01T12:00', share, to: last?.to ?? '' }]);
  }
  protected removeDelivery(id: string, item: Item, at: number): void {
    this.put(
      id,
      item.deliveries.filter((_, i) => i !== at),
    );
  }
  protected setVersion(id: string, version: string, key: 'name' | 'quantity', value: unknown): void {
    if (typeof value === (key === 'name' ? 'string' : 'number'))
      this.edits.emit([editAt(this.spec(), ['items', id, 'versions', version, key], value)]);
  }
  /** A job that must balance does not close with a difference between what was received and what became of it. */
  protected setBalanced(id: string, balanced: boolean): void {
    this.edits.emit([editAt(this.spec(), ['items', id, 'balanced'], balanced)]);
  }
  protected addVersion(id: string, item: Item): void {
    let n = 2;
    while (Object.hasOwn(item.versions, `v${n}`)) n++;
    // It goes where the last delivery goes, until somebody says otherwise.
    const [first, last] = [item.deliveries.slice(0, -1), item.deliveries.slice(-1)];
    this.edits.emit([
      editAt(this.spec(), ['items', id, 'versions', `v${n}`], { name: `v${n}`, quantity: NEW_VERSION, changes: [] }),
      editAt(
        this.spec(),
        ['items', id, 'deliveries'],
        [...first, ...last.map((d) => ({ ...d, share: { ...d.share, [`v${n}`]: NEW_VERSION } }))],
      ),
    ]);
  }
  protected join(number: string): void {
    const find = number.trim();
    if (!/^\d+$/.test(find)) {
      this.failure.set({ status: 0, title: say('deliveriesPanel.typeTheNumber') });
      return;
    }
    const failed = (f: Failure): void => {
      this.failure.set(f);
    };
    this.server.send('orders.list', { query: { find, rows: '200' } }).subscribe({
      next: ({ rows }) => {
        const other = rows.find((r) => String(r.number) === find);
        if (!other) return failed({ status: 0, title: say('deliveriesPanel.noJobHasThisNumber', find) });
        this.server
          .send('jobs.join', { params: { id: this.job().id }, body: { version: this.job().version, other: other.job } })
          .subscribe({
            next: () => {
              this.failure.set(null);
              this.changed.emit();
            },
            error: failed,
          });
      },
      error: failed,
    });
  }
}
