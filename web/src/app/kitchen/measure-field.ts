import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { map } from 'rxjs';
import { MatInputModule } from '@angular/material/input';
import { BACKINGS, formatNumber, MEASURED_IN, type Measurement, say, readNumber } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** A colour as it is measured: L*, a*, b* typed, or a text file of an instrument; with light, filter and backing. */
@Component({
  selector: 'dk-measure-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, ReactiveFormsModule],
  template: `<div class="row" [formGroup]="form">
      @for (c of channels; track c.key) {
        <mat-form-field
          ><mat-label>{{ c.name }}</mat-label
          ><input matInput inputmode="decimal" [formControlName]="c.key" (input)="typedByHand()"
        /></mat-form-field>
      }
      <mat-form-field
        ><mat-label>{{ say('kitchen.mode') }}</mat-label
        ><select matNativeControl formControlName="mode">
          @for (m of modes; track m) {
            <option [value]="m">{{ m }}</option>
          }
        </select></mat-form-field
      >
      <mat-form-field
        ><mat-label>{{ say('kitchen.backing') }}</mat-label
        ><select matNativeControl formControlName="backing">
          @for (b of backings; track b) {
            <option [value]="b">
              {{ say(b === 'black' ? 'kitchen.onBlack' : b === 'white' ? 'kitchen.onWhite' : 'kitchen.onItself') }}
            </option>
          }
        </select></mat-form-field
      >
      <label class="choose"
        >{{ say('kitchen.fromFile') }}<input #file class="said" type="file" accept=".csv,.txt,.cgats" (change)="read(file)"
      /></label>
    </div>
    @if (rows().length > 1) {
      <mat-form-field
        ><mat-label>{{ say('kitchen.whichOfFile') }}</mat-label
        ><select matNativeControl #row (change)="take(row.selectedIndex)">
          @for (r of rows(); track $index) {
            <option>{{ r.name }}</option>
          }
        </select></mat-form-field
      >
    }
    @if (notes()) {
      <p class="soft" role="status" data-figures>{{ notes() }}</p>
    }
    @if (wrong()) {
      <p class="fail" role="alert">{{ wrong() }}</p>
    }`,
  styles: `
    .row {
      display: flex;
      gap: 12px;
      align-items: end;
      flex-wrap: wrap;
    }
  `,
})
export class MeasureField {
  protected readonly say = say;
  protected readonly channels = [
    { key: 'l', name: 'L*' },
    { key: 'a', name: 'a*' },
    { key: 'b', name: 'b*' },
  ] as const;
  protected readonly modes = MEASURED_IN;
  protected readonly backings = BACKINGS;
  readonly refused = output<Failure>();
  private readonly server = inject(Server);
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    ...{ l: '', a: '', b: '' },
    mode: this.build.control<Measurement['mode']>('M1'),
    backing: this.build.control<Measurement['backing']>('white'),
  });
  private readonly now = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue())), {
    initialValue: this.form.getRawValue(),
  });
  private readonly typed = computed(() => [this.now().l, this.now().a, this.now().b]);
  protected readonly rows = signal<
    readonly { name: string; lab: Measurement['lab']; spectrum?: readonly number[] | undefined; notes: string[] }[]
  >([]);
  private readonly spectrum = signal<readonly number[] | undefined>(undefined);
  private readonly source = signal<Measurement['from']>('typed');
  protected readonly notes = signal('');
  private readonly numbers = computed(() => this.typed().map((t) => readNumber(t)));
  protected readonly wrong = computed(() => {
    if (this.typed().every((t) => t.trim() === '')) return '';
    const [l = NaN] = this.numbers();
    if (this.typed().some((t) => t.trim() === '') || this.numbers().some(Number.isNaN)) return say('kitchen.threeNumbers');
    return l < 0 || l > 100 ? say('kitchen.lBetween') : '';
  });
  /** What was measured; null while it is half typed. */
  readonly value = computed((): Measurement | null => {
    const [l, a, b] = this.numbers() as [number, number, number];
    if (this.wrong() !== '' || this.typed().some((t) => t.trim() === '')) return null;
    const spectrum = this.spectrum();
    return { lab: [l, a, b], ...(spectrum && { spectrum }), mode: this.now().mode, backing: this.now().backing, from: this.source() };
  });

  /** Puts a measurement of an instrument in. */
  put(m: Measurement): void {
    const [l, a, b] = m.lab.map((v) => String(Math.round(v * 1000) / 1000)) as [string, string, string];
    this.form.setValue({ l, a, b, mode: m.mode, backing: m.backing });
    this.spectrum.set(m.spectrum);
    this.source.set(m.from);
  }
  /** What an instrument measured beside the three numbers is no longer theirs. */
  protected typedByHand(): void {
    this.spectrum.set(undefined);
    this.source.set('typed');
    this.notes.set('');
  }
  protected read(from: HTMLInputElement): void {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    this.server.send('kitchen.file', { file }).subscribe({
      next: ({ rows, bad }) => {
        this.rows.set(rows);
        this.take(0);
        if (bad.length > 0)
          this.notes.update((n) => `${n} ${say('kitchen.badLines', bad.length, bad[0]?.line ?? 0, bad[0]?.says ?? '')}`.trim());
      },
      error: (f: Failure) => {
        this.refused.emit(f);
      },
    });
  }
  protected take(at: number): void {
    const row = this.rows()[at];
    if (!row) return;
    this.put({ lab: row.lab, spectrum: row.spectrum, mode: this.now().mode, backing: this.now().backing, from: 'file' });
    const did = row.notes.map((n) =>
      say(n === 'percent' ? 'kitchen.wasPercent' : n === 'resampled' ? 'kitchen.wasResampled' : 'kitchen.wasExtended'),
    );
    this.notes.set([say('kitchen.readFromFile', row.name, formatNumber(row.lab[0], 1)), ...did].join(' · '));
  }
}
