import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import {
  formatFigure,
  formatNumber,
  type Practice,
  PRACTICE_DEFAULTS,
  PRACTICE_ROOMS,
  PRACTICE_WORDS,
  practiceOf,
  type PracticeKey,
  TAG_WORDS,
  say,
} from '@druckerei/core';
import { EditValue, type EditKind, typedFrom } from '../shared/edit-value';
import type { RowContext } from './card-rows';
import { InPlace } from '../shared/in-place';

interface PracticeRow {
  key: PracticeKey;
  label: string;
  kind: EditKind;
  value: string;
  width: string;
  unit: string;
  practice: Practice;
  own: boolean;
  refused: string | null;
}
interface Typing {
  kind: EditKind;
  unit: string;
}
const HOUR = 3_600;
/** How a value is typed: hours where it is hours, percent for parts per million. */
const typingOf = ({ unit, value }: Practice, currency: string): Typing => {
  if (unit === 's') return value >= HOUR ? { kind: 'hours', unit: 'h' } : { kind: 'seconds', unit: 's' };
  if (unit === 'ppm') return { kind: 'percent', unit: '%' };
  return { kind: 'number', unit: formatFigure(2, unit, { timeZone: 'UTC', currency }).unit };
};

/** What the works goes by when nothing else is said: value, range, kind of source and source, room by room. */
@Component({
  selector: 'dk-practice-list',
  imports: [EditValue, InPlace, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<label class="find"
      ><span class="said">{{ say('practiceList.findAValue') }}</span
      ><input
        matInput
        dkInPlace
        type="search"
        [placeholder]="say('practiceList.findAValue')"
        [value]="find()"
        (input)="find.set($any($event.target).value)"
    /></label>
    @for (room of rooms(); track room.name) {
      <section>
        <h3>{{ room.name }}</h3>
        <table>
          <thead class="said">
            <tr>
              <th>{{ say('practiceList.what') }}</th>
              <th>{{ say('practiceList.value') }}</th>
              <th>{{ say('practiceList.halfWidth') }}</th>
              <th>{{ say('practiceList.source') }}</th>
              <th>{{ say('practiceList.back') }}</th>
            </tr>
          </thead>
          <tbody>
            @for (r of room.rows; track r.key) {
              <tr [class.own]="r.own">
                <th scope="row">{{ r.label }}</th>
                <td class="number">
                  <dk-edit-value [label]="r.label" [kind]="r.kind" [value]="r.value" [refused]="r.refused" (changed)="value(r, $event)" />
                  <span class="unit"> {{ r.unit }}</span>
                </td>
                <td class="number">
                  ±
                  <dk-edit-value
                    [label]="r.label + say('practiceList.halfWidthOfTheGuess')"
                    [kind]="r.kind"
                    [value]="r.width"
                    (changed)="width(r, $event)"
                  />
                </td>
                <td>
                  <div class="source" data-figures>
                    <span class="chip level-know">{{ tags[r.practice.tag] }}</span>
                    @if (r.own) {
                      <dk-edit-value
                        [label]="r.label + say('practiceList.source2')"
                        kind="text"
                        [value]="r.practice.source"
                        (changed)="source(r, $event)"
                      />
                    } @else {
                      <span class="soft">{{ r.practice.source === tags[r.practice.tag] ? '' : r.practice.source }}</span>
                    }
                  </div>
                </td>
                <td>
                  @if (r.own) {
                    <button type="button" matButton (click)="back(r)" [attr.aria-label]="r.label + say('practiceList.backToTheDefault')">
                      {{ say('practiceList.backTo', usual(r)) }}
                    </button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    } @empty {
      <p class="soft">{{ say('practiceList.noValueIsCalledThat') }}</p>
    }`,
  styles: `
    :host {
      display: block;
    }
    .find {
      display: block;
      width: 260px;
      margin-bottom: 10px;
    }
    section {
      margin-bottom: 14px;
    }
    h3 {
      font-size: 15px;
      margin: 0 0 2px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    tbody th {
      text-align: left;
      font-weight: 400;
      width: 30%;
    }
    th,
    td {
      border-bottom: 1px solid var(--line);
      padding: 2px 8px;
      vertical-align: baseline;
    }
    .number {
      width: 13%;
    }
    .own {
      background: var(--act-ground);
    }
    .own .unit,
    .own .soft {
      color: var(--ink);
    }
    .source {
      display: flex;
      gap: 8px;
      align-items: baseline;
    }
    .chip {
      white-space: nowrap;
    }
  `,
})
export class PracticeList {
  protected readonly say = say;
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly find = signal('');
  protected readonly tags = TAG_WORDS;
  protected readonly rooms = computed(() => {
    const { plant, refused } = this.context();
    const wanted = this.find().trim().toLowerCase();
    const rows = (Object.keys(PRACTICE_DEFAULTS) as PracticeKey[]).map((key): PracticeRow & { room: string } => {
      const practice = practiceOf(plant, key);
      const { kind, unit } = typingOf(practice, plant.currency);
      const at = `practice.${key}`;
      return {
        key,
        room: PRACTICE_ROOMS[key.split('.')[0] ?? ''] ?? '',
        label: PRACTICE_WORDS[key] ?? key,
        kind,
        unit,
        value: typedFrom(kind, practice.value),
        width: typedFrom(kind, practice.pm),
        practice,
        own: Object.hasOwn(plant.practice, key),
        refused: Object.entries(refused).find(([path]) => path.startsWith(at))?.[1] ?? null,
      };
    });
    const found = rows.filter((r) => `${r.room} ${r.label}`.toLowerCase().includes(wanted));
    return [...new Set(found.map((r) => r.room))].map((name) => ({ name, rows: found.filter((r) => r.room === name) }));
  });
  protected usual = (r: PracticeRow): string => {
    const d = PRACTICE_DEFAULTS[r.key];
    return `${formatNumber(Number(typedFrom(r.kind, d.value)), 3)} ${r.unit}`.trim();
  };
  protected value(r: PracticeRow, value: unknown): void {
    if (typeof value === 'number') this.put(r, { value });
    else if (value === undefined) this.back(r);
  }
  protected width(r: PracticeRow, pm: unknown): void {
    if (typeof pm === 'number') this.put(r, { pm });
  }
  protected source(r: PracticeRow, source: unknown): void {
    if (typeof source === 'string') this.put(r, { source });
  }
  protected back(r: PracticeRow): void {
    this.set.emit({ at: ['practice', r.key], value: undefined });
  }
  /** A value that was changed is the plant's own from then on, and says so. */
  private put({ key, practice, own }: PracticeRow, change: Partial<Practice>): void {
    const source = own ? practice.source : say('practiceList.setByTheWorks');
    this.set.emit({ at: ['practice', key], value: { ...practice, tag: 'own', source, ...change } });
  }
}
