import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Api, Replied } from '@druckerei/contract';
import {
  explainPull,
  formatMoment,
  formatNumber,
  inkColour,
  label,
  loupeScene,
  MOST_TURNS,
  PRACTICE_LEVELS,
  practicePress,
  type PracticeLevel,
  type PracticePress,
  pullSheets,
  say,
  type Setting,
  setUnits,
  USUAL_STEPS,
  usualMarks,
  type WayExplained,
  worstError,
} from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import type { Failure } from '../shared/api';
import { Works } from '../shared/works';
import { Server } from '../shared/server';
import { isWrongMm, typedMm } from './typed-mm';
import { InPlace } from '../shared/in-place';

const SHEET: [number, number] = [720, 520];
type Scores = Replied<Api['register.scores']>;
type Typed = Record<string, { lateral: string; round: string; cock: string }>;

/** A press to learn on: marks are read through the loupe, units are set by hand, sheets are pulled and wasted; then it is shown what an ideal sequence needs. */
@Component({
  selector: 'dk-practice-page',
  imports: [Drawing, RouterLink, InPlace, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './practice-page.html',
  styleUrl: './practice-page.scss',
})
export class PracticePage {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly colour = inkColour;
  protected readonly number = formatNumber;
  protected readonly levels = PRACTICE_LEVELS;
  protected readonly marks = usualMarks(SHEET);
  protected readonly ways = ['lateral', 'round', 'cock'] as const;
  private readonly server = inject(Server);
  private readonly start = signal<PracticePress | null>(null);
  private readonly pulled = signal<ReturnType<typeof pullSheets> | null>(null);
  /** One a game: a score that is sent again is one score. */
  private game = '';
  private readonly played = signal<Record<string, Setting[]>[]>([]);
  protected readonly typed = signal<Typed>({});
  protected readonly isWrong = isWrongMm;
  protected readonly wrong = computed(() => Object.values(this.typed()).some((t) => this.ways.some((by) => isWrongMm(t[by]))));
  protected readonly mark = signal('G1');
  /** What the last correction did. */
  protected readonly explained = signal<WayExplained[]>([]);
  protected readonly result = signal<Replied<Api['register.score']> | null>(null);
  protected readonly scores = signal<Scores>([]);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly press = computed(() => this.pulled()?.press ?? null);
  protected readonly inks = computed(() => this.press()?.inks.map((i) => i.ink) ?? []);
  protected readonly loupe = computed(() => {
    const pulled = this.pulled();
    return pulled
      ? loupeScene(
          'K',
          pulled.readings.flatMap((c) =>
            c.readings.filter((r) => r.mark === this.mark()).map((r) => ({ ink: c.ink, dxMm: r.dxMm, dyMm: r.dyMm })),
          ),
        )
      : null;
  });
  /** The learner is told no more than a colleague would: whether the worst mark is inside. */
  protected readonly inside = computed(() => {
    const [pulled, start] = [this.pulled(), this.start()];
    return pulled !== null && start !== null && worstError(pulled.readings) <= start.toleranceMm;
  });
  protected readonly facts = computed(() => {
    const [press, start] = [this.press(), this.start()];
    return press && start ? say('practice.facts', press.turns, press.waste, formatNumber(start.toleranceMm, 2)) : '';
  });

  constructor() {
    this.readScores();
  }
  protected begin(level: PracticeLevel): void {
    const press = practicePress((crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % 1_000_000, level, this.marks, SHEET);
    this.game = crypto.randomUUID();
    this.failure.set(null);
    this.start.set(press);
    this.pulled.set(pullSheets(press));
    this.played.set([]);
    this.typed.set({});
    this.result.set(null);
    this.explained.set([]);
  }
  protected type(ink: string, way: 'lateral' | 'round' | 'cock', text: string): void {
    this.typed.update((t) => ({ ...t, [ink]: { lateral: '', round: '', cock: '', ...t[ink], [way]: text } }));
  }
  protected pull(): void {
    const pulled = this.pulled();
    if (!pulled || this.wrong()) return;
    const settings = Object.fromEntries(
      Object.entries(this.typed()).map(([ink, t]) => [
        ink,
        this.ways.flatMap((by): Setting[] => {
          const step = by === 'cock' ? USUAL_STEPS.cockMm : USUAL_STEPS.lateralMm;
          const steps = Math.round((typedMm(t[by]) ?? 0) / step);
          return steps === 0 ? [] : [{ by, mm: steps * step, steps }];
        }),
      ]),
    );
    this.played.update((p) => [...p, settings]);
    this.typed.set({});
    const next = pullSheets(setUnits(pulled.press, settings));
    this.explained.set(explainPull(pulled, next, settings));
    this.pulled.set(next);
    if (this.inside() || this.played().length >= MOST_TURNS - 1) this.finish();
  }
  protected finish(): void {
    const start = this.start();
    if (!start || this.result()) return;
    this.server
      .send('register.score', { body: { id: this.game, seed: start.seed, level: start.level, turns: [...this.played(), {}] } })
      .subscribe({
        next: (r) => {
          this.result.set(r);
          this.readScores();
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
  }
  private readScores(): void {
    this.server.send('register.scores', {}).subscribe({
      next: (s) => this.scores.set(s),
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
  /** One correction in a sentence: what was set, how far off it was and is, and what to think of it. */
  protected explain = ({ ink, by, set, before, after, verdict }: WayExplained): string => {
    const way = label(`register.by.${by}`);
    const off = (mm: number): string => `${mm > 0 ? '+' : ''}${formatNumber(mm, 2)}`;
    return verdict === 'left'
      ? say('practice.wasLeft', ink, way, off(before), off(after))
      : say('practice.wasSet', ink, way, off(set), off(before), off(after), label(`practice.verdict.${verdict}`));
  };
  private readonly zone = inject(Works).zone;
  protected when = (at: number): string => formatMoment(at, this.zone());
  protected settingsSay = (s: Record<string, readonly Setting[]>): string =>
    Object.entries(s)
      .flatMap(([ink, all]) => all.map((x) => `${ink} ${label(`register.by.${x.by}`)} ${x.mm > 0 ? '+' : ''}${formatNumber(x.mm, 2)}`))
      .join(', ') || say('practice.nothingSet');
}
