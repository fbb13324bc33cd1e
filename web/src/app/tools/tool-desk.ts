import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatDialog } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { map, type Observable } from 'rxjs';
import type { ToolCard, ToolPage } from '@druckerei/contract';
import {
  compensated,
  CURVE_TONES,
  fitWedge,
  formatMoment,
  formatNumber,
  label,
  nextStates,
  OutOfRange,
  plateTone,
  say,
  type ToolState,
  WEDGE_TOLERANCE,
  type WedgeFit,
  readNumber,
} from '@druckerei/core';
import { readingOf, Server } from '../shared/server';
import { askReason } from '../shared/reason-dialog';

/** Tones a wedge is measured at, as they stand on it. */
const WEDGE_TONES = [0, 10, 25, 50, 75, 90, 100] as const;
const TRACK: readonly ToolState[] = ['planned', 'imaged', 'checked', 'onPress', 'stored', 'recycled'];

/** A form's card: where it stands, what was seen on it, its test wedge as a curve, where it goes next, and what happened to it. */
@Component({
  selector: 'dk-tool-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, MatInputModule, ReactiveFormsModule],
  templateUrl: './tool-desk.html',
  styleUrl: './tool-desk.scss',
})
export class ToolDesk {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  readonly card = input.required<ToolCard>();
  readonly zone = input.required<ToolPage['timeZone']>();
  readonly may = input(false);
  readonly asked = output<Observable<unknown>>();
  private readonly server = inject(Server);
  private readonly dialog = inject(MatDialog);
  private readonly read = readingOf('tools.read', ['tools']);
  protected readonly log = computed(() => this.read.got()?.log ?? []);
  protected readonly tones = WEDGE_TONES;
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    scratches: false,
    smallest: '',
    holes: '',
    /** Measured tones as typed; empty: not measured. */
    tones: this.build.record(Object.fromEntries(WEDGE_TONES.map((tone) => [tone, '']))),
  });
  private readonly typed = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue())), {
    initialValue: this.form.getRawValue(),
  });
  protected readonly track = computed(() => {
    const at = TRACK.indexOf(this.card().state);
    return TRACK.map((state, i) => ({ state, done: at >= 0 && i < at, here: state === this.card().state }));
  });
  /** Where it may go by a click; a check is its own form. */
  protected readonly next = computed(() =>
    nextStates(this.card().state).filter((s) => s !== 'spoilt' && !(s === 'checked' && this.card().state === 'imaged')),
  );
  protected readonly checking = computed(() => ['imaged', 'checked', 'stored'].includes(this.card().state));
  protected readonly remakes = computed(() => nextStates(this.card().state).includes('spoilt') || this.card().state === 'spoilt');
  private readonly steps = computed(() =>
    WEDGE_TONES.flatMap((file) => {
      const plate = readNumber(this.typed().tones[file] ?? '');
      return Number.isNaN(plate) ? [] : [{ file, plate }];
    }),
  );
  protected readonly fit = computed((): WedgeFit | string | null => {
    if (this.steps().length === 0) return null;
    try {
      return fitWedge(this.steps());
    } catch (error) {
      if (error instanceof OutOfRange) return say('tools.wedgeNeeds', error.field, error.allowed);
      throw error;
    }
  });
  protected readonly wedgeSays = computed(() => {
    const fit = this.fit();
    if (fit === null) return say('tools.wedgeNone');
    if (typeof fit === 'string') return fit;
    return say(fit.inside ? 'tools.wedgeIn' : 'tools.wedgeOut', formatNumber(fit.worst, 1), formatNumber(WEDGE_TOLERANCE, 1));
  });
  /** Ten times as high as it is wide: deviation of the plate from the file, tone by tone. */
  protected readonly curve = computed(() => {
    const fit = this.fit();
    const y = (off: number): number => 40 - 4 * off;
    const dots = this.steps().map((s) => ({ x: 2 * s.file, y: y(s.plate - s.file) }));
    if (fit === null || typeof fit === 'string') return { line: '', dots, table: [] };
    const line = Array.from({ length: 51 }, (_, i) => `${i === 0 ? 'M' : 'L'}${4 * i} ${y(plateTone(2 * i, fit) - 2 * i).toFixed(1)}`).join(
      '',
    );
    return { line, dots, table: CURVE_TONES.map((t) => ({ tone: t, send: formatNumber(compensated(t, fit), 1) })) };
  });
  protected readonly facts = computed((): [string, string][] => {
    const c = this.card();
    const sides = [c.widthMm, c.heightMm].filter((s) => s !== null);
    return [
      [say('tools.job'), c.number === null ? '–' : `${c.number} ${c.title ?? ''}`],
      [say('tools.carries'), c.ink ? `${c.ink}, ${c.side}` : c.spec],
      [say('tools.version'), c.version || '–'],
      [say('tools.size'), sides.length === 0 ? '–' : `${sides.map((s) => formatNumber(s)).join(' × ')} mm`],
      [say('tools.holes'), c.registerHoles || '–'],
      [say('tools.made'), c.madeAt === null ? '–' : `${formatMoment(c.madeAt, this.zone())}, ${c.madeHow}`],
      [say('tools.impressions'), say('tools.usedOf', formatNumber(c.used), formatNumber(c.life))],
      [say('tools.place'), c.place || '–'],
      [say('tools.owner'), c.owner],
    ];
  });

  constructor() {
    // Another card, another check. The same card read anew leaves what is being typed alone.
    const id = computed(() => this.card().id);
    effect(() => {
      this.read.ask({ params: { id: id() } });
      untracked(() => {
        this.form.reset({ holes: this.card().registerHoles });
      });
    });
  }
  protected when = (at: number): string => formatMoment(at, this.zone());
  /** What was typed for the smallest element; NaN: no number. */
  private readonly smallestUm = computed(() => {
    const text = this.typed().smallest.trim();
    return text === '' ? null : readNumber(text);
  });
  protected readonly smallestWrong = computed(() => Number.isNaN(this.smallestUm()));
  protected check(): void {
    if (this.smallestWrong()) return;
    const { scratches, holes } = this.typed();
    this.asked.emit(
      this.server.send('tools.check', {
        params: { id: this.card().id },
        body: {
          key: crypto.randomUUID(),
          scratches,
          smallestUm: this.smallestUm(),
          steps: this.steps(),
          registerHoles: holes,
        },
      }),
    );
  }
  protected move(to: ToolState): void {
    const go = (reason: string): void => {
      const { id, state } = this.card();
      this.asked.emit(this.server.send('tools.move', { params: { id }, body: { key: crypto.randomUUID(), was: state, to, reason } }));
    };
    if (to !== 'recycled') go('');
    else
      askReason(this.dialog, { title: say('tools.recycleTitle'), says: say('tools.recycleSays'), button: say('tools.recycle') }).subscribe(
        go,
      );
  }
  protected remake(): void {
    askReason(this.dialog, { title: say('tools.remakeTitle'), says: say('tools.remakeSays'), button: say('tools.remake') }).subscribe(
      (reason) => {
        this.asked.emit(this.server.send('tools.remake', { params: { id: this.card().id }, body: { key: crypto.randomUUID(), reason } }));
      },
    );
  }
}
