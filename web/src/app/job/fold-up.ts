import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  output,
  type OnDestroy,
  signal,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { DieFiles } from './die-files';
import { DieLineImport } from './die-line-import';
import {
  type DieLine,
  type Edit,
  editAt,
  foldedFaces,
  foldModel,
  formatNumber,
  insideMm,
  type JobSpec,
  say,
  seamTroubles,
} from '@druckerei/core';
import type { FoldablePart } from './foldable-parts';
import { FoldStage, type Look } from './fold-stage';

const LOOKS: { look: Look; says: string }[] = [
  { look: 'aslant', says: say('foldUp.aslant') },
  { look: 'front', says: say('foldUp.fromFront') },
  { look: 'above', says: say('foldUp.fromAbove') },
];

/** The blank folded up in space: slid from flat to closed and back, turned by dragging; beside it the inside as it closes, and panels that do not meet. */
@Component({
  selector: 'dk-fold-up',
  imports: [DieFiles, DieLineImport, MatButton, MatSlider, MatSliderThumb],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './fold-up.html',
  styleUrl: './fold-up.scss',
})
export class FoldUp implements OnDestroy {
  protected readonly say = say;
  protected readonly looks = LOOKS;
  readonly parts = input.required<readonly FoldablePart[]>();
  readonly spec = input.required<JobSpec>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('canvas');

  protected readonly percent = signal(60);
  private readonly chosen = signal<string | null>(null);
  protected readonly part = computed(() => this.parts().find((p) => p.id === this.chosen()) ?? this.parts()[0] ?? null);
  private readonly model = computed(() => {
    const part = this.part();
    return part ? foldModel(part.die) : null;
  });
  protected readonly troubles = computed(() => {
    const [part, model] = [this.part(), this.model()];
    return part && model ? seamTroubles(part.die, model, part.caliperMm) : [];
  });
  protected readonly loose = computed(() => this.model()?.loose.length ?? 0);
  protected readonly faces = computed(() => say('foldUp.faces', this.model()?.faces.length ?? 0, this.model()?.hinges.length ?? 0));
  /** The room inside, direction by direction, beside the size that was asked there. */
  protected readonly inside = computed(() => {
    const [part, model] = [this.part(), this.model()];
    if (!part || !model) return [];
    const room = insideMm(part.die, model, part.caliperMm);
    const directions = [say('foldUp.directionX'), say('foldUp.directionY'), say('foldUp.directionZ')];
    return [room.x, room.y, room.z].map((mm, i) => {
      const asked = mm === null ? undefined : part.askedMm.find((a) => Math.abs(a - mm) < 1);
      return {
        direction: directions[i] ?? '',
        mm: mm === null ? say('foldUp.open') : say('drawing.mm', formatNumber(mm, 1)),
        asked: asked === undefined ? '' : say('foldUp.asked', formatNumber(asked, 1)),
      };
    });
  });
  protected readonly without = signal(false);
  private stage: FoldStage | null = null;

  constructor() {
    effect(() => {
      const element = this.canvas()?.nativeElement;
      if (!element || this.stage) return;
      this.stage = FoldStage.on(element);
      this.without.set(this.stage === null);
    });
    effect(() => {
      const [model, share] = [this.model(), this.percent() / 100];
      if (!this.canvas() || !model) return;
      const marked = new Set(this.troubles().flatMap((t) => t.faces));
      this.stage?.show(model, foldedFaces(model, share), marked);
    });
  }

  protected readonly importing = signal(false);
  /** Whether the part's line came from a file. */
  protected readonly isOwn = computed(() => {
    const product = this.spec().products[this.part()?.product ?? ''];
    return product?.kind === 'made' && 'line' in product.wish && product.wish.line !== undefined;
  });

  protected take({ name, die }: { name: string; die: DieLine }): void {
    this.importing.set(false);
    this.setLine({
      name,
      outline: die.outline,
      slits: die.slits,
      creases: die.creases.map(({ from, to, kind }) => ({ from, to, ...(kind && { kind }) })),
      glue: die.joints.map((j) => j.region),
    });
  }
  protected setLine(line: object | undefined): void {
    const product = this.part()?.product;
    if (product) this.edits.emit([editAt(this.spec(), ['products', product, 'wish', 'line'], line)]);
  }
  protected choose(id: string): void {
    this.chosen.set(id);
  }
  protected look(from: Look): void {
    this.stage?.lookFrom(from);
  }
  ngOnDestroy(): void {
    this.stage?.end();
  }
}
