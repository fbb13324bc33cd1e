import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { Store } from '@ngrx/store';
import { NgApexchartsModule } from 'ng-apexcharts';
import { auditTime, filter, map, type Observable } from 'rxjs';
import type { ColourFit, RegisterDesk, Replied, Api } from '@druckerei/contract';
import { formatNumber, inkColour, label, loupeScene, say, type Setting, trapScene, vectorScene } from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';
import { chartColours } from '../shared/chart-colours';
import { Shortcuts } from '../shared/shortcuts';
import { ReadingGrid } from './reading-grid';
import { InPlace } from '../shared/in-place';
import { keptFor } from '../shared/kept-for';

type Row = Replied<Api['register.list']>[number];

/** A step in register: where each colour lies, what to set as the one loud thing, the turns so far, drift, and units that walk. */
@Component({
  selector: 'dk-register-page',
  imports: [Drawing, NgApexchartsModule, ReadingGrid, RouterLink, InPlace, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './register-page.html',
  styleUrl: './register-page.scss',
})
export class RegisterPage {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly colour = inkColour;
  protected readonly number = formatNumber;
  private readonly server = inject(Server);
  private readonly router = inject(Router);
  protected readonly rows = signal<Row[] | null>(null);
  protected readonly desk = signal<RegisterDesk | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly reading = signal(false);
  protected readonly colours = chartColours();
  private readonly at = toSignal(inject(ActivatedRoute).paramMap.pipe(map((p) => ({ job: p.get('job'), step: p.get('step') }))), {
    initialValue: { job: null, step: null },
  });
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'press'));
  private readonly news = toSignal(
    inject(Changes).changes$.pipe(
      filter((c) => c === null || c.table === 'register'),
      auditTime(300),
    ),
    { initialValue: null },
  );
  protected readonly reads = computed(() => this.desk()?.turns.filter((t) => t.what === 'read') ?? []);
  protected readonly last = computed(() => this.reads().at(-1) ?? null);
  /** The last reading was answered by a setting already. */
  protected readonly isSet = computed(() => this.desk()?.turns.at(-1)?.what === 'set');
  protected readonly scene = computed(() => {
    const [desk, last] = [this.desk(), this.last()];
    if (!desk || !last) return null;
    return vectorScene(desk.marks, last.colours, desk.sheetMm, {
      toleranceMm: desk.toleranceMm,
      aside: last.colours.flatMap((c) => (c.aside === null ? [] : [c.aside])),
    });
  });
  protected readonly mark = keptFor(
    () => this.desk()?.marks[0]?.id ?? '',
    (first) => first,
  );
  protected readonly loupe = computed(() => {
    const [desk, last] = [this.desk(), this.last()];
    if (!desk || !last) return null;
    const at = last.colours.flatMap((c) => {
      const r = c.readings.find((x) => x.mark === this.mark());
      return r ? [{ ink: c.ink, dxMm: r.dxMm, dyMm: r.dyMm }] : [];
    });
    return loupeScene(last.reference, at);
  });
  protected readonly fits = computed(() => (this.last()?.colours ?? []).map((c) => this.fitRow(c)));
  /** What to turn at every unit, one under the other. */
  protected readonly toSet = computed(() =>
    this.isSet()
      ? []
      : (this.last()?.colours ?? []).flatMap((c) =>
          c.advice.settings.map((s) => ({ key: `${c.ink} ${s.by}`, ink: c.ink, unit: c.unit, ...s, says: this.stepSays(s) })),
        ),
  );
  protected readonly remedies = computed(() =>
    (this.last()?.colours ?? [])
      .filter((c) => c.advice.remedies.length > 0)
      .map((c) =>
        say(
          'register.noSettingWillDo',
          c.ink,
          formatNumber(c.advice.afterMm, 2),
          c.advice.remedies.map((r) => label(`register.remedy.${r}`)).join(', '),
        ),
      ),
  );
  protected readonly outside = computed(() => (this.last()?.colours ?? []).filter((c) => !c.advice.inside).map((c) => c.ink));
  protected readonly chart = computed(() => {
    const reads = this.reads();
    const inks = [...new Set(reads.flatMap((t) => t.colours.map((c) => c.ink)))];
    return {
      series: inks.map((ink) => ({
        name: ink,
        data: reads.map((t) => Math.round(1000 * (t.colours.find((c) => c.ink === ink)?.advice.worstMm ?? 0)) / 1000),
      })),
      names: reads.map((_, i) => String(i + 1)),
      colours: inks.map((ink) => (ink === 'Y' ? '#b39b12' : inkColour(ink))),
    };
  });
  protected readonly drifts = computed(() => (this.desk()?.drift ?? []).filter((d) => d.drifts));
  protected readonly walking = computed(() =>
    (this.desk()?.walking ?? []).map((w) =>
      say('register.walks', w.unit, label(`register.way.${w.way}`), w.jobs, w.of, formatNumber(w.meanMm, 2)),
    ),
  );
  protected readonly traps = computed(() => (this.desk()?.traps ?? []).slice(0, 6).map((t) => ({ ...t, scene: trapScene(t) })));
  protected readonly head = computed(() => {
    const desk = this.desk();
    if (!desk) return '';
    const n = this.reads().length;
    return n === 0 ? say('register.noReadingYet') : say('register.readingAgainst', n, this.last()?.reference ?? '');
  });
  protected readonly foot = computed(() => {
    if (!this.last()) return '';
    const out = this.outside();
    return out.length === 0 ? say('register.allIn') : say('register.areOut', out.join(', '));
  });

  constructor() {
    effect(() => {
      this.news();
      this.server.send('register.list', {}).subscribe({
        next: (rows) => {
          this.rows.set(rows);
          const [first] = rows;
          if (this.at().job === null && first) void this.router.navigate(['/register', first.job, first.step], { replaceUrl: true });
        },
        error: this.failed,
      });
    });
    effect(() => {
      this.news();
      const { job, step } = this.at();
      if (job !== null && step !== null)
        this.server.send('register.read', { params: { id: job, step } }).subscribe({ next: this.show, error: this.failed });
    });
    inject(Shortcuts).use([
      { keys: 'n', shown: 'N', says: say('register.nextReading'), run: () => this.reading.set(this.may()) },
      {
        keys: 's',
        shown: 'S',
        says: say('register.setAsTold'),
        run: () => {
          this.setAsTold();
        },
      },
      { keys: 'p', shown: 'P', says: say('register.practice'), run: () => void this.router.navigate(['/register/practice']) },
    ]);
  }

  protected isHere = (r: Row): boolean => r.job === this.desk()?.job && r.step === this.desk()?.step;
  protected open(value: string): void {
    const row = this.rows()?.find((r) => `${r.job} ${r.step}` === value);
    this.reading.set(false);
    if (row) void this.router.navigate(['/register', row.job, row.step]);
  }
  protected rowSays = (r: Row): string => `${r.number} ${r.title} · ${r.stepName}, ${r.machineName}`;
  private fitRow(c: ColourFit) {
    const mm = (term: string): string => {
      const t = c.terms[term];
      if (!t) return '–';
      if (!t.known) return say('register.missing', label(`register.at.${t.missing}`));
      return `${signed(t.value, 3)}${t.pm === null ? '' : ` ±${formatNumber(t.pm, 3)}`}`;
    };
    const askew =
      c.advice.askew === null
        ? this.slantSays(c)
        : say('register.askew', label(`register.askew.${c.advice.askew}`), mm(c.advice.askew === 'feeder' ? 'slantX' : 'slantY'));
    const shown = (['stretchX', 'stretchY', 'fan'] as const).some((t) => {
      const is = c.terms[t];
      return is?.known ? is.real : false;
    });
    return {
      ink: c.ink,
      unit: c.unit,
      inside: c.advice.inside,
      lateral: mm('shiftX'),
      round: mm('shiftY'),
      askew,
      more: shown ? say('register.stretchAndFan', `${mm('stretchX')} / ${mm('stretchY')}`, mm('fan')) : '',
      left: formatNumber(c.advice.afterMm, 3),
      aside: c.aside,
    };
  }
  private slantSays(c: ColourFit): string {
    const [x, y] = [c.terms['slantX'], c.terms['slantY']];
    const unknown = [x, y].find((t) => t && !t.known);
    return unknown && !unknown.known ? say('register.missing', label(`register.at.${unknown.missing}`)) : say('register.none');
  }
  private stepSays = ({ by, steps }: Setting): string =>
    say('register.steps', Math.abs(steps), label(`register.${by}.${steps < 0 ? 'minus' : 'plus'}`));
  protected signed = (mm: number): string => signed(mm, 2);

  protected setAsTold(): void {
    const desk = this.desk();
    const last = this.last();
    if (!desk || !last || this.isSet() || !this.may()) return;
    const settings = Object.fromEntries(last.colours.filter((c) => c.advice.settings.length > 0).map((c) => [c.ink, c.advice.settings]));
    this.call(this.server.send('register.set', { params: { id: desk.job, step: desk.step }, body: { id: crypto.randomUUID(), settings } }));
  }
  /** What was read before something was written here may come after it: the longer history stands. */
  private readonly show = (d: RegisterDesk): void => {
    const now = this.desk();
    if (now?.job !== d.job || now.step !== d.step || d.turns.length >= now.turns.length) this.desk.set(d);
  };
  protected call(asked: Observable<RegisterDesk>): void {
    asked.subscribe({
      next: (desk) => {
        this.failure.set(null);
        this.reading.set(false);
        this.desk.set(desk);
      },
      error: this.failed,
    });
  }
  protected readonly failed = (f: Failure): void => {
    this.failure.set(f);
  };
}
/** With its sign; what rounds to nothing has none. */
const signed = (v: number, decimals: number): string => {
  const text = formatNumber(v, decimals);
  return v > 0 && text !== '0' ? `+${text}` : text;
};
