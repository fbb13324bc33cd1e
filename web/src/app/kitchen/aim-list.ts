import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { switchMap } from 'rxjs';
import {
  aimOf,
  dotArea,
  formatNumber,
  inkColour,
  label,
  OutOfRange,
  type Plant,
  type PrintAim,
  type ProcessInk,
  say,
  screenColour,
  toneIncrease,
  readNumber,
} from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { EditValue } from '../shared/edit-value';
import { PlanContext } from '../shared/plan-context';
import { askReason } from '../shared/reason-dialog';

const SURFACES = ['gloss', 'matt', 'uncoated'] as const;
const INKS: readonly ProcessInk[] = ['K', 'C', 'M', 'Y'];
type Place = 'l' | 'a' | 'b' | 'density' | 'deltaE' | 'tvi50' | 'tviOff';

/** Aims of the process inks by paper, from memory of the standard until the works sets its own; and dot area and gain out of three densities. */
@Component({
  selector: 'dk-aim-list',
  imports: [EditValue, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './aim-list.html',
  styles: `
    :host {
      display: block;
    }
    .row {
      display: flex;
      gap: 14px;
      align-items: end;
      margin: 6px 0;
    }
    .swatch {
      display: inline-block;
      width: 34px;
      height: 18px;
      border-radius: 4px;
      border: 1px solid var(--line);
      vertical-align: -4px;
    }
    h3 {
      font-size: 14px;
      margin: 10px 0 4px;
    }
  `,
})
export class AimList {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly colour = inkColour;
  protected readonly surfaces = SURFACES;
  protected readonly places: readonly Place[] = ['l', 'a', 'b', 'deltaE', 'density', 'tvi50', 'tviOff'];
  readonly may = input(false);
  readonly refused = output<Failure>();
  private readonly server = inject(Server);
  private readonly plants = inject(PlanContext);
  private readonly dialog = inject(MatDialog);
  private readonly plant = signal<{ hash: string; plant: Plant } | null>(null);
  protected readonly drafted = signal(false);
  protected readonly surface = signal<(typeof SURFACES)[number]>('gloss');
  protected readonly rows = computed(() => {
    const known = this.plant();
    return known
      ? INKS.map((ink) => {
          const aim = aimOf(known.plant, this.surface(), ink);
          return { ink, aim, swatch: screenColour(aim.lab), own: known.plant.aims?.[this.surface()]?.[ink] !== undefined };
        })
      : [];
  });
  protected readonly densities = signal({ ink: 'C', paper: '0.06', solid: '1.45', tint: '0.52', file: '50', n: '1' });
  protected readonly fields = ['paper', 'solid', 'tint', 'file', 'n'] as const;
  /** Dot area and gain of what is typed, against the aim; or what it lacks. */
  protected readonly reckoned = computed(() => {
    const d = this.densities();
    const [paper, solid, tint, file, n] = this.fields.map((f) => readNumber(d[f])) as [number, number, number, number, number];
    try {
      const seen = dotArea({ paper, solid, tint }, n);
      const gain = toneIncrease(seen, file / 100);
      const aim = this.rows().find((r) => r.ink === d.ink)?.aim;
      // The aim stands at 50 %; elsewhere the curve is taken as its parabola.
      const wanted = aim ? aim.tvi50 * 4 * (file / 100) * (1 - file / 100) : 0;
      const inside = aim ? Math.abs(gain - wanted) <= aim.tviOff : true;
      return {
        inside,
        says: say(
          inside ? 'kitchen.gainIn' : 'kitchen.gainOut',
          formatNumber(100 * seen, 1),
          formatNumber(gain, 1),
          formatNumber(wanted, 1),
        ),
      };
    } catch (error) {
      if (error instanceof OutOfRange) return { inside: false, says: say('kitchen.densityMust', error.field, error.allowed) };
      throw error;
    }
  });

  constructor() {
    this.read();
  }
  private read(): void {
    this.plants
      .current()
      .pipe(switchMap(({ hash }) => this.plants.plant(hash).pipe(switchMap((plant) => [{ hash, plant }]))))
      .subscribe({
        next: (p) => this.plant.set(p),
        error: (f: Failure) => {
          this.refused.emit(f);
        },
      });
  }
  protected value = (aim: PrintAim, at: Place): number =>
    at === 'l' ? aim.lab[0] : at === 'a' ? aim.lab[1] : at === 'b' ? aim.lab[2] : aim[at];
  protected text = (aim: PrintAim, at: Place): string => String(this.value(aim, at));
  protected type(field: 'ink' | 'paper' | 'solid' | 'tint' | 'file' | 'n', text: string): void {
    this.densities.update((d) => ({ ...d, [field]: text }));
  }
  /** What is typed is a draft until it is put in force. */
  protected set(ink: ProcessInk, aim: PrintAim, at: Place, value: unknown): void {
    const known = this.plant();
    if (!known || typeof value !== 'number') return;
    const [l, a, b] = aim.lab;
    const next: PrintAim =
      at === 'l' || at === 'a' || at === 'b'
        ? { ...aim, lab: [at === 'l' ? value : l, at === 'a' ? value : a, at === 'b' ? value : b] }
        : { ...aim, [at]: value };
    const aims = { ...known.plant.aims, [this.surface()]: { ...known.plant.aims?.[this.surface()], [ink]: next } };
    this.plant.set({ hash: known.hash, plant: { ...known.plant, aims } });
    this.drafted.set(true);
  }
  /** A new aim is a setting of the works: it comes into force with a reason, and stays on record. */
  protected putInForce(): void {
    const known = this.plant();
    if (!known) return;
    askReason(this.dialog, { title: say('kitchen.newAim'), says: say('kitchen.newAimSays'), button: say('kitchen.putInForce') })
      .pipe(switchMap((reason) => this.server.send('plants.accept', { body: { before: known.hash, plant: known.plant, reason } })))
      .subscribe({
        next: () => {
          this.drafted.set(false);
          this.read();
        },
        error: (f: Failure) => {
          this.refused.emit(f);
        },
      });
  }
}
