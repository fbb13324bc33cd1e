import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** Once for a device: at which machine it stands. */
@Component({
  selector: 'dk-choose-machine',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `<h1>{{ say('terminal.atWhichMachine') }}</h1>
    @if (failure(); as f) {
      <p class="note level-decide" role="alert">{{ f.detail ?? f.title }}</p>
    }
    <div class="choices">
      @for (m of machines(); track m.id) {
        <button type="button" matButton="outlined" (click)="chosen.emit(m.id)">{{ m.name }}</button>
      }
    </div>`,
})
export class ChooseMachine {
  protected readonly say = say;
  readonly chosen = output<string>();
  protected readonly machines = signal<{ id: string; name: string }[]>([]);
  protected readonly failure = signal<Failure | null>(null);

  constructor() {
    inject(Server)
      .send('floor.board', {})
      .subscribe({
        next: ({ machines }) => {
          this.machines.set(machines.map((m) => ({ id: m.machine, name: m.name })));
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
  }
}
