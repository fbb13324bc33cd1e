import { afterRenderEffect, ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import {
  stoneName,
  stoneWord,
  type Figure,
  formatDuration,
  formatFigure,
  formatNumber,
  type Finding,
  label,
  LEVELS,
  type Plan,
  type RiverStone,
  type Stone,
  type Place,
  say,
} from '@druckerei/core';
import { type DrawnRiver, layRiver, riverScale, type StoneWidths } from './river-lanes';

interface Drawn {
  stone: Stone;
  name: string;
  /** What stands over it: its word alone, as names of products and runs would run into the next stone; they stand in the line below. */
  word: string;
  under: string;
  x: number;
  w: number;
  count: string;
  unit: string;
  lost: string;
  lostSays: string;
  time: string;
  wait: string;
  level: string | null;
  real: string;
  says: string;
}

const TOP = 20;
const HEIGHT = 62;

/** The count river: width is the count in finished pieces, narrowing at every stone by what it loses. Choosing a stone opens its panel; the list form has the same actions. */
@Component({
  selector: 'dk-count-river',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatTooltip],
  templateUrl: './count-river.html',
  styleUrl: './count-river.scss',
})
export class CountRiver {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  readonly river = input.required<RiverStone[]>();
  readonly chosen = input<string | null>(null);
  readonly place = input.required<Place>();
  readonly asList = input(false);
  readonly stale = input(false);
  readonly chooseStone = output<string>();
  protected readonly bandHeight = HEIGHT + 2 * TOP;

  constructor() {
    // A long river is scrolled to the stone that is looked at.
    afterRenderEffect(() => {
      const chosen = document.getElementById(`stone-${this.chosen()}`);
      if (chosen && 'scrollIntoView' in chosen) chosen.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    });
  }

  protected readonly drawn = computed((): Drawn[] => {
    const { stones, figures } = this.plan();
    const w = 1000 / Math.max(stones.length, 1);
    return stones.map((stone, i) => {
      const value = (id: string | null): Figure | undefined => (id === null ? undefined : figures[id]);
      const out = value(stone.out);
      const shown = out ? formatFigure(out.value, out.unit, this.place()) : null;
      // What is lost is named in what comes to the stone (sheets under the knife), also where other pieces leave it (copies).
      const into = value(stone.in);
      const lost = stone.lost
        .map((l) => ({
          kind: l.kind,
          value: l.perGood > 0 ? ((figures[l.figure]?.value ?? 0) / l.perGood) * stone.perGoodIn : 0,
        }))
        .filter((l) => l.value > 0);
      const byKind = [...new Set(lost.map((l) => l.kind))].map((kind) => ({
        kind,
        value: lost.filter((l) => l.kind === kind).reduce((s, l) => s + l.value, 0),
      }));
      const seconds = (figures[stone.setupS]?.value ?? 0) + (figures[stone.runS]?.value ?? 0);
      const waits = stone.waitS.reduce((s, id) => s + (figures[id]?.value ?? 0), 0);
      const name = stoneName(stone);
      const count = stone.in === null ? '' : (shown?.number ?? '');
      const reserve = stone.reserve.reduce((s, r) => s + (figures[r.figure]?.value ?? 0), 0);
      const lostSum = byKind.reduce((s, l) => s + l.value, 0);
      // Where parts are joined, what is lost is what leaves.
      const joined = (this.plan().steps[stone.steps[0] ?? '']?.takes ?? []).filter((t) => this.plan().flows[t.flow]?.supply === undefined);
      const named = into && joined.length < 2 && into.unit !== out?.unit ? ` ${formatFigure(lostSum, into.unit, this.place()).unit}` : '';
      const lostSays = lostSum > 0 ? `${formatNumber(lostSum)}${named}` : '';
      return {
        stone,
        name,
        word: stoneWord(stone),
        under: [stone.product, stone.name, stone.summary.text || stone.machineName].filter((word) => word !== '').join(' · '),
        x: i * w,
        w,
        count,
        unit: shown?.unit ?? '',
        lost: lostSays && `−${lostSays}`,
        lostSays: [
          ...byKind.map((l) => `${label(l.kind)} ${formatNumber(l.value)}`),
          ...(reserve > 0 ? [say('countRiver.reserveOf', formatNumber(reserve))] : []),
        ].join(' · '),
        time: formatDuration(seconds),
        wait: waits > 0 ? say('countRiver.waits', formatDuration(waits)) : '',
        level: this.worst(stone),
        real: this.realSays(stone),
        says: [
          name,
          stone.machineName,
          count ? say('countRiver.goodOf', count, shown?.unit) : say('countRiver.noPiecesPass'),
          ...(lostSays ? [say('countRiver.lostOf', lostSays)] : []),
          ...(reserve > 0 ? [say('countRiver.reserveOf', formatNumber(reserve))] : []),
          formatDuration(seconds),
          ...(stone.real ? [this.realSays(stone)] : []),
        ].join(', '),
      };
    });
  });

  /** Good by the counts: counted so far or for good, else what is expected. In the stone's own unit. */
  private realSays(stone: Stone): string {
    if (!stone.real || stone.out === null) return '';
    const good = (this.plan().figures[stone.real.good]?.value ?? 0) * stone.real.copiesOut * stone.perGoodOut;
    const key = stone.real.done ? 'countRiver.counted' : stone.real.counted ? 'countRiver.heading' : 'countRiver.expected';
    return say(key, formatNumber(good, 0));
  }

  private worst(stone: Stone): string | null {
    const here = this.plan().findings.filter((f: Finding) => f.at === stone.id || (stone.key === 'stock' && stone.parts.includes(f.at)));
    return LEVELS.find((level) => level !== 'know' && here.some((f) => f.level === level)) ?? null;
  }

  private readonly scale = computed(() => riverScale(this.river(), [this.planned(), this.counted()], HEIGHT));
  private laid(widths: StoneWidths[]): DrawnRiver {
    return layRiver(this.river(), widths, { wide: 1000, middle: TOP + HEIGHT / 2, scale: this.scale() });
  }
  private readonly planned = computed(() => this.river().map((s) => ({ in: s.inCopies, out: s.outCopies })));
  /** By the counts; of what nobody has counted yet what its source gives, shared by those it goes to as planned. Nothing counted: as planned. */
  private readonly counted = computed(() => {
    const river = this.river();
    if (!river.some((s) => s.real)) return this.planned();
    const out = new Map<string, number>();
    return river.map((s) => {
      const [source, ...others] = s.from;
      const sisters = river.filter((o) => source !== undefined && o.from.includes(source)).reduce((sum, o) => sum + o.inCopies, 0);
      const come = others.length === 0 && sisters > 0 ? ((out.get(source ?? '') ?? 0) * s.inCopies) / sisters : 0;
      const real = s.real ?? (come > 0 ? { inCopies: come, outCopies: come } : s);
      out.set(s.id, real.outCopies);
      return { in: real.inCopies, out: real.outCopies };
    });
  });

  /** Net and allowances: narrowing at every stone towards its end; the reserve lies around it. */
  protected readonly band = computed(() =>
    this.laid(this.river().map((s) => ({ in: s.inCopies - s.reserveIn, out: s.outCopies - s.reserveOut }))),
  );
  protected readonly reserve = computed(() => (this.river().some((s) => s.reserveIn > 0) ? this.laid(this.planned()) : null));
  /** The same by the counts, once anything was counted: it lies over what was planned. */
  protected readonly real = computed(() => (this.river().some((s) => s.real) ? this.laid(this.counted()) : null));

  /** What leaves the river at a stone: a branch as thick as the loss. */
  protected readonly branches = computed(() => {
    const w = 1000 / Math.max(this.river().length, 1);
    const { bands } = this.reserve() ?? this.band();
    return this.river().flatMap((s, i) => {
      const band = bands[i]?.in;
      if (!band || s.inCopies <= 0) return [];
      // What goes as a rule, and beside it what of the allowance stays as a rule.
      const parts = [
        { kind: 'lost', copies: s.likelyCopies },
        { kind: 'spared', copies: Math.max(s.lostCopies - s.likelyCopies, 0) },
      ];
      let edge = band.top + band.high;
      return parts.flatMap(({ kind, copies }) => {
        const thick = (band.high * copies) / s.inCopies;
        if (thick < 0.15) return [];
        const x = i * w + w * 0.55;
        const y = edge - thick / 2;
        edge -= thick;
        const d = `M${x} ${y}C${x + w * 0.14} ${y} ${x + w * 0.16} ${y + 6} ${x + w * 0.18} ${this.bandHeight}`;
        return [{ kind, d, thick: Math.max(thick, 1.6) }];
      });
    });
  });

  /** The wished quantity: two dotted lines through the whole river; where several orders leave it, at the end of each. */
  protected readonly wished = computed(() => {
    const river = this.river();
    const w = 1000 / Math.max(river.length, 1);
    const { bands } = this.band();
    const ends = river.flatMap((s, i) => (s.counted && !river.some((o) => o.from.includes(s.id)) ? [i] : []));
    return ends.flatMap((i) => {
      const out = bands[i]?.out;
      if (!out) return [];
      const [x1, x2] = ends.length === 1 ? [0, 1000] : [i * w, (i + 1) * w];
      return [out.top, out.top + out.high].map((y) => ({ x1, x2, y }));
    });
  });
  /** How far a stone's own band lies from the middle, so that its count stands on it. */
  protected readonly shift = (i: number): number => {
    const lane = this.band().bands[i]?.in;
    return lane && lane.high > 0 ? Math.round(lane.top + lane.high / 2 - (TOP + HEIGHT / 2)) : 0;
  };

  protected step(from: string, by: number, event: Event): void {
    const all = this.plan().stones;
    const next = all[all.findIndex((s) => s.id === from) + by];
    if (!next) return;
    event.preventDefault();
    this.chooseStone.emit(next.id);
    document.getElementById(`stone-${next.id}`)?.focus();
  }
}
