import { BreakpointObserver } from '@angular/cdk/layout';
import type { ComponentType } from '@angular/cdk/portal';
import { inject, Injectable } from '@angular/core';
import { MAT_BOTTOM_SHEET_DATA, MatBottomSheet, MatBottomSheetRef } from '@angular/material/bottom-sheet';
import { MAT_DIALOG_DATA, MatDialog, MatDialogRef } from '@angular/material/dialog';

/** Narrower than this, what is looked at beside a page comes up from below. */
const SMALL = '(max-width: 720px)';

/** Something looked at beside a page: a dialog on a desk, a sheet from below on a small screen. */
@Injectable({ providedIn: 'root' })
export class Sheets {
  private readonly screen = inject(BreakpointObserver);
  private readonly dialog = inject(MatDialog);
  private readonly sheet = inject(MatBottomSheet);

  open(component: ComponentType<unknown>, data: object, ariaLabel: string): void {
    if (this.screen.isMatched(SMALL)) this.sheet.open(component, { data, ariaLabel });
    else this.dialog.open(component, { data, ariaLabel, width: '640px' });
  }
}
/** What such a part was opened with: the type is its own. */
export const sheetData = (): unknown => inject<unknown>(MAT_DIALOG_DATA, { optional: true }) ?? inject<unknown>(MAT_BOTTOM_SHEET_DATA);
/** Closes it, whichever of the two it is. */
export function sheetClose(): () => void {
  const [dialog, sheet] = [
    inject<MatDialogRef<unknown> | null>(MatDialogRef, { optional: true }),
    inject<MatBottomSheetRef | null>(MatBottomSheetRef, { optional: true }),
  ];
  return () => {
    dialog?.close();
    sheet?.dismiss();
  };
}
