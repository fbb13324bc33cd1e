import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  linkedSignal,
  type OnDestroy,
  signal,
  untracked,
} from '@angular/core';
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
  shiftsOf,
  type SideToFill,
  sidesToFill,
} from '@druckerei/core';
import { CustomerPages } from '../customer-pages/customer-pages';
import { PageThumbnails } from '../customer-pages/page-thumbnails';
import type { ReadPdf } from '../customer-pages/pdf-pages';
import { Drawing, type Picture } from '../drawings/drawing';
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

  /** The customer's file, and its pages small where they lie on the sheet that is shown. */
  protected readonly pdf = signal<ReadPdf | null>(null);
  private readonly thumbnails = new PageThumbnails();
  private readonly sides = computed((): SideToFill[] => {
    const [pdf, sheet, product] = [this.pdf(), this.sheet(), this.product()];
    if (!pdf || !sheet || !product) return [];
    const shifts = shiftsOf(sheet.form, this.plan(), this.plant(), this.shelf());
    return sidesToFill(this.plan(), product, pdf.trims.length, (_, page) => shifts.get(page) ?? 0).filter((s) => s.form === sheet.form.id);
  });
  protected readonly pictures = computed(() => ({ front: this.picturesOn('front'), back: this.picturesOn('back') }));

  constructor() {
    effect(() => {
      const pdf = this.pdf();
      const pages = this.sides().flatMap((side) => side.places.map((place) => place.pdfPage));
      untracked(() => {
        this.thumbnails.open(pdf);
        this.thumbnails.draw(pages);
      });
    });
  }

  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly playing = signal(false);

  ngOnDestroy(): void {
    this.stop();
    this.thumbnails.open(null);
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

  private picturesOn(side: 'front' | 'back'): Picture[] {
    const drawn = this.thumbnails.drawn();
    return this.sides().flatMap((s) =>
      s.side === side ? s.places.flatMap((place) => pictureOn(place, s.sheetMm[1], drawn.get(place.pdfPage))) : [],
    );
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

/** Degrees to the right by which a page lies turned whose head points there. */
const TURNS = { n: 0, e: 90, s: 180, w: -90 } as const;

/** A page's picture in its place on a sheet that is so high; the drawing runs downwards. */
function pictureOn({ trim: { x, y, w, h }, head }: SideToFill['places'][number], sheetMm: number, href: string | undefined): Picture[] {
  if (href === undefined) return [];
  const lies = head === 'e' || head === 'w';
  const [wide, tall] = lies ? [h, w] : [w, h];
  const [cx, cy] = [x + w / 2, sheetMm - y - h / 2];
  return [{ kind: 'picture', href, x: cx - wide / 2, y: cy - tall / 2, w: wide, h: tall, turn: TURNS[head] }];
}

/** The forms of a plan on which sections lie, each by its part and what is on it. */
export const sheetsOf = (plan: Plan | null): Sheet[] =>
  Object.values(plan?.forms ?? {}).flatMap((form): Sheet[] => {
    const imposed = form.layout?.imposed;
    const role = plan?.parts[form.parts[0] ?? '']?.role ?? '';
    return imposed ? [{ form, imposed, says: form.name === '' ? role : form.name }] : [];
  });
