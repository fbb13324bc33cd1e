import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { BoardBar, BoardPage } from '@druckerei/contract';
import { formatMoment, say } from '@druckerei/core/words';
import { DateTime } from 'luxon';
import type { Failure } from '../shared/api';
import { MomentFields } from '../shared/moment-fields';
import { Server } from '../shared/server';

/** What is decided of a step by hand: it begins where it lies, or not before a moment; or its pin is taken out. */
@Component({
  selector: 'dk-board-pin',
  imports: [MatButton, MomentFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (bar().pin; as pin) {
      <p data-figures>
        {{
          pin.start !== undefined
            ? say('board.pin.here', moment(pin.start), pin.by)
            : say('board.pin.notBefore', moment(pin.notBefore ?? 0), pin.by)
        }}
      </p>
      <button type="button" matButton (click)="toggle()">{{ say('board.pin.out') }}</button>
    } @else if (asks()) {
      <dk-moment-fields kind="moment" [label]="say('board.pin.asks')" [value]="wanted()" (changed)="wanted.set($event)" />
      <button type="button" matButton="filled" (click)="pinFrom()">{{ say('board.pin.set') }}</button>
      <button type="button" matButton (click)="asks.set(false)">{{ say('board.leave') }}</button>
    } @else {
      <button type="button" matButton (click)="toggle()">{{ say('board.pin') }} <kbd class="kbd" aria-hidden="true">P</kbd></button>
      <button type="button" matButton (click)="ask()">{{ say('board.pin.from') }}</button>
    }`,
  styles: `
    button.mat-mdc-button {
      margin: 0;
      padding-inline: 0;
      min-width: 0;
    }
  `,
})
export class BoardPin {
  protected readonly say = say;
  readonly page = input.required<BoardPage>();
  readonly bar = input.required<BoardBar>();
  readonly made = output();
  readonly failed = output<Failure>();
  private readonly server = inject(Server);
  protected readonly asks = signal(false);
  protected readonly wanted = signal('');

  protected moment = (at: number): string => formatMoment(at, this.page().timeZone);
  /** Pinned where it lies, or the pin taken out. */
  toggle(): void {
    this.send(this.bar().pin ? null : { kind: 'here' });
  }
  protected ask(): void {
    this.wanted.set(DateTime.fromSeconds(this.bar().start, { zone: this.page().timeZone }).toFormat("yyyy-LL-dd'T'HH:mm"));
    this.asks.set(true);
  }
  protected pinFrom(): void {
    this.asks.set(false);
    this.send({ kind: 'notBefore', by: this.wanted() });
  }
  private send(pin: { kind: 'here' } | { kind: 'notBefore'; by: string } | null): void {
    this.server.send('board.pin', { body: { base: this.page().nr, work: this.bar().work, pin } }).subscribe({
      next: () => this.made.emit(),
      error: (f: Failure) => this.failed.emit(f),
    });
  }
}
