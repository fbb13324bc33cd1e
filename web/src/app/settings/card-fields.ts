import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { EditValue, type EditKind } from '../shared/edit-value';
import { InPlace } from '../shared/in-place';

/** One value of a card: where it stands in the plant and how it is typed. */
export interface CardRow {
  at: string[];
  label: string;
  kind: EditKind | 'choice' | 'flag';
  text: string;
  unit: string;
  options?: { value: string; says: string }[];
  /** Differs from what is in force. */
  changed: boolean;
  refused: string | null;
}

/** The values of a card, one below the other, each edited in place. */
@Component({
  selector: 'dk-card-fields',
  imports: [EditValue, InPlace, MatCheckbox, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<dl>
    @for (row of rows(); track row.at.join('.')) {
      <div class="row" [class.changed]="row.changed">
        <dt>{{ row.label }}</dt>
        <dd>
          @switch (row.kind) {
            @case ('choice') {
              <select
                matNativeControl
                dkInPlace
                [attr.aria-label]="row.label"
                (change)="set.emit({ at: row.at, value: $any($event.target).value || undefined })"
              >
                @for (o of row.options ?? []; track o.value) {
                  <option [value]="o.value" [selected]="o.value === row.text">{{ o.says }}</option>
                }
              </select>
            }
            @case ('flag') {
              <mat-checkbox
                [aria-label]="row.label"
                [checked]="row.text === 'true'"
                (change)="set.emit({ at: row.at, value: $event.checked || undefined })"
              />
            }
            @default {
              <dk-edit-value
                [label]="row.label"
                [kind]="$any(row.kind)"
                [value]="row.text"
                [refused]="row.refused"
                (changed)="set.emit({ at: row.at, value: $event })"
              />
              <span class="unit"> {{ row.unit }}</span>
            }
          }
        </dd>
      </div>
    }
  </dl>`,
  styles: `
    dl {
      margin: 0;
    }
    .row {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 10px;
      border-bottom: 1px solid var(--line);
      padding: 3px 6px;
    }
    .changed {
      background: var(--act-ground);
    }
    dt {
      color: var(--soft);
    }
    .changed dt,
    .changed .unit {
      color: var(--ink);
    }
    dd {
      margin: 0;
      text-align: right;
    }
  `,
})
export class CardFields {
  readonly rows = input.required<CardRow[]>();
  readonly set = output<{ at: string[]; value: unknown }>();
}
