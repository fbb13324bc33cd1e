import { say } from '@druckerei/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, InjectionToken } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { Store } from '@ngrx/store';
import { SessionActions, sessionFeature } from './session.feature';

/** Whether the browser treats this address as safe: https, or this machine itself. */
export const SECURE = new InjectionToken<boolean>('secure', { factory: () => globalThis.isSecureContext });

/** A person signs in; nothing else is shown until then. */
@Component({
  selector: 'dk-sign-in',
  imports: [ReactiveFormsModule, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <main>
    <svg viewBox="0 0 400 90" aria-hidden="true" class="river">
      <path d="M0 12H120C150 12 150 24 180 24H270C300 24 300 32 330 32H400V66H330C300 66 300 68 270 68H180C150 68 150 78 120 78H0Z" />
    </svg>
    <h1>{{ say('signIn.druckerei') }}</h1>
    <p class="soft">
      {{ expired() ? say('signIn.yourSessionHasEndedSign') : say('signIn.fromTheOrderToThe') }}
    </p>
    @if (!secure) {
      <p class="note level-start" role="alert">{{ say('signIn.needsHttps') }}</p>
    }
    <form [formGroup]="form" (ngSubmit)="submit()">
      <mat-form-field
        ><mat-label>{{ say('signIn.name') }}</mat-label
        ><input matInput formControlName="name" autocomplete="username" autocapitalize="none" spellcheck="false"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('signIn.password') }}</mat-label
        ><input matInput formControlName="password" type="password" autocomplete="current-password"
      /></mat-form-field>
      <p class="fail" role="alert">{{ failed() }}</p>
      <button matButton="filled" type="submit" [disabled]="form.invalid || busy()">
        {{ busy() ? say('signIn.signingIn') : say('signIn.signIn') }}
      </button>
    </form>
  </main>`,
  styles: `
    :host {
      display: grid;
      place-items: center;
      min-height: 100vh;
    }
    main {
      width: 340px;
    }
    h1 {
      font-size: 34px;
      margin-top: 18px;
    }
    form {
      display: grid;
      gap: 14px;
      margin-top: 18px;
    }
    p {
      margin: 4px 0;
      min-height: 1.4em;
    }
    .river path {
      fill: var(--river);
      stroke: var(--act);
    }
  `,
})
export class SignIn {
  protected readonly say = say;
  /** From another machine a browser keeps entries and makes ids over https only. */
  protected readonly secure = inject(SECURE);
  private readonly store = inject(Store);
  protected readonly form = inject(NonNullableFormBuilder).group({ name: ['', Validators.required], password: ['', Validators.required] });
  private readonly call = this.store.selectSignal(sessionFeature.selectCall);
  protected readonly expired = this.store.selectSignal(sessionFeature.selectExpired);
  protected readonly busy = computed(() => this.call() === 'loading');
  protected readonly failed = computed(() => {
    const call = this.call();
    return typeof call === 'object' ? (call.failure.detail ?? call.failure.title) : '';
  });

  protected submit(): void {
    if (this.form.valid) this.store.dispatch(SessionActions.signInAsked(this.form.getRawValue()));
  }
}
