import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { CAUTIONS, editAt, type Edit, type JobSpec, label, type PanelRow, type Plan, type Stone, type Place, say } from '@druckerei/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { EditValue, type EditKind } from '../shared/edit-value';
import { FigureValue } from '../shared/figure';
import { FindingMark } from './finding-mark';
import { InPlace } from '../shared/in-place';
import { Suggest, type Suggestion } from '../shared/suggest';

const MOST_ROWS = 9;

/** A stone's settings and figures, at most nine rows; the rest unfolds. Rows come from the process, so a new process needs no screen. */
@Component({
  selector: 'dk-stone-panel',
  imports: [EditValue, FigureValue, FindingMark, Suggest, MatButtonToggleModule, InPlace, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` @if (stone().runs.length > 1) {
      <mat-button-toggle-group
        class="runs"
        hideSingleSelectionIndicator
        [attr.aria-label]="say('stonePanel.runs')"
        [value]="run()?.id"
        (change)="runChosen.emit($event.value)"
      >
        @for (r of stone().runs; track r.id) {
          <mat-button-toggle [value]="r.id">{{ r.name }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
    }
    <dl>
      @for (row of shown(); track $index) {
        <div class="row">
          <dt>{{ name(row) }}</dt>
          <dd>
            @if (row.edit?.kind === 'choice' && row.label === 'stock' && row.edit; as edit) {
              <dk-suggest
                only
                [label]="name(row)"
                [options]="optionsOf(edit)"
                [value]="value(row) || standing(edit, row.text)"
                [locked]="locked()"
                (changed)="choose(edit.at, $event)"
              />
            } @else if (row.edit?.kind === 'choice' && row.edit; as edit) {
              <select
                matNativeControl
                dkInPlace
                [attr.aria-label]="name(row)"
                [disabled]="locked()"
                (change)="choose(edit.at, $any($event.target).value)"
              >
                @for (o of edit.options ?? []; track o.value) {
                  <option [value]="o.value" [selected]="o.value === value(row) || word(o.says) === row.text">{{ word(o.says) }}</option>
                }
              </select>
            } @else {
              @if (row.figure && plan().figures[row.figure]; as f) {
                <dk-figure [id]="row.figure!" [figure]="f" [place]="place()" (explain)="explain.emit($event)" />
              } @else if (row.text !== undefined && !row.edit) {
                <b>{{ word(row.text) }}</b>
              }
              @if (row.edit && row.edit.kind !== 'choice') {
                <dk-edit-value
                  class="set"
                  [attr.data-figures]="value(row) ? null : ''"
                  [label]="name(row)"
                  [kind]="kind(row)"
                  [value]="value(row)"
                  [display]="value(row) ? value(row) + unitOf(row) : row.figure === undefined && row.text ? row.text : null"
                  [locked]="locked()"
                  [refused]="refused()[row.edit.at.join('.')] ?? null"
                  (changed)="set(row, $event)"
                />
              }
            }
          </dd>
          <dk-finding-mark class="found" [findings]="plan().findings" [figure]="row.figure" (opened)="finding.emit($event)" />
        </div>
      }
    </dl>
    @if (rows().length > most) {
      <button type="button" matButton [attr.aria-expanded]="all()" (click)="all.set(!all())">
        {{ all() ? say('stonePanel.fewer') : rows().length - most + (' ' + say('stonePanel.more')) }}
      </button>
    }
    @if (stone().cautions.length > 0) {
      <p class="caution">{{ cautions() }}</p>
    }`,
  styles: `
    .runs {
      margin-bottom: 8px;
      flex-wrap: wrap;
    }
    dl {
      margin: 0;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 12px;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
      min-height: 29px;
    }
    dd {
      margin: 0;
      text-align: right;
      display: flex;
      gap: 10px;
      justify-content: end;
      align-items: baseline;
    }
    .set {
      font-size: 13px;
    }
    .found {
      flex-basis: 100%;
      text-align: right;
    }
    .found:empty {
      display: none;
    }
    select {
      max-width: 230px;
      text-align: right;
    }
    .caution {
      color: var(--soft);
      font-size: 13px;
      border-left: 3px solid var(--watch);
      padding-left: 9px;
      margin: 10px 0 0;
    }
  `,
})
export class StonePanel {
  protected readonly say = say;
  readonly stone = input.required<Stone>();
  readonly plan = input.required<Plan>();
  readonly spec = input.required<JobSpec>();
  readonly place = input.required<Place>();
  readonly refused = input<Record<string, string>>({});
  readonly locked = input(false);
  /** Of a stone that runs several forms or versions: whose rows are shown. */
  readonly shownRun = input<string | null>(null);
  readonly runChosen = output<string>();
  readonly edits = output<Edit[]>();
  readonly explain = output<string>();
  /** The key of a finding whose card is to be opened. */
  readonly finding = output<string>();
  protected readonly most = MOST_ROWS;
  protected readonly all = signal(false);
  protected readonly rows = computed((): PanelRow[] => {
    const s = this.stone();
    return [
      ...this.ofRun(s.panel),
      { label: 'setupTime', figure: s.setupS },
      { label: 'runTime', figure: s.runS },
      { label: 'startAt', figure: s.startAt },
      { label: 'endAt', figure: s.endAt },
    ].filter(
      (r, i, list) =>
        r.edit !== undefined ||
        list.findIndex((q) => q.figure !== undefined && q.figure === r.figure && q.label === r.label) === i ||
        r.figure === undefined,
    );
  });
  protected readonly run = computed(() => this.stone().runs.find((r) => r.id === this.shownRun()) ?? this.stone().runs[0]);
  /** The rows of the run that is looked at: each run's stand behind its name. */
  private ofRun(rows: readonly PanelRow[]): readonly PanelRow[] {
    const run = this.run();
    if (!run) return rows;
    const from = rows.findIndex((r) => r.label === 'runOf' && r.text === run.name) + 1;
    const next = rows.findIndex((r, i) => i >= from && r.label === 'runOf');
    return rows.slice(from, next < 0 ? undefined : next);
  }
  protected readonly shown = computed(() => (this.all() ? this.rows() : this.rows().slice(0, MOST_ROWS)));
  protected readonly cautions = computed(
    () =>
      `${this.stone()
        .cautions.map((c) => CAUTIONS[c] ?? c)
        .join(' ')} ${CAUTIONS['defers']}`,
  );
  protected word = label;
  protected name = (row: PanelRow): string =>
    row.figure !== undefined && row.text ? `${label(row.label)}, ${label(row.text)}` : label(row.label);
  protected kind = (row: PanelRow): EditKind => (row.edit?.kind === 'choice' ? 'text' : (row.edit?.kind ?? 'text'));
  protected unitOf = (row: PanelRow): string =>
    ({ count: '', length: ' mm', percent: ' %', hours: ' h', seconds: ' s', text: '', choice: '' })[row.edit?.kind ?? 'text'];

  /** What the specification holds at the row's place, in the unit the field is typed in. */
  protected value(row: PanelRow): string {
    const found = row.edit?.at.reduce<unknown>(
      (o, key) => (o !== null && typeof o === 'object' ? (o as Record<string, unknown>)[key] : undefined),
      this.spec(),
    );
    if (typeof found === 'number')
      return String(row.edit?.kind === 'percent' ? found / 10_000 : row.edit?.kind === 'hours' ? found / 3600 : found);
    return typeof found === 'string' ? found : '';
  }
  protected optionsOf = (edit: NonNullable<PanelRow['edit']>): Suggestion[] =>
    (edit.options ?? []).map(({ value, says }) => ({ value, says: label(says) }));
  /** The option a row shows by its words. */
  protected standing = (edit: NonNullable<PanelRow['edit']>, text = ''): string =>
    edit.options?.find((o) => o.says === text || label(o.says) === text)?.value ?? text;
  protected choose(at: string[], value: string): void {
    this.edits.emit([editAt(this.spec(), at, value)]);
  }
  protected set(row: PanelRow, value: unknown): void {
    if (row.edit) this.edits.emit([editAt(this.spec(), row.edit.at, value)]);
  }
}
