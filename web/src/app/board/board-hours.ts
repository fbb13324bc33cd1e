import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatFormField, MatInput, MatLabel } from '@angular/material/input';
import { MatOption, MatSelect } from '@angular/material/select';
import type { BoardEffect, BoardPage } from '@druckerei/contract';
import { formatMoment, formatMoney, say } from '@druckerei/core/words';
import { DateTime } from 'luxon';
import type { Failure } from '../shared/api';
import { MomentFields } from '../shared/moment-fields';
import { Server } from '../shared/server';
import { effectSays } from './board-says';

interface Asked {
  machine: string;
  from: string;
  until: string;
  opens: boolean;
  why: string;
}
/** What stands is asked about for a shift, unless somebody says another time. */
const SHIFT_H = 8;

/** Machines that stand or are worked longer: what that comes to is seen before it is set, and taken back when it is over. */
@Component({
  selector: 'dk-board-hours',
  imports: [MatButton, MatButtonToggle, MatButtonToggleGroup, MatFormField, MatInput, MatLabel, MatOption, MatSelect, MomentFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section [attr.aria-label]="say('board.hours')">
    <h2>{{ say('board.hours') }}</h2>
    <ul>
      @for (h of page().hours; track h.id) {
        <li data-figures>
          {{ say(h.opens ? 'board.hours.opens' : 'board.hours.stands', nameOf(h.machine), moment(h.from), moment(h.until))
          }}{{ h.why === '' ? '' : ': ' + h.why }} <span class="soft">{{ say('board.hours.by', h.by) }}</span>
          @if (may()) {
            <button type="button" matButton (click)="end(h.id)">{{ say('board.hours.end') }}</button>
          }
        </li>
      } @empty {
        <li class="soft">{{ say('board.hours.none') }}</li>
      }
    </ul>
    @if (asked(); as a) {
      <form (submit)="$event.preventDefault(); look()">
        <mat-form-field>
          <mat-label>{{ say('board.hours.machine') }}</mat-label>
          <mat-select [value]="a.machine" (selectionChange)="set({ machine: $event.value })">
            @for (l of page().lanes; track l.machine) {
              <mat-option [value]="l.machine">{{ l.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          [value]="a.opens"
          [attr.aria-label]="say('board.hours.which')"
          (change)="set({ opens: $event.value })"
        >
          <mat-button-toggle [value]="false">{{ say('board.hours.closes') }}</mat-button-toggle>
          <mat-button-toggle [value]="true">{{ say('board.hours.works') }}</mat-button-toggle>
        </mat-button-toggle-group>
        @for (end of ends; track end.of) {
          <div>
            {{ end.says }}
            <dk-moment-fields
              kind="moment"
              [takesFocus]="false"
              [label]="end.says"
              [value]="a[end.of]"
              (changed)="setEnd(end.of, $event)"
            />
          </div>
        }
        <mat-form-field>
          <mat-label>{{ say('board.hours.why') }}</mat-label>
          <input matInput #why maxlength="200" [value]="a.why" (input)="set({ why: why.value })" />
        </mat-form-field>
        @if (outcome(); as o) {
          <p role="status" data-figures>{{ says(o) }}</p>
          <button type="button" matButton="filled" (click)="setIt()">{{ say('board.hours.set') }}</button>
        } @else {
          <button type="submit" matButton="filled">{{ say('board.hours.try') }}</button>
        }
        <button type="button" matButton (click)="asked.set(null)">{{ say('board.leave') }}</button>
      </form>
    } @else if (may() && page().lanes.length > 0) {
      <button type="button" matButton (click)="ask()">{{ say('board.hours.ask') }}</button>
    }
  </section>`,
  styles: `
    ul {
      list-style: none;
      margin: 6px 0;
      padding: 0;
    }
    li {
      border-top: 1px solid var(--line);
      padding: 4px 0;
    }
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    mat-form-field {
      width: 100%;
    }
  `,
})
export class BoardHoursPanel {
  protected readonly say = say;
  protected readonly ends = [
    { of: 'from', says: say('board.hours.from') },
    { of: 'until', says: say('board.hours.until') },
  ] as const;
  readonly page = input.required<BoardPage>();
  readonly may = input(false);
  readonly made = output();
  readonly failed = output<Failure>();
  private readonly server = inject(Server);
  protected readonly asked = signal<Asked | null>(null);
  /** Of what is asked about as it is typed; another board or another hour is looked at anew. */
  private readonly looked = signal<{ of: Asked; nr: number; effect: BoardEffect } | null>(null);
  protected readonly outcome = computed(() => {
    const looked = this.looked();
    return looked !== null && looked.of === this.asked() && looked.nr === this.page().nr ? looked.effect : null;
  });

  protected moment = (at: number): string => formatMoment(at, this.page().timeZone);
  protected nameOf = (machine: string): string => this.page().lanes.find((l) => l.machine === machine)?.name ?? machine;
  protected says = (effect: BoardEffect): string => effectSays(effect, formatMoney(effect.money, this.page()));
  protected ask(): void {
    const { asOf, timeZone, lanes } = this.page();
    const hour = DateTime.fromSeconds(asOf, { zone: timeZone }).startOf('hour').plus({ hours: 1 });
    const text = (at: DateTime): string => at.toFormat("yyyy-LL-dd'T'HH:mm");
    this.asked.set({
      machine: lanes[0]?.machine ?? '',
      from: text(hour),
      until: text(hour.plus({ hours: SHIFT_H })),
      opens: false,
      why: '',
    });
  }
  protected set(more: Partial<Asked>): void {
    this.asked.update((a) => a && { ...a, ...more });
  }
  protected setEnd(end: 'from' | 'until', at: string): void {
    this.set(end === 'from' ? { from: at } : { until: at });
  }
  protected look(): void {
    const [of, { nr }] = [this.asked(), this.page()];
    if (!of) return;
    this.server.send('board.tryHours', { body: { base: nr, hours: [of] } }).subscribe({
      next: (effect) => this.looked.set({ of, nr, effect }),
      error: (f: Failure) => this.failed.emit(f),
    });
  }
  protected setIt(): void {
    const asked = this.asked();
    if (!asked) return;
    this.server.send('board.setHours', { body: { id: crypto.randomUUID(), ...asked } }).subscribe({
      next: () => {
        this.asked.set(null);
        this.made.emit();
      },
      error: (f: Failure) => this.failed.emit(f),
    });
  }
  protected end(id: string): void {
    this.server.send('board.endHours', { params: { id } }).subscribe({
      next: () => this.made.emit(),
      error: (f: Failure) => this.failed.emit(f),
    });
  }
}
