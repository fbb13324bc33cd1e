import { ChangeDetectionStrategy, Component, computed, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { type Plant, PROCESS_WORDS, say } from '@druckerei/core';
import { newMachine, PROCESSES } from '@druckerei/core/planning';

/** A machine from its name and the kinds of work it does: its card begins with the abilities they ask for. */
@Component({
  selector: 'dk-new-machine',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, MatInputModule],
  template: `<form (submit)="$event.preventDefault(); enter()">
    <mat-form-field
      ><mat-label>{{ say('newMachine.name') }}</mat-label
      ><input matInput required maxlength="80" [value]="name()" (input)="name.set($any($event.target).value)"
    /></mat-form-field>
    <fieldset>
      <legend class="soft">{{ say('newMachine.kinds') }}</legend>
      @for (k of kinds; track k.id) {
        <mat-checkbox class="kind" [checked]="chosen().includes(k.id)" (change)="toggle(k.id, $event.checked)">{{ k.says }}</mat-checkbox>
      }
    </fieldset>
    <button matButton="filled" type="submit" [disabled]="!ready()">{{ say('newMachine.enter') }}</button>
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
  protected readonly name = signal('');
  protected readonly chosen = signal<string[]>([]);
  protected readonly ready = computed(() => this.name().trim() !== '' && this.chosen().length > 0);

  protected toggle(id: string, on: boolean): void {
    this.chosen.update((c) => (on ? [...c, id] : c.filter((x) => x !== id)));
  }
  protected enter(): void {
    if (this.ready()) this.entered.emit(newMachine(this.name().trim(), this.chosen()));
  }
}
