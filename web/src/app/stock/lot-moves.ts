import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Observable, tap } from 'rxjs';
import { formatMoment, formatNumber, label, say } from '@druckerei/core';
import type { Api, Replied } from '@druckerei/contract';
import { readingOf, Server } from '../shared/server';

type Move = Replied<Api['stock.moves']>[number];

/** What happened to a lot, the newest first. A wrong entry is taken back by a counter-entry; both stay. */
@Component({
  selector: 'dk-lot-moves',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `<div class="top">
      <h3>{{ say('lotMoves.whatHappenedTo', lot()) }}</h3>
      <button type="button" matButton (click)="closed.emit()">{{ say('lotMoves.close') }}</button>
    </div>
    <table>
      <tbody>
        @for (m of moves(); track m.id) {
          <tr [class.back]="m.takenBack">
            <td class="soft">{{ moment(m.at, zone()) }}</td>
            <td>{{ m.by }}</td>
            <td>{{ word('move.' + m.kind) }}</td>
            <td class="number">{{ m.quantity > 0 ? '+' : '' }}{{ m.caliperUm === null ? n(m.quantity) : n(m.caliperUm) + ' µm' }}</td>
            <td>{{ m.number ? say('lotMoves.job', m.number) : '' }} {{ m.note }}</td>
            <td>
              @if (may() && !m.takenBack && m.kind !== 'counter') {
                <button type="button" matButton (click)="takeBack(m)">{{ say('lotMoves.takeBack') }}</button>
              }
            </td>
          </tr>
        } @empty {
          <tr>
            <td class="soft">{{ say('lotMoves.nothingYet') }}</td>
          </tr>
        }
      </tbody>
    </table>`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin-bottom: 12px;
    }
    td {
      padding: 4px 12px 4px 0;
      border-bottom: 1px solid var(--line);
    }
    .back {
      text-decoration: line-through;
    }
  `,
})
export class LotMoves {
  protected readonly say = say;
  readonly lot = input.required<string>();
  readonly zone = input.required<string>();
  readonly may = input(false);
  readonly asked = output<Observable<unknown>>();
  readonly closed = output();
  private readonly server = inject(Server);
  private readonly read = readingOf('stock.moves', ['stock']);
  protected readonly moves = computed(() => this.read.got() ?? []);
  protected readonly n = formatNumber;
  protected readonly moment = formatMoment;
  protected readonly word = label;

  constructor() {
    effect(() => {
      this.read.ask({ params: { id: this.lot() } });
    });
  }
  protected takeBack({ id }: Move): void {
    const body = { key: crypto.randomUUID(), kind: 'counter' as const, quantity: 0, takesBack: id, note: say('lotMoves.enteredWrong') };
    this.asked.emit(
      this.server.send('stock.move', { params: { id: this.lot() }, body }).pipe(
        tap(() => {
          this.read.again();
        }),
      ),
    );
  }
}
