import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type AbstractControl, NonNullableFormBuilder, ReactiveFormsModule, type ValidatorFn } from '@angular/forms';
import { type MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { filter, type Observable } from 'rxjs';
import type { ToolCard } from '@druckerei/contract';
import { label, say, TOOL_KINDS, type ToolKind, readNumber } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** Fields of a tool in the order one reads them off it. */
const FIELDS = ['spec', 'version', 'widthMm', 'heightMm', 'life', 'used', 'place', 'owner', 'number'] as const;
type Field = (typeof FIELDS)[number];
const NUMBERS: readonly Field[] = ['widthMm', 'heightMm', 'life', 'used', 'number'];
const MAY_BE_EMPTY: readonly Field[] = ['version', 'widthMm', 'heightMm', 'number'];

/** A field of a tool as typed: there unless it may be empty, and a number where one is meant; else what is wrong, in words. */
const fits =
  (field: Field): ValidatorFn =>
  ({ value }: AbstractControl<string>) => {
    if (value.trim() === '') return MAY_BE_EMPTY.includes(field) ? null : { says: say('tools.isMissing') };
    return NUMBERS.includes(field) && Number.isNaN(readNumber(value)) ? { says: say('tools.noNumber') } : null;
  };
/** Enters a tool that came into the store from elsewhere. What was typed stays until the store has taken it. */
@Component({
  selector: 'dk-enter-tool',
  imports: [MatButton, MatDialogModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2 mat-dialog-title>{{ say('tools.enterTitle') }}</h2>
    <form [formGroup]="form" (ngSubmit)="send()">
      <mat-dialog-content>
        <mat-form-field
          ><mat-label>{{ say('tools.kind') }}</mat-label
          ><select matNativeControl cdkFocusInitial formControlName="kind">
            @for (k of kinds; track k) {
              <option [value]="k">{{ label('tool.' + k) }}</option>
            }
          </select></mat-form-field
        >
        @for (f of fields; track f) {
          <mat-form-field
            ><mat-label>{{ label('tools.field.' + f) }}</mat-label
            ><input matInput maxlength="80" [formControlName]="f" [attr.inputmode]="numbers.includes(f) ? 'decimal' : 'text'" />
            <mat-error>{{ form.controls[f].errors?.['says'] }}</mat-error>
          </mat-form-field>
        }
        @if (failure(); as f) {
          <p class="note level-decide" role="alert">{{ f }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button matButton="outlined" mat-dialog-close type="button">{{ say('reasonDialog.notYet') }}</button>
        <button matButton="filled" type="submit" [disabled]="busy()">{{ say('tools.enterIt') }}</button>
      </mat-dialog-actions>
    </form>`,
  styles: `
    mat-dialog-content {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 18px;
    }
    p {
      grid-column: 1 / span 2;
    }
    mat-dialog-actions {
      gap: 8px;
    }
  `,
})
export class EnterTool {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly kinds = TOOL_KINDS;
  protected readonly fields = FIELDS;
  protected readonly numbers = NUMBERS;
  private readonly server = inject(Server);
  private readonly ref = inject<MatDialogRef<EnterTool, ToolCard>>(MatDialogRef);
  /** One key while the dialog stands: sent again after a lost answer it is the same tool. */
  private readonly key = crypto.randomUUID();
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    kind: this.build.control<ToolKind>('cuttingDie'),
    spec: ['', fits('spec')],
    version: ['', fits('version')],
    widthMm: ['', fits('widthMm')],
    heightMm: ['', fits('heightMm')],
    life: ['500000', fits('life')],
    used: ['0', fits('used')],
    place: ['', fits('place')],
    owner: ['works', fits('owner')],
    number: ['', fits('number')],
  });
  protected readonly failure = signal<string | null>(null);
  protected readonly busy = signal(false);

  protected send(): void {
    if (this.busy()) return;
    this.failure.set(null);
    this.form.markAllAsDirty();
    if (this.form.invalid) return;
    const typed = this.form.getRawValue();
    const orNull = (f: Field): number | null => (typed[f].trim() === '' ? null : readNumber(typed[f]));
    this.busy.set(true);
    this.server
      .send('tools.enter', {
        body: {
          key: this.key,
          kind: typed.kind,
          spec: typed.spec,
          version: typed.version,
          widthMm: orNull('widthMm'),
          heightMm: orNull('heightMm'),
          life: readNumber(typed.life),
          used: readNumber(typed.used),
          place: typed.place,
          owner: typed.owner,
          number: orNull('number'),
        },
      })
      .subscribe({
        next: (card) => {
          this.ref.close(card);
        },
        error: (f: Failure) => {
          this.busy.set(false);
          for (const { path, says } of f.fields ?? []) this.form.get(path)?.setErrors({ says });
          if (!f.fields?.length) this.failure.set(f.detail ?? f.title);
        },
      });
  }
}
/** Opens the dialog; the tool, once it is in the store. */
export const enterTool = (dialog: MatDialog): Observable<ToolCard> =>
  dialog
    .open<EnterTool, undefined, ToolCard>(EnterTool, { width: '560px' })
    .afterClosed()
    .pipe(filter((card) => card !== undefined));
