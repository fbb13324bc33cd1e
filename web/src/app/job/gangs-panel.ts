import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { editAt, type Edit, formatNumber, gangRowsOf, type GangRow, type JobSpec, mayBeGanged, type Plan, say } from '@druckerei/core';
import { EditValue } from '../shared/edit-value';

/** Orders that share a sheet: which parts lie on it, how many copies of each, and what each has over; and the way to bring parts together. */
@Component({
  selector: 'dk-gangs-panel',
  imports: [EditValue, MatButton, MatCheckbox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (gangs().length > 0 || free().length > 1) {
    <section [attr.aria-label]="say('gangsPanel.title')">
      <h2>{{ say('gangsPanel.title') }}</h2>
      @for (g of gangs(); track g.id) {
        <table class="lines">
          <thead>
            <tr>
              <th>{{ say('gangsPanel.order') }}</th>
              <th class="number">{{ say('gangsPanel.copies') }}</th>
              <th class="number">{{ say('gangsPanel.wanted') }}</th>
              <th class="number">{{ say('gangsPanel.over') }}</th>
            </tr>
          </thead>
          <tbody>
            @for (m of g.members; track m.part) {
              <tr>
                <td>{{ m.product }}</td>
                <td class="number">
                  <dk-edit-value
                    [label]="say('gangsPanel.copiesOf', m.product)"
                    kind="count"
                    [value]="m.set === null ? '' : m.set + ''"
                    [display]="n(m.copies) + (m.set === null ? ' ' + say('gangsPanel.found') : '')"
                    [locked]="locked()"
                    (changed)="setCopies(g, m.part, $event)"
                  />
                </td>
                <td class="number">{{ n(m.wanted) }}</td>
                <td class="number">{{ g.refused ? '–' : n(m.over) }}</td>
              </tr>
            }
          </tbody>
        </table>
        <p>
          {{ g.refused ? say('gangsPanel.refused') : say('gangsPanel.sheets', n(g.sheets)) }}
          @if (!locked()) {
            <button matButton type="button" (click)="set(g.id, undefined)">{{ say('gangsPanel.takeApart') }}</button>
          }
        </p>
      }
      @if (!locked() && free().length > 1) {
        <fieldset>
          <legend class="soft">{{ say('gangsPanel.together') }}</legend>
          @for (part of free(); track part) {
            <mat-checkbox [checked]="picked().includes(part)" (change)="pick(part, $event.checked)">{{ product(part) }}</mat-checkbox>
          }
          <button matButton="outlined" type="button" [disabled]="picked().length < 2" (click)="gang()">
            {{ say('gangsPanel.onOneSheet') }}
          </button>
        </fieldset>
      }
    </section>
  }`,
  styles: `
    fieldset {
      border: 1px solid var(--line);
      display: flex;
      gap: 12px;
      align-items: center;
      flex-wrap: wrap;
    }
  `,
})
export class GangsPanel {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  readonly spec = input.required<JobSpec>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  protected readonly gangs = computed(() => gangRowsOf(this.plan(), this.spec()));
  protected readonly free = computed(() => mayBeGanged(this.plan(), this.spec()));
  protected readonly picked = signal<readonly string[]>([]);
  protected readonly n = (value: number): string => formatNumber(value, 0);

  protected product = (part: string): string => this.plan().parts[part]?.product ?? part;
  protected pick(part: string, is: boolean): void {
    this.picked.update((all) => (is ? [...all, part] : all.filter((p) => p !== part)));
  }
  protected set(id: string, gang: object | undefined): void {
    this.edits.emit([editAt(this.spec(), ['choices', 'gangs', id], gang)]);
  }
  protected gang(): void {
    let nr = 1;
    while (Object.hasOwn(this.spec().choices.gangs ?? {}, `gang${nr}`)) nr++;
    this.set(`gang${nr}`, { parts: this.free().filter((p) => this.picked().includes(p)) });
    this.picked.set([]);
  }
  /** Copies hold for all orders of the sheet at once: those nobody typed stay as they were found. */
  protected setCopies(g: GangRow, part: string, value: unknown): void {
    const gang = this.spec().choices.gangs?.[g.id];
    if (!gang) return;
    const { copies: _, ...found } = gang;
    if (typeof value !== 'number') return this.set(g.id, found);
    const copies = Object.fromEntries(g.members.map((m) => [m.part, m.part === part ? value : Math.max(m.copies, 1)]));
    this.set(g.id, { ...gang, copies });
  }
}
