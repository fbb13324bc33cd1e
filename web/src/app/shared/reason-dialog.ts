import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, type MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { filter, type Observable } from 'rxjs';
import { say } from '@druckerei/core';

export interface ReasonAsk {
  title: string;
  says: string;
  button: string;
  /** What is asked for: a reason where nothing is said. */
  label?: string;
  least?: number;
}

/** Asks for a few words before something is done that stays on record. */
@Component({
  selector: 'dk-reason-dialog',
  imports: [MatDialogModule, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2 mat-dialog-title>{{ ask.title }}</h2>
    <form (submit)="$event.preventDefault(); send()">
      <mat-dialog-content>
        <p>{{ ask.says }}</p>
        <mat-form-field
          ><mat-label>{{ ask.label ?? say('reasonDialog.why') }}</mat-label
          ><input matInput #why cdkFocusInitial maxlength="300" [value]="text()" (input)="text.set(why.value)"
        /></mat-form-field>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button matButton="outlined" mat-dialog-close type="button">{{ say('reasonDialog.notYet') }}</button>
        <button matButton="filled" type="submit" [disabled]="!enough()">{{ ask.button }}</button>
      </mat-dialog-actions>
    </form>`,
  styles: `
    mat-dialog-actions {
      gap: 8px;
    }
  `,
})
export class ReasonDialog {
  protected readonly say = say;
  protected readonly ask = inject<ReasonAsk>(MAT_DIALOG_DATA);
  private readonly ref = inject<MatDialogRef<ReasonDialog, string>>(MatDialogRef);
  protected readonly text = signal('');
  protected readonly enough = (): boolean => this.text().trim().length >= (this.ask.least ?? 3);
  protected send(): void {
    if (this.enough()) this.ref.close(this.text().trim());
  }
}

/** Opens the dialog; what was written, where it was not left with “not yet”. */
export const askReason = (dialog: MatDialog, data: ReasonAsk): Observable<string> =>
  dialog
    .open<ReasonDialog, ReasonAsk, string>(ReasonDialog, { width: '460px', data })
    .afterClosed()
    .pipe(filter((text) => text !== undefined));
