import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, type OnDestroy, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatInput } from '@angular/material/input';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import {
  bookTemplates,
  dummyScene,
  type Form,
  foldSays,
  foldStepScene,
  type Imposed,
  label,
  type Plan,
  type Plant,
  PRACTICE_DEFAULTS,
  say,
  type Shelf,
  sheetScene,
} from '@druckerei/core';
import { CustomerPages } from '../customer-pages/customer-pages';
import { Drawing } from '../drawings/drawing';
import { TakeOut } from '../drawings/take-out';
import { JobFile } from './job-file';

/** A fold is shown so long before the next, ms. */
const A_FOLD_MS = 1_200;

/** More sheets are chosen from a list. */
const MOST_SIDE_BY_SIDE = 4;
/** More sections of one sheet likewise: they stand over the folded one. */
const MOST_SECTIONS = 2;

/** A form on which sections lie. */
interface Sheet {
  form: Form;
  imposed: Imposed;
  says: string;
}

/** The sheets of a booklet or book: pages of both sides, a page lit wherever it is seen; a section folded step by step; the dummy to fold by hand; lists. */
@Component({
  selector: 'dk-section-sheets',
  imports: [
    CustomerPages,
    Drawing,
    JobFile,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatInput,
    MatSlider,
    MatSliderThumb,
    TakeOut,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './section-sheets.html',
  styleUrl: './section-sheets.scss',
})
export class SectionSheets implements OnDestroy {
  protected readonly say = say;
  protected readonly label = label;
  readonly job = input.required<string>();
  readonly plan = input.required<Plan>();
  readonly plant = input.required<Plant>();
  readonly shelf = input.required<Shelf>();

  protected readonly mostSideBySide = MOST_SIDE_BY_SIDE;
  protected readonly mostSections = MOST_SECTIONS;
  private readonly mine = computed(() => Object.values(this.plan().parts).filter((p) => p.product === this.product()));
  /** What the customer draws the outside of the book on. */
  protected readonly templates = computed(() => bookTemplates(this.mine(), this.plant()));
  /** Whether sections are gathered behind one another; whether the book has a case. */
  protected readonly isGathered = computed(() => this.mine().some((p) => p.traits?.bound?.nested === false));
  protected readonly hasCase = computed(() => this.mine().some((p) => p.traits?.cased));

  protected readonly sheets = computed((): Sheet[] => sheetsOf(this.plan()));
  private readonly chosen = signal<string | null>(null);
  protected readonly sheet = computed(() => this.sheets().find((s) => s.form.id === this.chosen()) ?? this.sheets()[0] ?? null);
  /** Whose sheet is shown. */
  protected readonly product = computed(() => this.plan().parts[this.sheet()?.form.parts[0] ?? '']?.product ?? null);
  private readonly chosenSection = signal<string | null>(null);
  protected readonly section = computed(() => {
    const sections = this.sheet()?.imposed.sections ?? [];
    return sections.find((s) => s.key === this.chosenSection()) ?? sections[0] ?? null;
  });
  protected readonly folds = computed(() => this.section()?.program.steps.length ?? 0);
  /** How many folds are made; another section begins flat. */
  protected readonly step = linkedSignal({ source: () => this.section(), computation: () => 0 });
  /** What the pointer is on: the page is lit in every drawing. */
  protected readonly lit = signal<string | null>(null);

  protected readonly front = computed(() => this.drawn('front'));
  protected readonly back = computed(() => this.drawn('back'));
  protected readonly folded = computed(() => {
    const section = this.section();
    return section && foldStepScene(section, this.step());
  });
  protected readonly doing = computed(() => {
    const step = this.section()?.program.steps[this.step() - 1];
    return step ? foldSays(step, this.step()) : say('sectionSheets.flat');
  });
  protected readonly dummies = computed(() => {
    const section = this.section();
    return section ? (['front', 'back'] as const).map((side) => ({ side, scene: dummyScene(section, side) })) : [];
  });

  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly playing = signal(false);

  ngOnDestroy(): void {
    this.stop();
  }

  protected choose(form: string): void {
    this.stop();
    this.chosen.set(form);
  }
  protected chooseSection(key: string): void {
    this.stop();
    this.chosenSection.set(key);
  }
  protected foldTo(step: number): void {
    this.stop();
    this.step.set(step);
  }
  /** Folds from where it is; from the flat sheet where it is folded already. */
  protected play(): void {
    if (this.playing()) {
      this.stop();
      return;
    }
    if (this.step() >= this.folds()) this.step.set(0);
    this.playing.set(true);
    this.timer = setInterval(() => {
      this.step.update((at) => at + 1);
      if (this.step() >= this.folds()) this.stop();
    }, A_FOLD_MS);
  }
  private stop(): void {
    clearInterval(this.timer);
    this.playing.set(false);
  }

  private drawn(side: 'front' | 'back'): ReturnType<typeof sheetScene> | null {
    const sheet = this.sheet();
    if (!sheet) return null;
    const { form } = sheet;
    const parts = form.parts.flatMap((id) => this.plan().parts[id] ?? []);
    const barMm = this.plan().figures[`${form.id}.colourBar`]?.value ?? PRACTICE_DEFAULTS['layout.colourBarMm'].value;
    const bar = { value: barMm, unit: 'mm', from: 'plant', at: 'layout' } as const;
    return sheetScene(form.layout, parts, this.plant().stocks[form.stock ?? ''] ?? null, form.style, bar, side);
  }
}

/** The forms of a plan on which sections lie, each by its part and what is on it. */
export const sheetsOf = (plan: Plan | null): Sheet[] =>
  Object.values(plan?.forms ?? {}).flatMap((form): Sheet[] => {
    const imposed = form.layout?.imposed;
    const role = plan?.parts[form.parts[0] ?? '']?.role ?? '';
    return imposed ? [{ form, imposed, says: form.name === '' ? role : form.name }] : [];
  });
