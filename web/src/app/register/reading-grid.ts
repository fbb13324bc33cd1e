import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Observable } from 'rxjs';
import type { RegisterDesk } from '@druckerei/contract';
import { inkColour, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { isWrongMm, typedMm } from './typed-mm';
import { InPlace } from '../shared/in-place';

type Cells = Record<string, { dx: string; dy: string }>;

/** The next reading: of each colour at each mark, typed, out of a file, or from the simulated camera; with the sheets that were pulled for it. */
@Component({
  selector: 'dk-reading-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InPlace, MatButton, MatInputModule],
  template: `<div class="row">
      <h2>{{ say('register.nextReading') }}</h2>
      <button type="button" matButton="outlined" (click)="simulate()">{{ say('register.simulatedCamera') }}</button>
      <label class="choose"
        >{{ say('register.fromFile') }}<input #file class="said" type="file" accept=".csv,.txt" (change)="read(file)"
      /></label>
      <button type="button" matButton (click)="closed.emit()">{{ say('register.close') }}</button>
    </div>
    <p class="soft">{{ say('register.howToRead', reference()) }}</p>
    @if (notes()) {
      <p class="soft" role="status" data-figures>{{ notes() }}</p>
    }
    <div class="scroll">
      <table class="lines">
        <thead>
          <tr>
            <th>{{ say('register.mark') }}</th>
            @for (ink of colours(); track ink) {
              <th colspan="2" data-figures><span class="swatch" [style.background]="colour(ink)" aria-hidden="true"></span> {{ ink }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (m of desk().marks; track m.id) {
            <tr>
              <th data-figures>{{ m.id }}</th>
              @for (ink of colours(); track ink) {
                @for (way of ways; track way) {
                  <td>
                    <input
                      matInput
                      dkInPlace
                      #cell
                      inputmode="decimal"
                      [wrong]="isWrong(text(ink, m.id, way))"
                      [attr.aria-label]="say(way === 'dx' ? 'register.cellLateral' : 'register.cellRound', ink, m.id)"
                      [placeholder]="way === 'dx' ? '↔' : '↕'"
                      [value]="text(ink, m.id, way)"
                      (input)="type(ink, m.id, way, cell.value)"
                    />
                  </td>
                }
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <div class="row">
      <mat-form-field
        ><mat-label>{{ say('register.sheetsPulled') }}</mat-label
        ><input matInput #sheetsField class="narrow" inputmode="numeric" [value]="sheets()" (input)="sheets.set(sheetsField.value)"
      /></mat-form-field>
      <button type="button" matButton="filled" [disabled]="!ready()" (click)="send()">{{ say('register.takeReading') }}</button>
    </div>
    @if (stops(); as why) {
      <p class="fail" role="alert">{{ why }}</p>
    }`,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
    }
    .row {
      display: flex;
      gap: 14px;
      align-items: baseline;
      flex-wrap: wrap;
    }
    .scroll {
      overflow: auto;
      min-height: 0;
    }
    td .in-place {
      width: 68px;
    }
    .narrow {
      width: 70px;
    }
    .swatch {
      display: inline-block;
      width: 12px;
      height: 12px;
      border-radius: 3px;
    }
  `,
})
export class ReadingGrid {
  protected readonly say = say;
  protected readonly colour = inkColour;
  protected readonly isWrong = isWrongMm;
  protected readonly ways = ['dx', 'dy'] as const;
  readonly desk = input.required<RegisterDesk>();
  readonly asked = output<Observable<RegisterDesk>>();
  readonly refused = output<Failure>();
  readonly closed = output();
  private readonly server = inject(Server);
  protected readonly reference = computed(() => this.desk().inks[0] ?? '');
  protected readonly colours = computed(() => this.desk().inks.slice(1));
  /** Kept until it is taken, whatever others do meanwhile: the grid is made anew for each reading. */
  protected readonly cells = signal<Record<string, Cells>>({});
  private readonly id = crypto.randomUUID();
  private readonly from = signal<'typed' | 'file' | 'simulated'>('typed');
  protected readonly sheets = signal('20');
  protected readonly notes = signal('');
  private readonly read_ = computed(() =>
    this.colours().flatMap((ink) => {
      const readings = this.desk().marks.flatMap((m) => {
        const [dx, dy] = this.ways.map((w) => typedMm(this.text(ink, m.id, w)));
        return dx == null || dy == null ? [] : [{ mark: m.id, dxMm: dx, dyMm: dy }];
      });
      return readings.length === 0 ? [] : [{ ink, readings }];
    }),
  );
  private readonly wrong = computed(() =>
    Object.values(this.cells())
      .flatMap((marks) => Object.values(marks).flatMap((c) => [c.dx, c.dy]))
      .filter(isWrongMm),
  );
  /** What stops the reading, in words. */
  protected readonly stops = computed(() => {
    const wrong = this.wrong();
    return wrong.length === 0 ? '' : say(wrong.some((t) => typedMm(t) === null) ? 'register.noNumber' : 'register.otherUnit');
  });
  protected readonly ready = computed(() => this.read_().length > 0 && this.stops() === '' && Number.isInteger(Number(this.sheets())));

  protected text = (ink: string, mark: string, way: 'dx' | 'dy'): string => this.cells()[ink]?.[mark]?.[way] ?? '';
  protected type(ink: string, mark: string, way: 'dx' | 'dy', text: string): void {
    this.from.set('typed');
    this.put(ink, mark, { [way]: text });
  }
  private put(ink: string, mark: string, more: Partial<{ dx: string; dy: string }>): void {
    this.cells.update((c) => ({ ...c, [ink]: { ...c[ink], [mark]: { dx: '', dy: '', ...c[ink]?.[mark], ...more } } }));
  }
  private fill(inks: readonly { ink: string; readings: readonly { mark: string; dxMm: number; dyMm: number }[] }[]): void {
    for (const { ink, readings } of inks) for (const r of readings) this.put(ink, r.mark, { dx: String(r.dxMm), dy: String(r.dyMm) });
  }
  protected simulate(): void {
    const { job, step, marks } = this.desk();
    this.server
      .send('register.simulate', { params: { id: job, step }, body: { marks: [...marks], reference: this.reference() } })
      .subscribe({
        next: ({ colours }) => {
          this.fill(colours);
          this.from.set('simulated');
          this.notes.set(say('register.simulatedSays'));
        },
        error: (f: Failure) => {
          this.refused.emit(f);
        },
      });
  }
  protected read(from: HTMLInputElement): void {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    this.server.send('register.file', { file }).subscribe({
      next: ({ inks, bad }) => {
        this.fill(inks);
        this.from.set('file');
        this.notes.set(
          bad.length === 0
            ? say('register.readFile', inks.length)
            : `${say('register.readFile', inks.length)} ${say('register.badLines', bad.length, bad[0]?.line ?? 0, bad[0]?.says ?? '')}`,
        );
      },
      error: (f: Failure) => {
        this.refused.emit(f);
      },
    });
  }
  protected send(): void {
    const { job, step, marks } = this.desk();
    this.asked.emit(
      this.server.send('register.send', {
        params: { id: job, step },
        body: {
          id: this.id,
          reference: this.reference(),
          marks: [...marks],
          colours: this.read_(),
          sheets: Number(this.sheets()),
          sheet: null,
          from: this.from(),
        },
      }),
    );
  }
}
