import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatIcon } from '@angular/material/icon';

/** A sign of the shipped set, drawn from its path; what it does is said by the button it stands in. */
@Component({
  selector: 'dk-icon',
  imports: [MatIcon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<mat-icon aria-hidden="true"
    ><svg viewBox="0 0 24 24" [attr.width]="size()" [attr.height]="size()" fill="currentColor"><path [attr.d]="path()" /></svg
  ></mat-icon>`,
  styles: `
    :host,
    mat-icon {
      display: inline-flex;
      width: auto;
      height: auto;
      vertical-align: middle;
    }
  `,
})
export class Icon {
  readonly path = input.required<string>();
  readonly size = input(18);
}
