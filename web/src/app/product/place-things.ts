import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { formatNumber, type Placing, say, type Scene, type Shape } from '@druckerei/core';

type Thing = Placing['things'][number];
export interface Moved {
  id: string;
  xMm: number;
  yMm: number;
}

/** Things fall onto half millimetres when they are dragged; arrow keys move them by one, with Shift by ten. */
const GRID_MM = 0.5;
const STEP_MM = 1;
const LARGE_STEP_MM = 10;

/** Both sides of the open product to scale; what lies on them is moved to its place with the mouse or the arrow keys. */
@Component({
  selector: 'dk-place-things',
  imports: [CdkDrag],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p class="soft">{{ say('placeThings.how') }}</p>
    @for (v of placing().views; track v.side) {
      <svg #svg [attr.viewBox]="boxOf(v.scene)" role="group" [attr.aria-label]="v.scene.says">
        @for (s of v.scene.shapes; track $index) {
          @switch (s.kind) {
            @case ('rect') {
              @if (thingOf(s); as t) {
                <rect
                  cdkDrag
                  role="button"
                  tabindex="0"
                  [cdkDragDisabled]="locked()"
                  [attr.aria-label]="tell(t)"
                  [attr.class]="s.role"
                  [attr.x]="s.x"
                  [attr.y]="s.y"
                  [attr.width]="s.w"
                  [attr.height]="s.h"
                  (cdkDragEnded)="dropped($event, t, v.scene, svg)"
                  (keydown)="key($event, t)"
                />
              } @else {
                <rect [attr.class]="s.role" [attr.x]="s.x" [attr.y]="s.y" [attr.width]="s.w" [attr.height]="s.h" />
              }
            }
            @case ('line') {
              <line [attr.class]="s.role" [attr.x1]="s.x1" [attr.y1]="s.y1" [attr.x2]="s.x2" [attr.y2]="s.y2" />
            }
            @case ('text') {
              <text [attr.class]="s.role" [attr.x]="s.x" [attr.y]="s.y" [attr.font-size]="s.sizeMm" [attr.text-anchor]="s.anchor">
                {{ s.text }}
              </text>
            }
          }
        }
      </svg>
    }`,
  styles: `
    @use '../drawings/roles';

    :host {
      display: grid;
      gap: 6px;
    }
    p {
      margin: 0;
      font-size: 13px;
    }
    svg {
      width: 100%;
      max-height: 170px;
    }
    rect[role='button'] {
      cursor: move;
    }
    text {
      pointer-events: none;
    }
  `,
})
export class PlaceThings {
  protected readonly say = say;
  readonly placing = input.required<Placing>();
  readonly locked = input(false);
  readonly moved = output<Moved>();

  protected boxOf = ({ box: { x, y, w, h } }: Scene): string => `${x} ${y} ${w} ${h}`;
  protected thingOf = (shape: Shape): Thing | undefined => this.placing().things.find((t) => t.ref === shape.ref);
  protected tell = (t: Thing): string => say('placeThings.thing', t.name, formatNumber(t.xMm, 1), formatNumber(t.yMm, 1));

  /** How far it was dragged, out of pixels into millimetres: the drawing keeps its proportions inside its frame. */
  protected dropped({ source, distance }: CdkDragEnd, thing: Thing, { box }: Scene, svg: Element): void {
    const { width, height } = svg.getBoundingClientRect();
    const pixelsAMm = Math.min(width / box.w, height / box.h);
    source.reset();
    if (pixelsAMm > 0) this.move(thing, thing.xMm + distance.x / pixelsAMm, thing.yMm + distance.y / pixelsAMm);
  }

  protected key(event: KeyboardEvent, thing: Thing): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!way || this.locked()) return;
    event.preventDefault();
    const step = event.shiftKey ? LARGE_STEP_MM : STEP_MM;
    this.move(thing, thing.xMm + (way[0] ?? 0) * step, thing.yMm + (way[1] ?? 0) * step);
  }

  private move({ id, mostXMm, mostYMm }: Thing, x: number, y: number): void {
    const within = (mm: number, most: number): number => Math.max(0, Math.min(Math.round(mm / GRID_MM) * GRID_MM, most));
    this.moved.emit({ id, xMm: within(x, mostXMm), yMm: within(y, mostYMm) });
  }
}
