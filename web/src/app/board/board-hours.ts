import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatFormField, MatInput, MatLabel } from '@angular/material/input';
import { MatOption, MatSelect } from '@angular/material/select';
import type { BoardEffect, BoardPage, HoursAsked } from '@druckerei/contract';
import { formatMoment, formatMoney, say } from '@druckerei/core/words';
import { DateTime } from 'luxon';
import type { Failure } from '../shared/api';
import { MomentFields } from '../shared/moment-fields';
import { Server } from '../shared/server';
import { effectSays } from './board-says';

type Asked = HoursAsked;
/** A copy of the board to play with: hours that nobody set, and a job before everything. */
interface Copy {
  hours: readonly (Asked & { id: string })[];
  first: string | null;
}
/** What stands is asked about for a shift, unless somebody says another time. */
const SHIFT_H = 8;

/** Machines that stand or are worked longer, and a copy of the board to try such hours and a rush order in: what it comes to is seen before it is taken. */
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
    @if (copy(); as c) {
      <h3>{{ say('board.copy') }}</h3>
      <ul class="copy">
        @for (h of c.hours; track h.id) {
          <li data-figures>
            {{ say(h.opens ? 'board.hours.opens' : 'board.hours.stands', nameOf(h.machine), typed(h.from), typed(h.until))
            }}{{ h.why === '' ? '' : ': ' + h.why }}
            <button type="button" matButton (click)="drop(h.id)">{{ say('board.copy.drop') }}</button>
          </li>
        }
        @if (c.first !== null) {
          <li data-figures>
            {{ say('board.copy.first', jobName(c.first)) }}
            <button type="button" matButton (click)="goFirst(null)">{{ say('board.copy.drop') }}</button>
          </li>
        }
      </ul>
      @if (outcome(); as o) {
        <p role="status" data-figures>{{ says(o) }}</p>
        <button type="button" matButton="filled" (click)="takeIt()">{{ say('board.copy.take') }}</button>
      }
      <button type="button" matButton (click)="leave()">{{ say('board.copy.leave') }}</button>
      @if (left().length > 0) {
        <p class="soft" role="status">{{ say('board.copy.left') }}</p>
        <ul>
          @for (l of left(); track $index) {
            <li class="soft" data-figures>{{ l.what }} {{ l.why }}</li>
          }
        </ul>
      }
      <mat-form-field>
        <mat-label>{{ say('board.copy.firstOf') }}</mat-label>
        <mat-select [value]="c.first" (selectionChange)="goFirst($event.value)">
          <mat-option [value]="null">{{ say('board.copy.none') }}</mat-option>
          @for (j of page().jobs; track j.job) {
            <mat-option [value]="j.job">{{ jobName(j.job) }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
      <form (submit)="$event.preventDefault(); add()">
        <mat-form-field>
          <mat-label>{{ say('board.hours.machine') }}</mat-label>
          <mat-select [value]="asked().machine" (selectionChange)="set({ machine: $event.value })">
            @for (l of page().lanes; track l.machine) {
              <mat-option [value]="l.machine">{{ l.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          [value]="asked().opens"
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
              [value]="asked()[end.of]"
              (changed)="setEnd(end.of, $event)"
            />
          </div>
        }
        <mat-form-field>
          <mat-label>{{ say('board.hours.why') }}</mat-label>
          <input matInput #why maxlength="200" [value]="asked().why" (input)="set({ why: why.value })" />
        </mat-form-field>
        <button type="submit" matButton="tonal">{{ say('board.hours.try') }}</button>
        <label class="choose"
          >{{ say('board.copy.file') }}<input #file class="said" type="file" accept=".ics,text/calendar" (change)="read(file)"
        /></label>
      </form>
    } @else if (may() && page().lanes.length > 0) {
      <button type="button" matButton (click)="begin()">{{ say('board.hours.ask') }}</button>
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
  /** What the copy holds; null: nobody plays. */
  protected readonly copy = signal<Copy | null>(null);
  protected readonly asked = signal<Asked>({ machine: '', from: '', until: '', opens: false, why: '' });
  /** What of a calendar file was no hours. */
  protected readonly left = signal<readonly { what: string; why: string }[]>([]);
  /** Of the copy as it is; another copy or another board is looked at anew. */
  private readonly looked = signal<{ of: Copy; nr: number; effect: BoardEffect } | null>(null);
  protected readonly outcome = computed(() => {
    const looked = this.looked();
    return looked !== null && looked.of === this.copy() && looked.nr === this.page().nr ? looked.effect : null;
  });

  constructor() {
    // What the copy comes to is told as soon as it, or the board, is another.
    effect(() => {
      const [of, { nr }] = [this.copy(), this.page()];
      if (of && (of.hours.length > 0 || of.first !== null)) untracked(() => this.look(of, nr));
    });
  }

  protected moment = (at: number): string => formatMoment(at, this.page().timeZone);
  protected nameOf = (machine: string): string => this.page().lanes.find((l) => l.machine === machine)?.name ?? machine;
  protected says = (effect: BoardEffect): string => effectSays(effect, formatMoney(effect.money, this.page()));
  /** As typed on the works' clock. */
  protected typed = (local: string): string => this.moment(DateTime.fromISO(local, { zone: this.page().timeZone }).toSeconds());
  protected jobName(job: string): string {
    const { number, title } = this.page().jobs.find((j) => j.job === job) ?? { number: '', title: '' };
    return `${number} ${title}`;
  }
  protected begin(): void {
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
    this.copy.set({ hours: [], first: null });
  }
  protected leave(): void {
    this.copy.set(null);
    this.left.set([]);
  }
  protected set(more: Partial<Asked>): void {
    this.asked.update((a) => ({ ...a, ...more }));
  }
  protected setEnd(end: 'from' | 'until', at: string): void {
    this.set(end === 'from' ? { from: at } : { until: at });
  }
  protected add(more: readonly Asked[] = [this.asked()]): void {
    this.copy.update((c) => c && { ...c, hours: [...c.hours, ...more.map((h) => ({ ...h, id: crypto.randomUUID() }))] });
  }
  protected drop(id: string): void {
    this.copy.update((c) => c && { ...c, hours: c.hours.filter((h) => h.id !== id) });
  }
  protected goFirst(first: string | null): void {
    this.copy.update((c) => c && { ...c, first });
  }
  /** Hours of the machine that is chosen, out of a calendar file; what they come to is seen before they are taken. */
  protected read(from: HTMLInputElement): void {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    const { machine, opens } = this.asked();
    this.server.send('board.readHours', { query: { machine, opens: opens ? 'true' : 'false' }, file }).subscribe({
      next: ({ hours, left }) => {
        this.add(hours);
        this.left.set(hours.length + left.length === 0 ? [{ what: file.name, why: say('board.copy.empty') }] : left);
      },
      error: (f: Failure) => this.failed.emit(f),
    });
  }
  private look(of: Copy, nr: number): void {
    const hours = of.hours.map(({ id: _id, ...h }) => h);
    this.server.send('board.tryCopy', { body: { base: nr, hours, first: of.first } }).subscribe({
      next: (effect) => this.looked.set({ of, nr, effect }),
      error: (f: Failure) => this.failed.emit(f),
    });
  }
  protected takeIt(): void {
    const copy = this.copy();
    if (!copy) return;
    this.server.send('board.takeCopy', { body: { base: this.page().nr, hours: [...copy.hours], first: copy.first } }).subscribe({
      next: () => {
        this.leave();
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
