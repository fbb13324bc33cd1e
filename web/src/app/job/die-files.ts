import { ChangeDetectionStrategy, Component, inject, Injector, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { dieLayers, dieLineScene, dieLinesSvg, say } from '@druckerei/core';
import { ApiCaller, type Failure } from '../shared/api';
import { keepFile } from '../shared/keep-file';
import type { FoldablePart } from './foldable-parts';

/** The die line of a blank for whoever makes the die: DXF and SVG by layers, PDF at true size. */
@Component({
  selector: 'dk-die-files',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="soft">{{ say('dieFiles.dieLine') }}</span>
    <button type="button" matButton [disabled]="busy()" (click)="dxf()">{{ say('dieFiles.dxf') }}</button>
    <button type="button" matButton (click)="svg()">{{ say('takeOut.svg') }}</button>
    <button type="button" matButton [disabled]="busy()" (click)="pdf()">{{ say('takeOut.pdf') }}</button>
    @if (failure(); as f) {
      <span class="fail" role="alert">{{ f.detail ?? f.title }}</span>
    }`,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: baseline;
    }
  `,
})
export class DieFiles {
  protected readonly say = say;
  readonly part = input.required<FoldablePart>();
  private readonly injector = inject(Injector);
  protected readonly busy = signal(false);
  protected readonly failure = signal<Failure | null>(null);

  protected dxf(): void {
    const { name, die } = this.part();
    this.fetch(this.injector.get(ApiCaller).file('dieLines.dxf', { body: { name: name.slice(0, 80), layers: dieLayers(die) } }), 'dxf');
  }
  protected svg(): void {
    const { name, die } = this.part();
    keepFile(new Blob([dieLinesSvg(name, dieLayers(die))], { type: 'image/svg+xml' }), name, 'svg');
  }
  protected pdf(): void {
    const { name, die } = this.part();
    this.fetch(this.injector.get(ApiCaller).file('out.drawing', { body: dieLineScene(name, die) }), 'pdf');
  }
  private fetch(file: ReturnType<ApiCaller['file']>, ending: string): void {
    this.busy.set(true);
    file.subscribe({
      next: (got) => {
        this.busy.set(false);
        this.failure.set(null);
        keepFile(got, this.part().name, ending);
      },
      error: (f: Failure) => {
        this.busy.set(false);
        this.failure.set(f);
      },
    });
  }
}
