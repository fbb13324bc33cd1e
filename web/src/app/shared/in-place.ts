import { Directive, type DoCheck, ElementRef, inject, input } from '@angular/core';
import { MatInput } from '@angular/material/input';

/** A Material input or select that stands in a line of text or a cell of a table: dashed instead of boxed. Escape takes back what was typed since the focus came; Enter and leaving it keep it. */
@Directive({
  selector: 'input[dkInPlace], select[dkInPlace]',
  host: { class: 'in-place', '[class.wrong]': 'wrong()', '(focus)': 'begin()', '(keydown.escape)': 'back()' },
})
export class InPlace implements DoCheck {
  /** What stands in it cannot be taken; said beside it in words. */
  readonly wrong = input(false);
  private readonly field = inject<ElementRef<HTMLInputElement | HTMLSelectElement>>(ElementRef).nativeElement;
  private readonly material = inject(MatInput, { self: true });
  private before = '';

  ngDoCheck(): void {
    this.material.errorState = this.wrong();
  }
  protected begin(): void {
    this.before = this.field.value;
  }
  protected back(): void {
    if (this.field.value === this.before) return;
    this.field.value = this.before;
    // What listens to typing hears that it was taken back.
    this.field.dispatchEvent(new Event(this.field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  }
}
