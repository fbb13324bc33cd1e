import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Observable } from 'rxjs';
import type { Pail } from '@druckerei/contract';
import { formatNumber, type Lab, say, screenColour } from '@druckerei/core';
import { Server } from '../shared/server';
import { EditValue } from '../shared/edit-value';

/** Pails with what is left in them; a left-over set free may go into other inks. */
@Component({
  selector: 'dk-pail-list',
  imports: [EditValue, MatCheckbox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<table class="lines">
    <thead>
      <tr>
        <th></th>
        <th>{{ say('kitchen.pail') }}</th>
        <th>{{ say('kitchen.ink') }}</th>
        <th class="number">{{ say('kitchen.kgLeft') }}</th>
        <th>{{ say('kitchen.place') }}</th>
        <th>{{ say('kitchen.leftOver') }}</th>
      </tr>
    </thead>
    <tbody>
      @for (p of pails(); track p.id) {
        <tr data-figures>
          <td><span class="patch" [style.background]="colour(p.lab)" aria-hidden="true"></span></td>
          <td>{{ p.code }}</td>
          <td>{{ p.ink }}</td>
          <td class="number">
            <dk-edit-value
              kind="number"
              [label]="say('kitchen.kgLeft')"
              [value]="p.kg + ''"
              [display]="number(p.kg, 2)"
              [locked]="!may()"
              (changed)="set(p, { kg: $any($event) })"
            />
          </td>
          <td>
            <dk-edit-value
              kind="text"
              [label]="say('kitchen.place')"
              [value]="p.place"
              [locked]="!may()"
              (changed)="set(p, { place: $any($event ?? '') })"
            />
          </td>
          <td>
            <mat-checkbox [checked]="p.free" [disabled]="!may()" (change)="set(p, { free: $event.checked })">{{
              say('kitchen.freeForOthers')
            }}</mat-checkbox>
          </td>
        </tr>
      } @empty {
        <tr>
          <td colspan="6" class="soft">{{ say('kitchen.noPails') }}</td>
        </tr>
      }
    </tbody>
  </table>`,
  styles: `
    :host {
      display: block;
    }
    .patch {
      display: inline-block;
      width: 34px;
      height: 18px;
      border-radius: 4px;
      border: 1px solid var(--line);
    }
  `,
})
export class PailList {
  protected readonly say = say;
  protected readonly number = formatNumber;
  readonly pails = input.required<readonly Pail[]>();
  readonly may = input(false);
  readonly asked = output<Observable<Pail>>();
  private readonly server = inject(Server);
  private waiting: ReturnType<typeof setTimeout> | undefined;

  protected colour = (lab: Lab | null): string => (lab === null ? 'transparent' : screenColour(lab));
  protected set(p: Pail, more: Partial<Pick<Pail, 'kg' | 'place' | 'free'>>): void {
    const { kg = p.kg, place = p.place, free = p.free } = more;
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => {
      this.asked.emit(this.server.send('kitchen.pail', { params: { id: p.id }, body: { kg, place, free } }));
    }, 600);
  }
}
