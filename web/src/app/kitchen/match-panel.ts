import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatSliderModule } from '@angular/material/slider';
import type { Subscription } from 'rxjs';
import type { InkDesk, Match, Pail } from '@druckerei/contract';
import { type BaseInk, formatNumber, say, screenColour, readNumber } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** Asks for recipes: how near, of how many bases, how much from left-overs; shows the best beside each other with what differs. */
@Component({
  selector: 'dk-match-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, MatInputModule, MatExpansionModule, MatSliderModule, ReactiveFormsModule],
  templateUrl: './match-panel.html',
  styleUrl: './match-panel.scss',
})
export class MatchPanel {
  protected readonly say = say;
  protected readonly number = formatNumber;
  readonly desk = input.required<InkDesk>();
  readonly bases = input.required<readonly BaseInk[]>();
  readonly pails = input.required<readonly Pail[]>();
  readonly may = input(false);
  readonly taken = output<Match>();
  readonly refused = output<Failure>();
  private readonly server = inject(Server);
  protected readonly form = inject(NonNullableFormBuilder).group({ wish: '1', most: '4', share: 0 });
  /** Bases left out by the person; nothing: all that the order allows. */
  protected readonly without = signal<ReadonlySet<string>>(new Set());
  protected readonly found = signal<readonly Match[] | null>(null);
  protected readonly says = signal('');
  private readonly running = signal<Subscription | null>(null);
  protected readonly searching = computed(() => this.running() !== null);
  protected readonly rows = computed(() =>
    (this.found() ?? []).map((match) => ({
      match,
      colour: screenColour(match.lab),
      parts: match.parts.map((p) => ({ ...p, name: this.nameOf(p.base) })),
      underA: match.deltaEUnderA === null ? say('kitchen.notKnown') : formatNumber(match.deltaEUnderA, 2),
    })),
  );

  protected nameOf(base: string): string {
    const pail = this.pails().find((p) => base === `pail:${p.id}`);
    return pail ? say('kitchen.leftOverOf', pail.ink, pail.code) : (this.bases().find((b) => b.id === base)?.name ?? base);
  }
  protected toggle(base: string): void {
    this.without.update((w) => new Set(w.has(base) ? [...w].filter((b) => b !== base) : [...w, base]));
  }
  protected search(): void {
    const { wish, most, share } = this.form.getRawValue();
    const bases = this.without().size > 0 ? this.bases().flatMap((b) => (this.without().has(b.id) ? [] : [b.id])) : undefined;
    this.found.set(null);
    this.running.set(
      this.server
        .send('kitchen.match', {
          params: { job: this.desk().job, ink: this.desk().ink },
          body: { most: readNumber(most), wish: readNumber(wish), leftOverShare: share / 100, ...(bases && { bases }) },
        })
        .subscribe({
          next: ({ found, exact, tried, seconds }) => {
            this.running.set(null);
            this.found.set(found);
            const how = exact ? say('kitchen.allLookedAt', formatNumber(tried)) : say('kitchen.mayMiss', formatNumber(tried));
            this.says.set(`${how} ${say('kitchen.tookSeconds', formatNumber(seconds, 1))}`);
          },
          error: (f: Failure) => {
            this.running.set(null);
            this.refused.emit(f);
          },
        }),
    );
  }
  protected cancel(): void {
    this.running()?.unsubscribe();
    this.running.set(null);
  }
}
