import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { firstValueFrom } from 'rxjs';
import { say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { deviceName } from './device';
import { Keypad } from './keypad';
import { Outbox, type Someone } from './outbox';

/** Who works here now: a name, then the PIN. Without the line, those who signed on here before are known by this device. */
@Component({
  selector: 'dk-sign-on',
  imports: [Keypad, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (who(); as person) {
      <h1>{{ say('terminal.pinOf', person.fullName) }}</h1>
      @if (refused(); as says) {
        <p class="note level-decide" role="alert">{{ says }}</p>
      }
      <dk-keypad
        class="pin"
        [label]="say('terminal.pin')"
        [button]="say('terminal.signOn')"
        [secret]="true"
        [least]="4"
        (entered)="signOn($event)"
      />
      <button type="button" matButton="outlined" (click)="who.set(null); refused.set('')">
        {{ say('terminal.somebodyElse') }}
      </button>
    } @else {
      <h1>{{ say('terminal.whoWorksHere') }}</h1>
      <div class="choices">
        @for (p of people(); track p.id) {
          <button type="button" matButton="outlined" (click)="who.set(p)">{{ p.fullName }}</button>
        } @empty {
          <p class="soft">{{ say('terminal.nobodyHasAPin') }}</p>
        }
      </div>
    }`,
  styles: `
    .pin {
      max-width: 480px;
      margin-bottom: 12px;
    }
  `,
})
export class SignOn {
  protected readonly say = say;
  private readonly server = inject(Server);
  private readonly outbox = inject(Outbox);
  readonly people = input.required<Someone[]>();
  readonly signedOn = output<Someone & { token: string }>();
  protected readonly who = signal<Someone | null>(null);
  protected readonly refused = signal('');

  protected async signOn(pin: string): Promise<void> {
    const person = this.who();
    if (!person) return;
    this.refused.set('');
    try {
      const { token } = await firstValueFrom(this.server.send('floor.signOn', { body: { person: person.id, pin, device: deviceName() } }));
      await this.outbox.remember({ ...person, token }, pin);
      this.signedOn.emit({ ...person, token });
    } catch (error) {
      const failure = error as Failure;
      const known = failure.status === 0 || failure.status >= 500 ? await this.outbox.recognise(person.id, pin) : null;
      if (known) this.signedOn.emit({ id: known.id, fullName: known.fullName, initials: known.initials, token: known.token });
      else
        this.refused.set(
          failure.status === 0
            ? say('terminal.notKnownHere')
            : (failure.fields?.map((f) => say('terminal.pinWrong', f.says)).join(' ') ?? failure.detail ?? failure.title),
        );
    }
  }
}
