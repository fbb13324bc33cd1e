import { ChangeDetectionStrategy, Component, input, type WritableSignal } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { say } from '@druckerei/core';

/** A field for metres: what it asks, and what is typed. */
export interface MetreField {
  label: Parameters<typeof say>[0];
  text: WritableSignal<string>;
}
/** Metres as they were typed, with a point or a comma; not a number: nothing, or none. */
export const metresOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

/** Fields for metres of a web, two beside one another. */
@Component({
  selector: 'dk-metre-fields',
  imports: [MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px 12px;
    }
  `,
  template: `@for (f of fields(); track f.label) {
    <mat-form-field subscriptSizing="dynamic">
      <mat-label>{{ say(f.label) }}</mat-label>
      <input
        matInput
        inputmode="decimal"
        autocomplete="off"
        [attr.aria-label]="say(f.label)"
        [value]="f.text()"
        (input)="f.text.set($any($event.target).value)"
      />
    </mat-form-field>
  }`,
})
export class MetreFields {
  protected readonly say = say;
  readonly fields = input.required<readonly MetreField[]>();
}
