import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { BoardBar, BoardPage } from '@druckerei/contract';
import { formatMoment, say } from '@druckerei/core/words';
import { chartColours } from '../shared/chart-colours';
import { BAR_PX, barAt, besideAt, boundsOf, closedIn, HOURS_PX, LANE_PX, neighbour, type Place, type Span } from './board-scale';
import { axisOf, foldsOf } from './time-axis';

/** A bar's job in a few words, and by how much it is late. */
export interface BarSays {
  text: string;
  lateS: number;
  isFound: boolean;
}

/** Machines as rows, time as columns: bars on a canvas, walked by pointer and arrow keys; what is chosen is told to who cannot see it. */
@Component({
  selector: 'dk-board-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="names" aria-hidden="true">
      <div class="moved" [style.transform]="'translateY(' + -top() + 'px)'">
        @for (l of page().lanes; track l.machine) {
          <div class="lane" [style.height.px]="lanePx">{{ l.name }}</div>
        }
      </div>
    </div>
    <div
      #scroll
      class="scroll"
      tabindex="0"
      role="group"
      [attr.aria-label]="say('board.lanes')"
      aria-describedby="board-hint board-chosen"
      (scroll)="scrolled()"
      (keydown)="key($event)"
      (pointerdown)="grab($event)"
      (pointermove)="drag($event)"
      (pointerup)="drop()"
      (pointercancel)="drop()"
      (click)="point($event)"
    >
      <canvas #canvas></canvas>
      <div [style.width.px]="width()" [style.height.px]="height()"></div>
    </div>
    <p id="board-hint" class="said">{{ say('board.hint') }}</p>
    <p id="board-chosen" class="said" role="status">{{ told() }}</p>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      min-height: 0;
    }
    .names {
      overflow: hidden;
      padding-top: 26px;
      border-right: 1px solid var(--line);
    }
    .lane {
      display: flex;
      align-items: center;
      padding: 0 10px 0 16px;
      font-size: 13px;
      line-height: 1.2;
      border-bottom: 1px solid var(--line);
      box-sizing: border-box;
      overflow: hidden;
    }
    .scroll {
      overflow: auto;
      position: relative;
    }
    canvas {
      position: sticky;
      left: 0;
      top: 0;
      display: block;
      margin-bottom: -100%;
    }
  `,
})
export class BoardDrawing {
  protected readonly say = say;
  protected readonly lanePx = LANE_PX;
  readonly page = input.required<BoardPage>();
  readonly span = input.required<Span>();
  /** Hours in which every machine is closed are folded. */
  readonly folds = input(false);
  /** By job. */
  readonly says = input.required<ReadonlyMap<string, BarSays>>();
  readonly chosen = input<string | null>(null);
  /** What is told of the chosen bar. */
  readonly told = input('');
  readonly chose = output<string | null>();
  /** Where a bar is to lie, before that is decided. */
  readonly tried = input<Place | null>(null);
  /** Other machines that could take the chosen bar; the rows of the rest are paled while a place is tried. */
  readonly able = input<ReadonlySet<string>>(new Set());
  /** A bar that is taken hold of. */
  readonly grabbed = output<string>();
  /** A bar that is dragged before or behind another, or onto a machine that is empty. */
  readonly dragged = output<{ work: string; place: Place }>();
  /** A key that is none of walking. */
  readonly pressed = output<KeyboardEvent>();

  private readonly scroll = viewChild.required<ElementRef<HTMLElement>>('scroll');
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly top = signal(0);
  private readonly left = signal(0);
  private readonly bounds = computed(() => boundsOf(this.page()));
  private readonly axis = computed(() =>
    axisOf(this.bounds(), this.span(), this.folds() ? foldsOf(this.page(), this.bounds(), this.span()) : []),
  );
  protected readonly width = computed(() => this.axis().width);
  protected readonly height = computed(() => HOURS_PX + this.page().lanes.length * LANE_PX);
  readonly lanes = computed((): BoardBar[][] => {
    const { lanes, bars } = this.page();
    return lanes.map((l) => bars.filter((b) => b.machine === l.machine).sort((a, b) => a.start - b.start));
  });

  constructor() {
    afterRenderEffect(() => {
      this.draw();
    });
  }

  /** Scrolls so that a moment stands a little inside from the left, and a machine is seen. */
  show(at: number, machine?: string): void {
    const scroll = this.scroll().nativeElement;
    scroll.scrollLeft = Math.max(0, this.axis().xOf(at) - INSIDE_PX);
    const row = this.page().lanes.findIndex((l) => l.machine === machine);
    const y = row * LANE_PX;
    if (row >= 0 && (y < scroll.scrollTop || y + LANE_PX + HOURS_PX > scroll.scrollTop + scroll.clientHeight)) scroll.scrollTop = y;
    this.scrolled();
  }
  /** The moment that `show` would bring where it is. */
  shown = (): number => this.axis().atOf(this.left() + INSIDE_PX);
  focus(): void {
    this.scroll().nativeElement.focus();
  }

  protected scrolled(): void {
    const { scrollTop, scrollLeft } = this.scroll().nativeElement;
    this.top.set(scrollTop);
    this.left.set(scrollLeft);
  }
  protected key(event: KeyboardEvent): void {
    // Who listens may take an arrow for another place that is tried.
    this.pressed.emit(event);
    if (event.defaultPrevented || !event.key.startsWith('Arrow')) return;
    event.preventDefault();
    const of = this.page().bars.find((b) => b.work === this.chosen()) ?? null;
    const next = neighbour(this.lanes(), of, event.key);
    if (!next) return;
    this.chose.emit(next.work);
    this.show(next.start, next.machine);
  }
  private held: { bar: BoardBar; x: number; y: number } | null = null;
  private hasDragged = false;
  protected grab(event: PointerEvent): void {
    const { x, y } = this.onBoard(event);
    const bar = barAt(this.lanes(), x, y, this.axis().xOf);
    this.hasDragged = false;
    this.held = bar && !bar.runs && !bar.quoted ? { bar, x: event.clientX, y: event.clientY } : null;
  }
  protected drag(event: PointerEvent): void {
    const { held } = this;
    const far = held ? Math.max(Math.abs(event.clientX - held.x), Math.abs(event.clientY - held.y)) : 0;
    if (!held || (!this.hasDragged && far < DRAG_PX)) return;
    if (!this.hasDragged) this.grabbed.emit(held.bar.work);
    this.hasDragged = true;
    const { x, y } = this.onBoard(event);
    const row = Math.floor(y / LANE_PX);
    const machine = this.page().lanes[row]?.machine ?? held.bar.machine;
    const isOwn = machine === held.bar.machine;
    // Over a machine that cannot take it the last place that could stays.
    if (!isOwn && !this.able().has(machine)) return;
    const beside = besideAt(this.lanes()[row] ?? [], held.bar, x, this.axis().xOf);
    const place = beside ?? (isOwn ? null : { on: machine });
    if (place && !isSame(place, this.tried())) this.dragged.emit({ work: held.bar.work, place });
  }
  protected drop(): void {
    this.held = null;
  }
  /** A point of the window on the board, below the line of hours. */
  private onBoard(event: MouseEvent): { x: number; y: number } {
    const scroll = this.scroll().nativeElement;
    const box = scroll.getBoundingClientRect();
    return { x: event.clientX - box.left + scroll.scrollLeft, y: event.clientY - box.top + scroll.scrollTop - HOURS_PX };
  }
  protected point(event: MouseEvent): void {
    // What ends a drag chooses nothing.
    if (this.hasDragged) return;
    const { x, y } = this.onBoard(event);
    this.chose.emit(barAt(this.lanes(), x, y, this.axis().xOf)?.work ?? null);
  }

  private draw(): void {
    const [canvas, scroll] = [this.canvas().nativeElement, this.scroll().nativeElement];
    const [lanes, page, span, says, chosen] = [this.lanes(), this.page(), this.span(), this.says(), this.chosen()];
    const axis = this.axis();
    const [left, top] = [this.left(), this.top()];
    const [w, h, dots] = [scroll.clientWidth, scroll.clientHeight, window.devicePixelRatio || 1];
    if (w === 0) return;
    const ink = canvas.getContext('2d');
    if (!ink) return;
    sized(canvas, ink, w, h, dots);
    ink.font = '13px "Source Sans 3 Variable", sans-serif';
    ink.textBaseline = 'middle';
    const colours = chartColours();
    const x = (at: number): number => axis.xOf(at) - left;
    const [seenFrom, seenUntil] = [axis.atOf(left), axis.atOf(left + w)];
    const job = page.bars.find((b) => b.work === chosen)?.job ?? null;
    lanes.forEach((bars, row) => {
      const y = HOURS_PX + row * LANE_PX - top;
      if (y > h || y + LANE_PX < HOURS_PX) return;
      ink.globalAlpha = 0.5;
      ink.fillStyle = colours.line;
      for (const [a, b] of closedIn(page.lanes[row]?.open ?? [], seenFrom, seenUntil)) ink.fillRect(x(a), y, x(b) - x(a), LANE_PX);
      ink.globalAlpha = 1;
      ink.fillRect(0, y + LANE_PX - 1, w, 1);
      for (const bar of bars) {
        if (bar.end < seenFrom || bar.start > seenUntil) continue;
        if (bar.off) ghost(ink, x(bar.off.start), y, Math.max(3, x(bar.end) - x(bar.start)), colours.soft);
        const told = says.get(bar.job);
        ink.globalAlpha = told?.isFound === false ? 0.25 : 1;
        const rests = closedIn(page.lanes[row]?.open ?? [], Math.max(bar.start, seenFrom), Math.min(bar.end, seenUntil));
        drawBar(ink, bar, { x, y: y + (LANE_PX - BAR_PX) / 2, colours, rests, lateS: told?.lateS ?? 0, text: told?.text ?? '' });
        ink.globalAlpha = 1;
        if (bar.work !== chosen && bar.job !== job) continue;
        ink.lineWidth = bar.work === chosen ? 3 : 1.5;
        ink.strokeStyle = colours.act;
        ink.strokeRect(x(bar.start) - 2, y + 6, Math.max(3, x(bar.end) - x(bar.start)) + 4, BAR_PX + 4);
      }
    });
    if (job) thread(ink, lanes, job, x, top, colours.act);
    this.drawTried(ink, { x, top, width: w, colours });
    hoursLine(ink, { w, h, x, from: seenFrom, until: seenUntil, span, timeZone: page.timeZone, colours, now: page.asOf });
  }

  /** Where a bar that is moved would come to lie: a line at the other one's beginning or end, or a row; rows that cannot take it are pale. */
  private drawTried(ink: CanvasRenderingContext2D, { x, top, width, colours }: Tried): void {
    const tried = this.tried();
    if (!tried || 'first' in tried) return;
    const rowY = (row: number): number => HOURS_PX + row * LANE_PX - top;
    this.page().lanes.forEach(({ machine }, row) => {
      if (this.able().has(machine) || machine === this.machine()) return;
      ink.globalAlpha = 0.7;
      ink.fillStyle = colours.paper;
      ink.fillRect(0, rowY(row), width, LANE_PX - 1);
      ink.globalAlpha = 1;
    });
    ink.fillStyle = ink.strokeStyle = colours.act;
    if ('on' in tried) {
      const row = this.page().lanes.findIndex((l) => l.machine === tried.on);
      ink.lineWidth = 3;
      if (row >= 0) ink.strokeRect(2, rowY(row) + 2, width - 4, LANE_PX - 6);
      return;
    }
    const row = this.lanes().findIndex((lane) => lane.some((b) => b.work === tried.beside));
    const bar = this.lanes()[row]?.find((b) => b.work === tried.beside);
    if (bar) ink.fillRect(x(tried.side === 'before' ? bar.start : bar.end) - 2, rowY(row) + 2, 4, LANE_PX - 5);
  }
  /** The machine of the chosen bar. */
  private machine = (): string | undefined => this.page().bars.find((b) => b.work === this.chosen())?.machine;
}
/** An empty canvas of a size: made anew only where it has another, which takes far longer than wiping it. */
function sized(canvas: HTMLCanvasElement, ink: CanvasRenderingContext2D, w: number, h: number, dots: number): void {
  const [wide, high] = [Math.round(w * dots), Math.round(h * dots)];
  if (canvas.width !== wide || canvas.height !== high) {
    [canvas.width, canvas.height] = [wide, high];
    [canvas.style.width, canvas.style.height, canvas.style.marginBottom] = [`${w}px`, `${h}px`, `${-h}px`];
  }
  ink.setTransform(dots, 0, 0, dots, 0, 0);
  ink.clearRect(0, 0, w, h);
}
const isSame = (a: Place, b: Place | null): boolean => JSON.stringify(a) === JSON.stringify(b);

const INSIDE_PX = 60;
const NOTCH_PX = 9;
const STRIPE_PX = 5;
/** A pointer that is moved less than this only points. */
const DRAG_PX = 6;
type Colours = ReturnType<typeof chartColours>;
interface Tried {
  x: (at: number) => number;
  top: number;
  width: number;
  colours: Colours;
}
interface Drawn {
  x: (at: number) => number;
  y: number;
  colours: Colours;
  /** Closed stretches over which it rests. */
  rests: readonly (readonly [number, number])[];
  lateS: number;
  text: string;
}

/** Change-over hatched, make-ready striped, run solid; late by its edge and a word, running by a thick left end, pinned by its corner, released since by a dashed edge; not released at all, by long dashes and no colour. */
function drawBar(ink: CanvasRenderingContext2D, bar: BoardBar, { x, y, colours, rests, lateS, text }: Drawn): void {
  const [a, ready, run, b] = [x(bar.start), x(bar.makeReadyAt), x(bar.runAt), Math.max(x(bar.end), x(bar.start) + 3)];
  ink.fillStyle = colours.card;
  ink.fillRect(a, y, run - a, BAR_PX);
  ink.fillStyle = bar.quoted ? colours.card : colours.river;
  ink.fillRect(run, y, b - run, BAR_PX);
  stripes(ink, a, ready, y, 5, colours.watch);
  stripes(ink, ready, run, y, 0, colours.act);
  // Where its machine is closed nothing is done: pale, with a line along its foot.
  for (const [from, to] of rests) {
    ink.fillStyle = colours.line;
    ink.fillRect(x(from), y, x(to) - x(from), BAR_PX);
    ink.fillStyle = colours.act;
    ink.fillRect(x(from), y + BAR_PX - 5, x(to) - x(from), 2);
  }
  ink.lineWidth = lateS > 0 ? 2 : 1;
  ink.strokeStyle = lateS > 0 ? colours.fail : colours.act;
  ink.setLineDash(bar.quoted ? [10, 4] : bar.fresh ? [4, 3] : []);
  ink.strokeRect(a + 0.5, y + 0.5, b - a - 1, BAR_PX - 1);
  ink.setLineDash([]);
  ink.fillStyle = colours.act;
  if (bar.runs) ink.fillRect(Math.max(a, 0), y, 4, BAR_PX);
  if (bar.pin) notch(ink, a, y, colours.act);
  const room = b - Math.max(a, 0) - 10;
  if (room < 26 || text === '') return;
  ink.save();
  ink.beginPath();
  ink.rect(a, y, b - a, BAR_PX);
  ink.clip();
  ink.fillStyle = colours.ink;
  ink.fillText(text, Math.max(a, 0) + 7, y + BAR_PX / 2 + 1);
  ink.restore();
}
/** A corner cut in at the bar's beginning: somebody pinned it. */
function notch(ink: CanvasRenderingContext2D, x: number, y: number, colour: string): void {
  ink.fillStyle = colour;
  ink.beginPath();
  ink.moveTo(x, y);
  ink.lineTo(x + NOTCH_PX, y);
  ink.lineTo(x, y + NOTCH_PX);
  ink.fill();
}
/** Lines across a stretch: upright, or leaning; one where there is no room for more. */
function stripes(ink: CanvasRenderingContext2D, a: number, b: number, y: number, lean: number, colour: string): void {
  if (b - a < 1) return;
  if (b - a < STRIPE_PX) {
    ink.fillStyle = colour;
    ink.fillRect(a, y, 1, BAR_PX);
    return;
  }
  ink.save();
  ink.beginPath();
  ink.rect(a, y, b - a, BAR_PX);
  ink.clip();
  ink.strokeStyle = colour;
  ink.lineWidth = 1;
  ink.beginPath();
  for (let at = a - BAR_PX; at < b + BAR_PX; at += STRIPE_PX) {
    ink.moveTo(at, y + BAR_PX);
    ink.lineTo(at + (lean > 0 ? BAR_PX : 0), y);
  }
  ink.stroke();
  ink.restore();
}
function ghost(ink: CanvasRenderingContext2D, x: number, y: number, w: number, colour: string): void {
  ink.setLineDash([2, 4]);
  ink.lineWidth = 1;
  ink.strokeStyle = colour;
  ink.strokeRect(x + 0.5, y + 4.5, w, LANE_PX - 9);
  ink.setLineDash([]);
}
/** From each bar of a job to the next, across the lanes. */
function thread(
  ink: CanvasRenderingContext2D,
  lanes: readonly BoardBar[][],
  job: string,
  x: (at: number) => number,
  top: number,
  colour: string,
): void {
  const mine = lanes.flatMap((bars, row) =>
    bars.filter((b) => b.job === job).map((bar) => ({ bar, y: HOURS_PX + row * LANE_PX - top + LANE_PX / 2 })),
  );
  mine.sort((a, b) => a.bar.start - b.bar.start);
  ink.strokeStyle = colour;
  ink.lineWidth = 1.5;
  ink.setLineDash([3, 3]);
  ink.beginPath();
  mine.slice(1).forEach((next, i) => {
    const before = mine[i];
    if (!before) return;
    ink.moveTo(x(before.bar.end), before.y);
    ink.lineTo(x(next.bar.start), next.y);
  });
  ink.stroke();
  ink.setLineDash([]);
}

/** What a moment takes on the line of hours. */
const LEAST_PX = 34;
interface Hours {
  w: number;
  h: number;
  x: (at: number) => number;
  from: number;
  until: number;
  span: Span;
  timeZone: string;
  colours: Colours;
  now: number;
}
const STEP_H: Readonly<Record<Span, number>> = { shift: 1, day: 4, week: 24, month: 72 };
function hoursLine(ink: CanvasRenderingContext2D, { w, h, x, from, until, span, timeZone, colours, now }: Hours): void {
  ink.fillStyle = colours.paper;
  ink.fillRect(0, 0, w, HOURS_PX);
  ink.fillStyle = colours.line;
  ink.fillRect(0, HOURS_PX - 1, w, 1);
  const step = STEP_H[span] * 3600;
  const offset = midnightOffset(from, timeZone);
  ink.fillStyle = colours.soft;
  // Hours that are folded lie too close to be written out.
  let written = -Infinity;
  for (let at = Math.floor((from + offset) / step) * step - offset; at < until; at += step) {
    if (x(at) - written < LEAST_PX) continue;
    written = x(at);
    const [day = '', date = '', month = '', clock = ''] = formatMoment(at, timeZone).split(' ');
    const text = STEP_H[span] >= 24 || clock === '00:00' ? `${day} ${date} ${month}` : clock;
    ink.fillText(text, x(at) + 4, HOURS_PX / 2);
    ink.fillRect(x(at), HOURS_PX - 8, 1, 8);
  }
  ink.fillStyle = colours.fail;
  ink.fillRect(x(now), 0, 2, h);
}
/** Seconds by which the works' clock is ahead of UTC. */
function midnightOffset(at: number, timeZone: string): number {
  const clock =
    formatMoment(Math.floor(at / 86_400) * 86_400, timeZone)
      .split(' ')
      .at(-1) ?? '00:00';
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  const s = hour * 3600 + minute * 60;
  return s > 43_200 ? s - 86_400 : s;
}
