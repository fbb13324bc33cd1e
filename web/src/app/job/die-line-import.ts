import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import type { DieFileRead } from '@druckerei/contract';
import {
  type DieLine,
  dieLineOf,
  type DieLineRead,
  guessedKind,
  LINE_KINDS,
  type LineKind,
  measureDieLine,
  say,
  type ScreenKey,
} from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** Millimetres of the units a file may be in. */
const UNITS = [
  { mm: 1, says: say('dieImport.mm') },
  { mm: 10, says: say('dieImport.cm') },
  { mm: 25.4, says: say('dieImport.inches') },
  { mm: 25.4 / 72, says: say('dieImport.points') },
];

const KINDS: Readonly<Record<LineKind, ScreenKey>> = {
  cut: 'dieImport.kind.cut',
  crease: 'dieImport.kind.crease',
  perforation: 'dieImport.kind.perforation',
  halfCut: 'dieImport.kind.halfCut',
  glue: 'dieImport.kind.glue',
  leave: 'dieImport.kind.leave',
};
/** Why lines are no blank. */
const REFUSED: Readonly<Record<Extract<DieLineRead, { ok: false }>['why'], ScreenKey>> = {
  tooMany: 'dieImport.refused.tooMany',
  nothing: 'dieImport.refused.nothing',
  open: 'dieImport.refused.open',
  crosses: 'dieImport.refused.crosses',
  several: 'dieImport.refused.several',
  narrow: 'dieImport.refused.narrow',
};

/** A die line from a DXF or SVG file: what each layer means is guessed and may be changed, the unit is asked where the file does not say it, and what comes out is seen before it is taken. */
@Component({
  selector: 'dk-die-line-import',
  imports: [FormsModule, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './die-line-import.html',
})
export class DieLineImport {
  protected readonly say = say;
  protected readonly kinds = LINE_KINDS.map((kind) => ({ kind, says: say(KINDS[kind]) }));
  protected readonly units = UNITS;
  readonly taken = output<{ name: string; die: DieLine }>();
  readonly closed = output();

  private readonly server = inject(Server);
  protected readonly busy = signal(false);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly file = signal<(DieFileRead & { name: string }) | null>(null);
  private readonly chosenKinds = signal<Readonly<Record<string, LineKind>>>({});
  private readonly chosenUnit = signal<number | null>(null);
  protected readonly unit = computed(() => this.file()?.unitMm ?? this.chosenUnit());
  protected readonly layers = computed(() =>
    (this.file()?.layers ?? []).map((l) => ({ ...l, kind: this.chosenKinds()[l.name] ?? guessedKind(l.name), lines: l.paths.length })),
  );
  protected readonly unread = computed(() =>
    Object.entries(this.file()?.unread ?? {})
      .map(([what, n]) => `${n} × ${what}`)
      .join(', '),
  );
  protected readonly read = computed(() => {
    const [layers, unitMm] = [this.layers(), this.unit()];
    return layers.length === 0 || unitMm === null
      ? null
      : dieLineOf(layers, Object.fromEntries(layers.map((l) => [l.name, l.kind])), unitMm);
  });
  /** What would be taken, in words. */
  protected readonly found = computed(() => {
    const read = this.read();
    if (!read?.ok) return null;
    const { widthMm, heightMm, cutMm, creaseMm } = measureDieLine(read.die);
    const n = (mm: number): string => mm.toFixed(1);
    return {
      says: say('dieImport.found', n(widthMm), n(heightMm), (cutMm / 1000).toFixed(2), (creaseMm / 1000).toFixed(2)),
      healed: read.healed,
    };
  });
  protected readonly refused = computed(() => {
    const read = this.read();
    if (!read || read.ok) return null;
    const { mm, x, y, lines, most, pieces } = read.args;
    return say(REFUSED[read.why], mm ?? lines ?? pieces ?? '', x ?? most ?? '', y ?? '');
  });

  protected send(input: HTMLInputElement): void {
    const [file] = input.files ?? [];
    if (!file) return;
    this.busy.set(true);
    this.server.send('dieLines.read', { file }).subscribe({
      next: (read) => {
        this.busy.set(false);
        this.failure.set(null);
        this.chosenKinds.set({});
        this.chosenUnit.set(null);
        this.file.set({ ...read, name: file.name.replace(/\.[^.]*$/, '').slice(0, 60) });
      },
      error: (f: Failure) => {
        this.busy.set(false);
        this.failure.set(f);
      },
    });
    input.value = '';
  }
  protected means(layer: string, kind: LineKind): void {
    this.chosenKinds.update((all) => ({ ...all, [layer]: kind }));
  }
  protected inUnit(mm: number): void {
    this.chosenUnit.set(mm);
  }
  protected take(): void {
    const [file, read] = [this.file(), this.read()];
    if (file && read?.ok) this.taken.emit({ name: file.name || 'line', die: read.die });
  }
}
