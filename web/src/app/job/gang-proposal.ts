import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { type Edit, formatMoney, formatNumber, type GangRow, type JobSpec, letterOfForm, type Place, say } from '@druckerei/core';
import type { SolveState } from '../planner/gang-solver';

/** The cheapest forms of a gang, looked for and set beside those there are: how sure it is, what it would change, and the way to take it. */
@Component({
  selector: 'dk-gang-proposal',
  imports: [MatButton, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@switch (shown().kind) {
    @case ('idle') {
      @if (!locked()) {
        <button type="button" matButton="outlined" (click)="asked.emit()">{{ say('gang.solve') }}</button>
        <span class="soft">{{ say('gang.solveSays') }}</span>
      }
    }
    @case ('solving') {
      <span role="status">{{ progress() }}</span>
      <mat-progress-bar mode="determinate" [value]="done() * 100" [attr.aria-label]="say('gang.solving')" />
      <button type="button" matButton (click)="cancelled.emit()">{{ say('gang.cancel') }}</button>
    }
    @case ('solved') {
      <div class="found">
        <p role="status">{{ result() }}</p>
        @if (forms().length > 0) {
          <p data-figures>{{ jobCosts() }}</p>
          <p class="soft" data-figures>{{ byForms() }}</p>
          <table class="lines">
            <thead>
              <tr>
                <th>{{ say('gang.order') }}</th>
                @for (f of forms(); track f.name) {
                  <th class="number" data-figures>{{ say('gang.formRuns', f.name, f.sheets) }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of copies(); track row.part) {
                <tr>
                  <td>{{ row.product }}</td>
                  @for (n of row.copies; track $index) {
                    <td class="number" data-figures>{{ n }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        }
        @if (stale()) {
          <p class="note level-decide">{{ say('gang.changedMeanwhile') }}</p>
          <button type="button" matButton (click)="asked.emit()">{{ say('gang.solveAgain') }}</button>
        } @else if (edits().length > 0 && !locked()) {
          <button type="button" matButton="filled" (click)="take.emit(edits())">{{ say('gang.takeIt') }}</button>
        }
        <button type="button" matButton (click)="cancelled.emit()">{{ say('gang.close') }}</button>
      </div>
    }
    @case ('failed') {
      <span role="alert" class="fail">{{ failure() }}</span>
      <button type="button" matButton (click)="asked.emit()">{{ say('gang.solveAgain') }}</button>
    }
  }`,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
    }
    mat-progress-bar {
      width: 160px;
    }
    .found {
      flex: 1;
    }
    p {
      margin: 4px 0;
    }
  `,
})
export class GangProposal {
  protected readonly say = say;
  readonly gang = input.required<GangRow>();
  readonly spec = input.required<JobSpec>();
  readonly place = input.required<Place>();
  readonly state = input.required<SolveState>();
  readonly locked = input(false);
  readonly asked = output();
  readonly cancelled = output();
  readonly take = output<Edit[]>();

  protected readonly shown = computed((): SolveState => {
    const state = this.state();
    return state.kind === 'idle' || state.gang !== this.gang().id ? { kind: 'idle' } : state;
  });
  private readonly solved = computed(() => {
    const state = this.shown();
    return state.kind === 'solved' ? state.solved : null;
  });
  /** Something was changed since it was asked: what was found is of another job. */
  protected readonly stale = computed(() => {
    const state = this.shown();
    return state.kind === 'solved' && state.spec !== this.spec();
  });
  protected readonly edits = computed(() => this.solved()?.edits ?? []);
  protected readonly done = computed(() => {
    const state = this.shown();
    return state.kind === 'solving' ? state.done / state.of : 1;
  });
  protected readonly progress = computed(() => {
    const state = this.shown();
    return state.kind === 'solving' ? say('gang.solvingOf', formatNumber(state.done), formatNumber(state.of)) : '';
  });
  protected readonly failure = computed(() => {
    const state = this.shown();
    return state.kind === 'failed' ? say('gang.solveFailed', state.says) : '';
  });
  protected readonly result = computed(() => {
    const found = this.solved();
    if (!found) return say('gang.noPlaces');
    if (!found.best) return say('gang.noneKeepsTheLimits');
    const sure = found.proved ? say('gang.proved') : say('gang.gap', this.money(found.best.cost - found.bound));
    const many = found.tooMany.length > 0 ? [say('gang.nowTooMany', found.tooMany.map((p) => this.productOf(p)).join(', '))] : [];
    const cheapest = Math.min(found.job.now, found.job.best ?? found.job.now);
    const singles = found.job.apart < cheapest - 0.005 ? [say('gang.singlesCheaper')] : [];
    const none = found.edits.length === 0 ? [say('gang.noneBetter')] : [];
    return [say('gang.foundForms', formatNumber(found.best.runs.length)), sure, ...many, ...singles, ...none].join(' ');
  });
  /** What the whole job costs, one way and another. */
  protected readonly jobCosts = computed(() => {
    const job = this.solved()?.job;
    if (!job) return '';
    return say('gang.jobCosts', ...[job.best ?? job.now, job.now, job.apart].map((value) => this.money(value)));
  });
  /** What the forms alone cost, by how many there are: two may cost as good as three. */
  protected readonly byForms = computed(() =>
    (this.solved()?.byForms ?? [])
      .flatMap((found, i) => (found ? [say('gang.withForms', formatNumber(i + 1), this.money(found.cost))] : []))
      .join(' · '),
  );
  protected readonly forms = computed(() =>
    (this.solved()?.best?.runs ?? []).map((run, at) => ({ name: letterOfForm(at), sheets: formatNumber(run) })),
  );
  protected readonly copies = computed(() =>
    Object.entries(this.solved()?.best?.copies ?? {}).map(([part, copies]) => ({
      part,
      product: this.productOf(part),
      copies: copies.map((n) => (n > 0 ? formatNumber(n) : '–')),
    })),
  );
  private productOf = (part: string): string => this.gang().members.find((m) => m.part === part)?.product ?? part;
  private readonly money = (value: number): string => formatMoney(value, this.place());
}
