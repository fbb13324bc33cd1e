import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import type { Job } from '@druckerei/contract';
import { type Edit, editAt, formatMoment, formatNumber, type JobSpec, type Place, type Plan, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { Suggest, type Suggestion } from '../shared/suggest';

interface Row {
  id: string;
  what: string;
  count: string;
  from: string;
  /** The job of the house that makes it. */
  job: string | null;
  mayMake: boolean;
  mayBuy: boolean;
  /** What lies in the store and could be taken for it. */
  kept: Suggestion[];
}

const keptTools = ({ tools }: Job['shelf']): Suggestion[] =>
  Object.entries(tools).flatMap(([id, t]) => (t.state === 'store' ? [{ value: id, says: id, more: t.spec }] : []));

/** Tools the job needs beside its plates, and where each comes from: bought, from the store, or made by a job of the house, which this one waits for. */
@Component({
  selector: 'dk-tools-panel',
  imports: [RouterLink, MatButton, Suggest],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2>{{ say('toolsPanel.tools') }}</h2>
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    <table class="lines">
      <thead>
        <tr>
          <th>{{ say('toolsPanel.what') }}</th>
          <th class="number">{{ say('toolsPanel.count') }}</th>
          <th>{{ say('toolsPanel.from') }}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        @for (t of rows(); track t.id) {
          <tr>
            <td data-figures>{{ t.what }}</td>
            <td class="number">{{ t.count }}</td>
            <td data-figures>
              @if (t.job !== null) {
                <a [routerLink]="['/jobs', t.job]">{{ t.from }}</a>
              } @else {
                {{ t.from }}
              }
            </td>
            <td class="acts">
              @if (t.mayMake) {
                <button type="button" matButton [disabled]="busy()" (click)="make(t.id)">{{ say('toolsPanel.makeHere') }}</button>
              }
              @if (t.kept.length > 0) {
                <dk-suggest
                  only
                  [label]="say('toolsPanel.takeFor', t.what)"
                  [options]="t.kept"
                  [placeholder]="say('toolsPanel.takeFromStore')"
                  (changed)="take(t.id, $event)"
                />
              }
              @if (t.mayBuy) {
                <button type="button" matButton (click)="buy(t.id)">{{ say('toolsPanel.buy') }}</button>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>`,
  styles: `
    .acts {
      white-space: nowrap;
    }
  `,
})
export class ToolsPanel {
  protected readonly say = say;
  readonly job = input.required<Pick<Job, 'id' | 'version' | 'shelf' | 'alternativeOf'>>();
  readonly spec = input.required<JobSpec>();
  readonly plan = input.required<Plan>();
  readonly place = input.required<Place>();
  readonly locked = input(false);
  /** Something typed is not saved yet: the tool would be made for a plan that is no more. */
  readonly unsaved = input(false);
  readonly edits = output<Edit[]>();
  /** The job was changed at the server: it is opened again. */
  readonly changed = output();
  private readonly server = inject(Server);
  protected readonly failure = signal<Failure | null>(null);
  private readonly sent = signal(false);
  protected readonly busy = computed(() => this.sent() || this.unsaved());
  protected readonly rows = computed((): Row[] => {
    const { tools, figures } = this.plan();
    const { shelf, alternativeOf } = this.job();
    return Object.entries(tools).map(([id, { kind, spec, count, supply, made }]) => {
      const child = supply.from === 'job' ? shelf.jobs?.[supply.job] : undefined;
      const free = !this.locked();
      return {
        id,
        what: `${kind}, ${spec}`,
        count: formatNumber(figures[count]?.value ?? 0),
        from: this.fromSays(supply, child),
        job: supply.from === 'job' && child ? supply.job : null,
        mayMake: free && made !== undefined && alternativeOf === null && child === undefined,
        kept: free ? keptTools(shelf) : [],
        mayBuy: free && Object.hasOwn(this.spec().choices.supply, id),
      };
    });
  });

  private fromSays(supply: Plan['tools'][string]['supply'], child: NonNullable<Job['shelf']['jobs']>[string] | undefined): string {
    switch (supply.from) {
      case 'buy':
        return say('toolsPanel.bought', formatNumber(supply.leadDays));
      case 'store':
        return say('toolsPanel.fromStore', supply.tool);
      case 'job':
        if (!child) return say('toolsPanel.jobGone');
        return child.delivered
          ? say('toolsPanel.made', child.number)
          : say('toolsPanel.beingMade', child.number, formatMoment(child.readyAt, this.place().timeZone));
      default:
        return say('toolsPanel.here');
    }
  }

  protected make(tool: string): void {
    const { id, version } = this.job();
    this.sent.set(true);
    this.server.send('jobs.makeTool', { params: { id }, body: { id: crypto.randomUUID(), version, tool } }).subscribe({
      next: () => {
        this.sent.set(false);
        this.failure.set(null);
        this.changed.emit();
      },
      error: (f: Failure) => {
        this.sent.set(false);
        this.failure.set(f);
      },
    });
  }
  protected take(id: string, tool: string): void {
    this.edits.emit([editAt(this.spec(), ['choices', 'supply', id], { from: 'store', tool })]);
  }
  protected buy(tool: string): void {
    this.edits.emit([editAt(this.spec(), ['choices', 'supply', tool], undefined)]);
  }
}
