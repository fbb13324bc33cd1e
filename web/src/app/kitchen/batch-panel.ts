import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Observable } from 'rxjs';
import type { InkDesk, Match, Pail } from '@druckerei/contract';
import { type BaseInk, formatNumber, reweigh, say, weighOut, readNumber } from '@druckerei/core';
import { Server } from '../shared/server';
import { InPlace } from '../shared/in-place';

interface Row {
  base: string;
  name: string;
  kg: number;
  totalKg: number;
  toleranceKg: number;
  weighed: number | null;
  inside: boolean;
}

/** The weigh-out sheet in the order of weighing: what the scale should show, what it showed, from which lot; too much of one is made good by more of the others. */
@Component({
  selector: 'dk-batch-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InPlace, MatButton, MatInputModule, ReactiveFormsModule],
  templateUrl: './batch-panel.html',
  styles: `
    .row {
      display: flex;
      gap: 18px;
      align-items: end;
      margin-bottom: 6px;
    }
    td .in-place {
      width: 100px;
    }
  `,
})
export class BatchPanel {
  protected readonly say = say;
  readonly desk = input.required<InkDesk>();
  readonly recipe = input.required<Match>();
  readonly bases = input.required<readonly BaseInk[]>();
  readonly pails = input.required<readonly Pail[]>();
  readonly may = input(false);
  readonly asked = output<Observable<InkDesk>>();
  private readonly server = inject(Server);
  protected readonly form = inject(NonNullableFormBuilder).group({ mass: '', pails: '1', place: '' });
  private readonly mass = toSignal(this.form.controls.mass.valueChanges, { initialValue: '' });
  protected readonly shown = linkedSignal<Match, Record<string, string>>({ source: () => this.recipe(), computation: () => ({}) });
  protected readonly lots = linkedSignal<Match, Record<string, string>>({ source: () => this.recipe(), computation: () => ({}) });
  private readonly id = linkedSignal<Match, string>({ source: () => this.recipe(), computation: () => crypto.randomUUID() });
  private readonly kg = computed(() => readNumber(this.mass()));
  private readonly weighed = computed(() =>
    Object.fromEntries(
      Object.entries(this.shown()).flatMap(([base, text]) => {
        // Typed as the scale and the sheet have it: in grams.
        const kg = readNumber(text) / 1000;
        return text.trim() === '' || Number.isNaN(kg) || kg <= 0 ? [] : [[base, kg] as const];
      }),
    ),
  );
  protected readonly sheet = computed((): { rows: Row[]; massKg: number; grown: boolean } => {
    const parts = this.recipe().parts;
    if (!(this.kg() > 0)) return { rows: [], massKg: 0, grown: false };
    const asked = weighOut(parts, this.kg());
    const within = (base: string, kg: number): boolean =>
      Math.abs(kg - (asked.find((w) => w.base === base)?.kg ?? 0)) <= (asked.find((w) => w.base === base)?.toleranceKg ?? 0);
    const over = Object.fromEntries(Object.entries(this.weighed()).filter(([base, kg]) => !within(base, kg)));
    const { weighings, massKg } = reweigh(parts, this.kg(), over);
    return {
      massKg,
      grown: massKg > this.kg() + 1e-6,
      rows: weighings.map((w) => {
        const kg = this.weighed()[w.base] ?? null;
        return { ...w, name: this.nameOf(w.base), weighed: kg, inside: kg === null || Math.abs(kg - w.kg) <= w.toleranceKg };
      }),
    };
  });
  protected readonly ready = computed(() => {
    const { rows } = this.sheet();
    return (
      rows.length > 0 &&
      rows.every((r) => r.weighed !== null && r.inside && (this.isPail(r.base) || (this.lots()[r.base] ?? '').trim() !== ''))
    );
  });
  constructor() {
    // What the job needs, until somebody says otherwise; the same need read anew leaves what was typed alone.
    const needed = computed(() => formatPlain(this.desk().neededKg));
    effect(() => {
      this.form.controls.mass.setValue(needed());
    });
  }
  protected gram = (kg: number): string => `${formatNumber(1000 * kg, 1)} g`;
  protected isPail = (base: string): boolean => base.startsWith(PAIL);
  protected nameOf(base: string): string {
    const pail = this.pails().find((p) => base === PAIL + p.id);
    return pail ? say('kitchen.leftOverOf', pail.ink, pail.code) : (this.bases().find((b) => b.id === base)?.name ?? base);
  }
  protected type(of: 'shown' | 'lots', base: string, text: string): void {
    this[of].update((t) => ({ ...t, [base]: text }));
  }
  protected save(): void {
    const { rows } = this.sheet();
    const { pails, place } = this.form.getRawValue();
    this.asked.emit(
      this.server.send('kitchen.batch', {
        params: { job: this.desk().job, ink: this.desk().ink },
        body: {
          id: this.id(),
          recipe: this.recipe().parts,
          weighed: rows.map((r) => ({
            base: r.base,
            kg: r.weighed ?? r.kg,
            lot: (this.lots()[r.base] ?? '').trim(),
            ...(this.isPail(r.base) && { pail: r.base.slice(PAIL.length) }),
          })),
          pails: Math.max(Math.round(readNumber(pails)) || 1, 1),
          place,
        },
      }),
    );
  }
}
const PAIL = 'pail:';
const formatPlain = (kg: number): string => String(Math.round(kg * 100) / 100);
