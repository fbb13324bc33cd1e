import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { type Plant, PROCESS_WORDS, say } from '@druckerei/core';
import { newMachine, PROCESSES } from '@druckerei/core/planning';

/** A machine from its name and the kinds of work it does: its card begins with the abilities they ask for. */
@Component({
  selector: 'dk-new-machine',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, MatInputModule, ReactiveFormsModule],
  template: `<form [formGroup]="form" (ngSubmit)="enter()">
    <mat-form-field
      ><mat-label>{{ say('newMachine.name') }}</mat-label
      ><input matInput required maxlength="80" formControlName="name"
    /></mat-form-field>
    <fieldset>
      <legend class="soft">{{ say('newMachine.kinds') }}</legend>
      @for (k of kinds; track k.id) {
        <mat-checkbox class="kind" [checked]="form.value.kinds?.includes(k.id)" (change)="toggle(k.id, $event.checked)">{{
          k.says
        }}</mat-checkbox>
      }
    </fieldset>
    <button matButton="filled" type="submit" [disabled]="form.invalid">{{ say('newMachine.enter') }}</button>
    <button matButton="outlined" type="button" (click)="left.emit()">{{ say('newMachine.leave') }}</button>
  </form>`,
  styles: `
    form {
      padding: 8px 10px 12px;
    }
    fieldset {
      border: 0;
      padding: 0;
      margin: 8px 0;
      columns: 2;
    }
    .kind {
      display: block;
    }
  `,
})
export class NewMachine {
  protected readonly say = say;
  readonly entered = output<Plant['machines'][string]>();
  readonly left = output();
  protected readonly kinds = Object.keys(PROCESSES).map((id) => ({ id, says: PROCESS_WORDS[id] ?? id }));
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', [Validators.required, Validators.pattern(/\S/)]],
    kinds: [[] as string[], Validators.required],
  });

  protected toggle(id: string, on: boolean): void {
    const { kinds } = this.form.controls;
    kinds.setValue(on ? [...kinds.value, id] : kinds.value.filter((k) => k !== id));
  }
  protected enter(): void {
    const { name, kinds } = this.form.getRawValue();
    if (this.form.valid) this.entered.emit(newMachine(name.trim(), kinds));
  }
}
