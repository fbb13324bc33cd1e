import { ChangeDetectionStrategy, Component, computed, type ElementRef, effect, input, output, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { select } from 'd3-selection';
import { zoom, type ZoomBehavior, zoomIdentity } from 'd3-zoom';
import { TakeOut } from './take-out';
import { formatNumber, inkColour, pathData, type Scene, type Shape, say } from '@druckerei/core';
import { keptFor } from '../shared/kept-for';

/** A picture that lies on a drawing: upright in its box, then turned about its middle; degrees to the right. */
export interface Picture {
  kind: 'picture';
  href: string;
  x: number;
  y: number;
  w: number;
  h: number;
  turn: number;
}

/** A scene of core on screen: shapes by role, zoom with wheel and keys, pan by drag, and a measure between two points where the drawing is to scale. */
@Component({
  selector: 'dk-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, TakeOut],
  template: ` @if (scene(); as s) {
      <div class="tools">
        @if (s.toScale) {
          <button type="button" matButton [attr.aria-pressed]="measuring()" (click)="toggleMeasure()">
            {{ measuring() ? say('drawing.stopMeasuring') : say('drawing.measure') }}
          </button>
        }
        @if (distance() !== null) {
          <span class="read" role="status">{{ say('drawing.mm', distance()) }}</span>
        }
        <span class="space"></span>
        @if (out()) {
          <dk-take-out [scene]="s" />
        }
        <button type="button" matButton (click)="by(1.4)" [attr.aria-label]="say('drawing.zoomIn')">+</button>
        <button type="button" matButton (click)="by(1 / 1.4)" [attr.aria-label]="say('drawing.zoomOut')">−</button>
        <button type="button" matButton (click)="whole()">{{ say('drawing.whole') }}</button>
      </div>
      <svg
        #board
        role="img"
        tabindex="0"
        [attr.aria-label]="s.says"
        [attr.viewBox]="s.box.x + ' ' + s.box.y + ' ' + s.box.w + ' ' + s.box.h"
        [class.measuring]="measuring()"
        (click)="point($event)"
        (keydown)="key($event)"
      >
        <g [attr.transform]="transform()">
          @for (shape of shapes(); track $index) {
            @switch (shape.kind) {
              @case ('rect') {
                <rect
                  [attr.class]="shape.role"
                  [class.lit]="shape.ref !== undefined && shape.ref === lit()"
                  (pointerenter)="over.emit(shape.ref ?? null)"
                  (pointerleave)="over.emit(null)"
                  [attr.x]="shape.x"
                  [attr.y]="shape.y"
                  [attr.width]="shape.w"
                  [attr.height]="shape.h"
                  [style.fill]="fill(shape)"
                >
                  <title>{{ shape.ref }}</title>
                </rect>
              }
              @case ('line') {
                <line
                  [attr.class]="shape.role"
                  [attr.x1]="shape.x1"
                  [attr.y1]="shape.y1"
                  [attr.x2]="shape.x2"
                  [attr.y2]="shape.y2"
                  [style.stroke]="fill(shape)"
                />
              }
              @case ('circle') {
                <circle [attr.class]="shape.role" [attr.cx]="shape.cx" [attr.cy]="shape.cy" [attr.r]="shape.r" [style.fill]="fill(shape)" />
              }
              @case ('path') {
                <path [attr.class]="shape.role" [attr.d]="path(shape)" />
              }
              @case ('picture') {
                <image
                  [attr.href]="shape.href"
                  [attr.x]="shape.x"
                  [attr.y]="shape.y"
                  [attr.width]="shape.w"
                  [attr.height]="shape.h"
                  [attr.transform]="turnPicture(shape)"
                  preserveAspectRatio="none"
                />
              }
              @case ('text') {
                <text
                  [attr.class]="shape.role"
                  [attr.x]="shape.x"
                  [attr.y]="shape.y"
                  [attr.font-size]="shape.sizeMm"
                  [attr.text-anchor]="shape.anchor"
                  [attr.transform]="turn(shape)"
                >
                  {{ shape.text }}
                </text>
              }
            }
          }
          @if (from(); as a) {
            @if (to(); as b) {
              <line class="measure" [attr.x1]="a[0]" [attr.y1]="a[1]" [attr.x2]="b[0]" [attr.y2]="b[1]" />
            } @else {
              <circle class="measure" [attr.cx]="a[0]" [attr.cy]="a[1]" [attr.r]="s.box.w / 150" />
            }
          }
        </g>
      </svg>
    } @else {
      <p class="soft empty">{{ say('drawing.noDrawingYet') }}</p>
    }`,
  styleUrl: './drawing.scss',
})
export class Drawing {
  protected readonly say = say;
  readonly scene = input<Scene | null>(null);
  /** Whether it may be taken out as a file: not where gloves are worn. */
  readonly out = input(true);
  /** Pictures on the drawing, beneath its words. */
  readonly pictures = input<readonly Picture[]>([]);
  protected readonly shapes = computed((): readonly (Shape | Picture)[] => {
    const [all, pictures] = [this.scene()?.shapes ?? [], this.pictures()];
    return pictures.length === 0 ? all : [...all.filter((s) => s.kind !== 'text'), ...pictures, ...all.filter((s) => s.kind === 'text')];
  });
  readonly pointed = output<[number, number]>();
  /** What is lit wherever it is drawn, by its ref; and what the pointer comes to. */
  readonly lit = input<string | null>(null);
  readonly over = output<string | null>();
  private readonly board = viewChild<ElementRef<SVGSVGElement>>('board');
  protected readonly transform = keptFor(
    () => this.scene()?.title ?? '',
    () => '',
  );
  protected readonly measuring = signal(false);
  protected readonly from = signal<[number, number] | null>(null);
  protected readonly to = signal<[number, number] | null>(null);
  protected readonly distance = computed(() => {
    const [a, b] = [this.from(), this.to()];
    return a && b ? formatNumber(Math.sqrt((a[0] - b[0]) * (a[0] - b[0]) + (a[1] - b[1]) * (a[1] - b[1])), 1) : null;
  });
  private behaviour: ZoomBehavior<SVGSVGElement, unknown> | null = null;

  constructor() {
    effect(() => {
      const svg = this.board()?.nativeElement;
      if (!svg || !('createSVGPoint' in svg)) return;
      this.behaviour = zoom<SVGSVGElement, unknown>()
        .scaleExtent([1, 20])
        .on('zoom', (e: { transform: { toString(): string } }) => {
          this.transform.set(e.transform.toString());
        });
      select(svg).call(this.behaviour);
    });
  }

  protected fill = (s: Shape): string | null => (s.role === 'ink' ? inkColour(s.ink ?? '') : null);
  protected path = (s: Shape): string => (s.kind === 'path' ? pathData(s.points, s.closed) : '');
  protected turn = (s: Shape): string | null => (s.kind === 'text' && s.turn ? `rotate(${s.turn} ${s.x} ${s.y})` : null);

  protected turnPicture = ({ x, y, w, h, turn }: Picture): string | null =>
    turn === 0 ? null : `rotate(${turn} ${x + w / 2} ${y + h / 2})`;

  protected by(factor: number): void {
    const svg = this.board()?.nativeElement;
    if (svg && this.behaviour) select(svg).call(this.behaviour.scaleBy, factor);
  }
  protected whole(): void {
    const svg = this.board()?.nativeElement;
    if (svg && this.behaviour) select(svg).call(this.behaviour.transform, zoomIdentity);
  }
  protected toggleMeasure(): void {
    this.measuring.update((on) => !on);
    this.from.set(null);
    this.to.set(null);
  }

  protected key(e: KeyboardEvent): void {
    const keys: Record<string, () => void> = {
      '+': () => {
        this.by(1.4);
      },
      '-': () => {
        this.by(1 / 1.4);
      },
      '0': () => {
        this.whole();
      },
    };
    const run = keys[e.key];
    if (run) {
      e.preventDefault();
      run();
    }
  }

  protected point(e: MouseEvent): void {
    const svg = this.board()?.nativeElement;
    const inner = svg?.querySelector('g')?.getScreenCTM();
    if (!this.measuring() || !svg || !inner) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(inner.inverse());
    const at: [number, number] = [p.x, p.y];
    if (!this.from() || this.to()) {
      this.from.set(at);
      this.to.set(null);
    } else this.to.set(at);
    this.pointed.emit(at);
  }
}
