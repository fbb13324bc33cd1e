import { say } from '@druckerei/core/words';
import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type AbstractControl, NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatDialogRef } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { Store } from '@ngrx/store';
import { SessionActions, sessionFeature } from './session.feature';

const alike = (form: AbstractControl<{ password: string; again: string }>): { unlike: true } | null =>
  form.value.password === form.value.again ? null : { unlike: true };

/** A password of one's own: as a dialog when wished, or instead of everything else where somebody else set the one that is known. */
@Component({
  selector: 'dk-own-password',
  imports: [ReactiveFormsModule, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h1>{{ say('ownPassword.title') }}</h1>
    @if (must()) {
      <p>{{ say('ownPassword.must') }}</p>
    }
    <p class="soft">{{ say('ownPassword.rule') }}</p>
    <form [formGroup]="form" (ngSubmit)="submit()">
      <mat-form-field
        ><mat-label>{{ say('ownPassword.old') }}</mat-label
        ><input matInput formControlName="old" type="password" autocomplete="current-password"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('ownPassword.new') }}</mat-label
        ><input matInput formControlName="password" type="password" autocomplete="new-password"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('ownPassword.again') }}</mat-label
        ><input matInput formControlName="again" type="password" autocomplete="new-password"
      /></mat-form-field>
      <p class="fail" role="alert">{{ failed() }}</p>
      <div class="acts">
        <button matButton="filled" type="submit" [disabled]="!ready()">{{ say('ownPassword.set') }}</button>
        <button matButton="outlined" type="button" (click)="leave()">{{ must() ? say('app.signOut') : say('peopleList.leaveIt') }}</button>
      </div>
    </form>`,
  styles: `
    :host {
      display: block;
      width: 340px;
      margin: 24px auto;
      padding: 0 12px;
    }
    h1 {
      font-size: 22px;
    }
    form {
      display: grid;
      gap: 14px;
    }
    .fail {
      min-height: 1.4em;
      margin: 0;
    }
    .acts {
      display: flex;
      gap: 12px;
    }
  `,
})
export class OwnPassword {
  protected readonly say = say;
  private readonly store = inject(Store);
  private readonly dialog = inject(MatDialogRef<OwnPassword>, { optional: true });
  protected readonly form = inject(NonNullableFormBuilder).group(
    { old: ['', Validators.required], password: ['', [Validators.required, Validators.minLength(10)]], again: ['', Validators.required] },
    { validators: alike },
  );
  private readonly me = this.store.selectSignal(sessionFeature.selectMe);
  private readonly own = this.store.selectSignal(sessionFeature.selectOwn);
  private readonly shape = toSignal(this.form.events);
  protected readonly must = computed(() => this.me()?.mustChange === true);
  protected readonly ready = computed(() => {
    this.shape();
    return this.form.valid && this.own() !== 'loading';
  });
  protected readonly failed = computed(() => {
    this.shape();
    const own = this.own();
    if (this.form.controls.again.dirty && this.form.hasError('unlike')) return say('ownPassword.unlike');
    if (typeof own !== 'object') return '';
    const [field] = own.failure.fields ?? [];
    return field
      ? say(field.path === 'old' ? 'ownPassword.oldSays' : 'ownPassword.newSays', field.says)
      : (own.failure.detail ?? own.failure.title);
  });

  constructor() {
    this.store.dispatch(SessionActions.ownPasswordOpened());
    effect(() => {
      if (this.own() === 'set') this.dialog?.close();
    });
  }

  protected submit(): void {
    const { old, password } = this.form.getRawValue();
    if (this.form.valid) this.store.dispatch(SessionActions.ownPasswordAsked({ old, password }));
  }
  protected leave(): void {
    if (this.must()) this.store.dispatch(SessionActions.signOutAsked());
    else this.dialog?.close();
  }
}
