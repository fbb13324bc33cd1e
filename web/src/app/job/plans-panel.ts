import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { forkJoin } from 'rxjs';
import type { Alternative, Differences, Job } from '@druckerei/contract';
import { assumptionSays, findingTitle, formatFigure, label, type Place, type Plan, say, type TotalKey } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { askReason, type ReasonAsk } from '../shared/reason-dialog';

interface Column extends Alternative {
  here: boolean;
  differences: Differences | null;
}

/** Who goes from plan to plan stays where they stand side by side. */
const AMONG_PLANS = { queryParams: { view: 'plans' } };

/** The job's plans side by side, and only what differs: totals, what the ready date rests on, the places changed. One is chosen; the others stay. */
@Component({
  selector: 'dk-plans-panel',
  imports: [RouterLink, MatDialogModule, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="top">
      <h2>{{ say('plansPanel.plansOfThisJob') }}</h2>
      <span class="space"></span>
      @if (may()) {
        <button type="button" matButton (click)="duplicate()">{{ say('plansPanel.anotherPlan') }}</button>
      }
    </div>
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    @if (columns().length < 2) {
      <p class="soft">{{ say('plansPanel.onlyThisOne') }}</p>
    } @else {
      <table>
        <thead>
          <tr>
            <th></th>
            @for (c of columns(); track c.job) {
              <th [class.here]="c.here">
                @if (c.here) {
                  <b>{{ name(c) }}</b> <span class="soft">{{ say('plansPanel.thisOne') }}</span>
                } @else {
                  <a [routerLink]="['/jobs', c.job]" [queryParams]="{ view: 'plans' }">{{ name(c) }}</a>
                }
              </th>
            }
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.says) {
            <tr>
              <th scope="row">{{ r.says }}</th>
              @for (v of r.values; track $index) {
                <td [class.here]="columns()[$index]?.here" [class.other]="v.differs">{{ v.shown }}</td>
              }
            </tr>
          } @empty {
            <tr>
              <td [attr.colspan]="columns().length + 1" class="soft">{{ say('plansPanel.noTotalDiffers') }}</td>
            </tr>
          }
          <tr>
            <th scope="row">{{ say('plansPanel.restsOn') }}</th>
            @for (c of columns(); track c.job) {
              <td [class.here]="c.here" data-figures>{{ restsOn(c) }}</td>
            }
          </tr>
          <tr>
            <th scope="row">{{ say('plansPanel.changed') }}</th>
            @for (c of columns(); track c.job) {
              <td [class.here]="c.here">
                @for (e of c.differences?.edits ?? []; track $index) {
                  <div data-figures>
                    {{ e.place }}: <span class="soft">{{ e.was }} →</span> {{ e.now }}
                  </div>
                }
                @for (f of c.differences?.come ?? []; track $index) {
                  <div class="chip" [class]="'level-' + f.level">{{ finding(f) }}</div>
                }
              </td>
            }
          </tr>
          @if (may()) {
            <tr>
              <th scope="row"></th>
              @for (c of columns(); track c.job) {
                <td [class.here]="c.here">
                  @if (c.alt > 0 && open()) {
                    <button type="button" matButton="filled" class="small" (click)="choose(c)">
                      {{ say('plansPanel.chooseThisPlan') }}
                    </button>
                  } @else if (c.alt === 0) {
                    <span class="soft">{{ say('plansPanel.inForce') }}</span>
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    }`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin-top: 6px;
    }
    th,
    td {
      text-align: left;
      padding: 5px 10px;
      border-bottom: 1px solid var(--line);
      vertical-align: top;
      font-weight: 400;
    }
    tbody th {
      color: var(--soft);
      white-space: nowrap;
      padding-left: 0;
    }
    .here {
      background: var(--act-ground);
    }
    .other {
      font-weight: 600;
    }
    .small {
      padding: 5px 12px;
    }
  `,
})
export class PlansPanel {
  protected readonly say = say;
  readonly job = input.required<Pick<Job, 'id' | 'version' | 'alternativeOf' | 'state'>>();
  readonly plan = input.required<Plan>();
  readonly place = input.required<Place>();
  readonly may = input(false);
  readonly changed = output();
  private readonly server = inject(Server);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly columns = signal<Column[]>([]);
  /** The job itself may still be changed. */
  protected readonly open = computed(() => {
    const state = this.columns().find((c) => c.alt === 0)?.state;
    return state !== 'released' && state !== 'delivered';
  });
  /** Only totals in which any plan differs from this one. */
  protected readonly rows = computed(() => {
    const columns = this.columns();
    const keys = [...new Set(columns.flatMap((c) => c.differences?.totals.map((t) => t.key) ?? []))];
    const { totals, figures } = this.plan();
    return keys.map((key) => {
      const unit = columns.flatMap((c) => c.differences?.totals ?? []).find((t) => t.key === key)?.unit ?? '';
      const mine = figures[totals[key as TotalKey] ?? '']?.value ?? 0;
      return {
        says: label(`total.${key}`),
        values: columns.map((c) => {
          const other = c.differences?.totals.find((t) => t.key === key);
          const f = formatFigure(other?.after ?? mine, unit, this.place());
          return { shown: `${f.number} ${f.unit}`.trim(), differs: other !== undefined };
        }),
      };
    });
  });

  constructor() {
    effect(() => {
      // Read anew whenever the job is another or has another version.
      this.read(this.job().id);
    });
  }

  protected name = (c: Alternative): string => (c.alt === 0 ? say('plansPanel.theJob') : c.name);
  protected finding = (f: Differences['come'][number]): string => findingTitle(f.code, f.args);
  protected restsOn(c: Column): string {
    const rests = c.here ? this.plan().assumptions : (c.differences?.assumes.after ?? []);
    return rests.map((a) => assumptionSays(a, this.place().timeZone)).join(', ');
  }

  private read(id: string): void {
    const failed = (f: Failure): void => {
      this.failure.set(f);
    };
    this.server.send('jobs.alternatives', { params: { id } }).subscribe({
      next: (list) => {
        this.columns.set(list.map((a) => ({ ...a, here: a.job === id, differences: null })));
        const others = list.filter((a) => a.job !== id);
        if (others.length === 0) return;
        forkJoin(others.map((a) => this.server.send('jobs.differences', { params: { id }, query: { with: a.job } }))).subscribe({
          next: (all) => {
            const of = new Map(others.map((a, i) => [a.job, all[i] ?? null]));
            this.columns.update((columns) => columns.map((c) => ({ ...c, differences: of.get(c.job) ?? null })));
          },
          error: failed,
        });
      },
      error: failed,
    });
  }

  protected duplicate(): void {
    const ask: ReasonAsk = {
      title: say('plansPanel.anotherPlanOfThisJob'),
      says: say('plansPanel.aCopyToChange'),
      button: say('plansPanel.makeIt'),
      label: say('plansPanel.whatItIsCalled'),
      least: 1,
    };
    askReason(this.dialog, ask).subscribe((name) => {
      this.server.send('jobs.duplicate', { params: { id: this.job().id }, body: { id: crypto.randomUUID(), name, edits: [] } }).subscribe({
        next: ({ job }) => void this.router.navigate(['/jobs', job], AMONG_PLANS),
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }
  protected choose(c: Column): void {
    const ask: ReasonAsk = {
      title: say('plansPanel.choose', this.name(c)),
      says: say('plansPanel.theOthersStay'),
      button: say('plansPanel.chooseThisPlan'),
    };
    askReason(this.dialog, ask).subscribe((reason) => {
      this.server.send('jobs.choose', { params: { id: c.job }, body: { version: c.version, reason } }).subscribe({
        next: ({ job }) => {
          if (job === this.job().id) this.changed.emit();
          else void this.router.navigate(['/jobs', job], AMONG_PLANS);
          this.read(this.job().id);
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }
}
