import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatStepperIntl, MatStepperModule } from '@angular/material/stepper';
import type { Observable } from 'rxjs';
import type { InkDesk as Desk, Match, Pail } from '@druckerei/contract';
import {
  type BaseInk,
  formatNumber,
  type Lab,
  label,
  labOf,
  type Measurement,
  mixed,
  overprintSpectrum,
  printedLab,
  PROCESS_FILMS,
  say,
  screenColour,
  stockShift,
  usualPaper,
} from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { BatchPanel } from './batch-panel';
import { DrawDownPanel } from './draw-down-panel';
import { MatchPanel } from './match-panel';
import { labSays, sent } from './measured';
import { SamplePanel } from './sample-panel';
import { keptFor } from '../shared/kept-for';

export type Stage = 'sample' | 'recipe' | 'weigh' | 'drawDown';
/** Share of a film that stays on a wet one. Common practice, no source: 0.7 to 0.95. */
const WET_TRAP = 0.85;
const STAGES: readonly Stage[] = ['sample', 'recipe', 'weigh', 'drawDown'];

/** What the stepper says of a step that is past, from the catalogue. */
function stepperWords(): MatStepperIntl {
  return Object.assign(new MatStepperIntl(), { completedLabel: say('kitchen.stepDone'), editableLabel: say('kitchen.stepDone') });
}

/** One ink of one job from the customer's sample to an accepted draw-down: patches side by side as the head, below it the stage one is at. */
@Component({
  selector: 'dk-ink-desk',
  imports: [BatchPanel, DrawDownPanel, MatchPanel, MatStepperModule, SamplePanel, RouterLink],
  providers: [{ provide: MatStepperIntl, useFactory: stepperWords }],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink-desk.html',
  styleUrl: './ink-desk.scss',
})
export class InkDesk {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly stages = STAGES;
  readonly desk = input.required<Desk>();
  readonly bases = input.required<readonly BaseInk[]>();
  readonly pails = input.required<readonly Pail[]>();
  readonly may = input(false);
  readonly asked = output<Observable<Desk>>();
  readonly refused = output<Failure>();
  private readonly server = inject(Server);
  /** The recipe taken from the matches, until it is weighed. */
  protected readonly recipe = keptFor<Match | null>(
    () => `${this.desk().job} ${this.desk().ink}`,
    () => null,
  );
  protected readonly drawn = computed(() => this.desk().drawDowns[0] ?? null);
  protected readonly accepted = computed(() => {
    const answer = this.drawn()?.answer?.answer;
    return answer === 'accept' || answer === 'decide';
  });
  /** Where the work stands: what comes next is shown. */
  protected readonly stage = linkedSignal<Stage>(() => {
    const d = this.desk();
    if (d.sample === null) return 'sample';
    if (d.batches.length === 0) return this.recipe() ? 'weigh' : 'recipe';
    return 'drawDown';
  });
  protected readonly patches = computed(() => {
    const d = this.desk();
    const of = (lab: Lab | null, says: string) => ({
      lab,
      says,
      colour: lab === null ? '' : screenColour(lab),
      text: lab === null ? '–' : labSays(lab),
    });
    return [
      of(d.sample?.measured.lab ?? null, say('kitchen.sample')),
      of(this.recipe()?.lab ?? this.mixedLab(), say('kitchen.predicted')),
      of(this.drawn()?.measured.lab ?? null, say('kitchen.measured')),
    ];
  });
  /** What the recipe taken, or the newest batch, should look like by the model. */
  private readonly mixedLab = computed((): Lab | null => {
    const film = this.film();
    return film && printedLab(film, this.desk().paper.reflectance);
  });
  /** Bases that let the stock show through, on a stock that is no white. */
  protected readonly shift = computed(() => {
    const film = this.film();
    if (!film || !this.desk().paper.measured) return null;
    const shift = stockShift(film, usualPaper('gloss'), this.desk().paper.reflectance);
    return shift.seen ? say('kitchen.stockShows', formatNumber(shift.deltaE, 1)) : null;
  });
  private readonly film = computed(() => {
    const recipe = this.recipe()?.parts ?? this.desk().batches[0]?.recipe ?? [];
    const of = recipe.flatMap((p) => this.bases().find((b) => b.id === p.base) ?? []);
    if (of.length === 0 || of.length !== recipe.length) return null;
    return {
      ...mixed(
        of,
        recipe.map((p) => p.parts),
      ),
      gsm: this.desk().filmGsm,
    };
  });
  /** The ink with each process ink of its pass, in printing order, the second on the first still wet. */
  protected readonly overprints = computed(() => {
    const [desk, own] = [this.desk(), this.film()];
    if (!own) return [];
    return desk.neighbours.flatMap((other) => {
      const film = PROCESS_FILMS[other];
      if (!film) return [];
      const first = desk.before.includes(other);
      const spectrum = first
        ? overprintSpectrum(film, own, desk.paper.reflectance, WET_TRAP)
        : overprintSpectrum(own, film, desk.paper.reflectance, WET_TRAP);
      return [
        {
          other,
          says: first ? say('kitchen.overprintOn', desk.ink, other) : say('kitchen.overprintOn', other, desk.ink),
          colour: screenColour(labOf(spectrum)),
        },
      ];
    });
  });
  protected readonly trapSays = say('kitchen.wetTrap', `${100 * WET_TRAP} %`);
  protected readonly binds = computed(() => {
    const { food, stands } = this.desk();
    const words = [...(food ? [label('kitchen.food')] : []), ...stands.map((s) => label(`fast.${s}`))];
    return words.length === 0 ? null : say('kitchen.bound', words.join(', '));
  });
  protected readonly needs = computed(() =>
    say('kitchen.needs', formatNumber(this.desk().neededKg, 2), formatNumber(this.desk().filmGsm, 2), this.desk().stockName),
  );

  protected reached = (stage: Stage): boolean => {
    const d = this.desk();
    if (stage === 'recipe') return d.sample !== null;
    if (stage === 'weigh') return this.recipe() !== null;
    return stage === 'sample' || d.batches.length > 0;
  };
  protected take(match: Match): void {
    this.recipe.set(match);
    this.stage.set('weigh');
  }
  protected sampled({ measured, tolerance }: { measured: Measurement; tolerance: number }): void {
    this.asked.emit(
      this.server.send('kitchen.sample', { params: this.at(), body: { id: crypto.randomUUID(), measured: sent(measured), tolerance } }),
    );
  }
  protected at = (): { job: string; ink: string } => ({ job: this.desk().job, ink: this.desk().ink });
}
