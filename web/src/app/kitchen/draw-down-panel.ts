import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, viewChild } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { NgApexchartsModule } from 'ng-apexcharts';
import type { Observable } from 'rxjs';
import type { InkDesk } from '@druckerei/contract';
import { type BaseInk, type DrawDownAnswer, formatNumber, label, say, screenColour } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { chartColours } from '../shared/chart-colours';
import { askReason } from '../shared/reason-dialog';
import { MeasureField } from './measure-field';
import { sent } from './measured';
import { keptFor } from '../shared/kept-for';

type Correction = { add: { base: string; kg: number }[]; deltaE: number; modelOff: number };

/** Draw-downs of the newest batch: measured, judged, answered; what to add when one is off; how they came nearer, as a chart. */
@Component({
  selector: 'dk-draw-down-panel',
  imports: [MeasureField, NgApexchartsModule, MatButton, MatCheckbox, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './draw-down-panel.html',
  styleUrl: './draw-down-panel.scss',
})
export class DrawDownPanel {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly colour = screenColour;
  readonly desk = input.required<InkDesk>();
  readonly bases = input.required<readonly BaseInk[]>();
  readonly may = input(false);
  readonly asked = output<Observable<InkDesk>>();
  readonly refused = output<Failure>();
  private readonly server = inject(Server);
  private readonly dialog = inject(MatDialog);
  private readonly field = viewChild(MeasureField);
  protected readonly colours = chartColours();
  protected readonly batch = computed(() => this.desk().batches[0] ?? null);
  protected readonly last = computed(() => this.desk().drawDowns[0] ?? null);
  /** A draw-down nobody answered, of the batch that counts. */
  protected readonly open = computed(() => {
    const last = this.last();
    return last?.answer === null && last.batch === this.batch()?.id ? last : null;
  });
  protected readonly ready = computed(() => this.field()?.value() !== null);
  protected readonly allBases = signal(false);
  protected readonly correction = keptFor<Correction | null>(
    () => this.last()?.id ?? '',
    () => null,
  );
  protected readonly lots = keptFor<Record<string, string>>(
    () => this.last()?.id ?? '',
    () => ({}),
  );
  protected readonly corrections = computed(() =>
    (this.correction()?.add ?? []).map((a) => ({
      ...a,
      name: this.bases().find((b) => b.id === a.base)?.name ?? a.base,
      gram: formatNumber(1000 * a.kg, 0),
    })),
  );
  protected readonly lotsNamed = computed(() => this.corrections().every((c) => (this.lots()[c.base] ?? '').trim() !== ''));
  protected readonly adjusting = computed(() => this.last()?.answer?.answer === 'adjust' || this.open() !== null);
  protected readonly chart = computed(() => {
    const rows = [...this.desk().drawDowns].reverse();
    return {
      series: [{ name: 'ΔE', data: rows.map((d) => Math.round(100 * d.verdict.deltaE) / 100) }],
      names: rows.map((_, i) => String(i + 1)),
    };
  });
  protected readonly contents = computed(() =>
    (this.batch()?.weighings ?? []).map((w) => ({ ...w, name: this.bases().find((b) => b.id === w.base)?.name ?? w.pail ?? w.base })),
  );

  protected simulate(): void {
    const batch = this.batch();
    if (batch)
      this.server.send('kitchen.simulate', { params: { id: batch.id }, body: { reading: this.desk().drawDowns.length + 1 } }).subscribe({
        next: ({ measured }) => this.field()?.put({ ...measured, mode: 'M1', backing: 'white', from: 'simulated' }),
        error: (f: Failure) => {
          this.refused.emit(f);
        },
      });
  }
  protected write(): void {
    const [batch, measured] = [this.batch(), this.field()?.value()];
    if (batch && measured)
      this.asked.emit(
        this.server.send('kitchen.drawDown', { params: { id: batch.id }, body: { id: crypto.randomUUID(), measured: sent(measured) } }),
      );
  }
  protected answer(answer: DrawDownAnswer): void {
    const draw = this.open();
    if (!draw) return;
    const go = (reason: string): void => {
      this.asked.emit(this.server.send('kitchen.answer', { params: { id: draw.id }, body: { answer, reason } }));
    };
    if (answer === 'accept' || answer === 'adjust') go('');
    else
      askReason(this.dialog, {
        title: say('kitchen.decideTitle'),
        says: say('kitchen.decideSays'),
        button: say('kitchen.decide'),
      }).subscribe(go);
  }
  protected correct(): void {
    const last = this.last();
    if (last)
      this.server.send('kitchen.correct', { params: { id: last.id }, body: { mostShare: 0.5, allBases: this.allBases() } }).subscribe({
        next: (c) => this.correction.set(c),
        error: (f: Failure) => {
          this.refused.emit(f);
        },
      });
  }
  protected add(): void {
    const batch = this.batch();
    if (batch)
      this.asked.emit(
        this.server.send('kitchen.add', {
          params: { id: batch.id },
          body: {
            id: crypto.randomUUID(),
            weighed: this.corrections().map((c) => ({ base: c.base, kg: Math.max(c.kg, 0.0001), lot: (this.lots()[c.base] ?? '').trim() })),
            reason: say('kitchen.afterDrawDown', this.desk().drawDowns.length),
          },
        }),
      );
  }
  protected typeLot(base: string, text: string): void {
    this.lots.update((l) => ({ ...l, [base]: text }));
  }
  protected gram = (kg: number): string => `${formatNumber(1000 * kg, 1)} g`;
}
