import { ChangeDetectionStrategy, Component, inject, Injector, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { dieLayers, dieLineScene, dieLinesSvg, say } from '@druckerei/core';
import { ApiCaller } from '../shared/api';
import { keepFile } from '../shared/keep-file';
import { TakenFile } from '../shared/taken-file';
import type { FoldablePart } from './foldable-parts';

/** The die line of a blank for whoever makes the die: DXF and SVG by layers, PDF at true size, its rules as a list. */
@Component({
  selector: 'dk-die-files',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="soft">{{ say('dieFiles.dieLine') }}</span>
    <button type="button" matButton [disabled]="file.busy()" (click)="lines('dxf')">{{ say('dieFiles.dxf') }}</button>
    <button type="button" matButton [disabled]="file.busy()" (click)="lines('csv')">{{ say('dieFiles.rules') }}</button>
    <button type="button" matButton (click)="svg()">{{ say('takeOut.svg') }}</button>
    <button type="button" matButton [disabled]="file.busy()" (click)="pdf()">{{ say('takeOut.pdf') }}</button>
    @if (file.failure(); as f) {
      <span class="fail" role="alert">{{ f.detail ?? f.title }}</span>
    }`,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0 8px;
    }
  `,
})
export class DieFiles {
  protected readonly say = say;
  readonly part = input.required<FoldablePart>();
  private readonly injector = inject(Injector);
  protected readonly file = new TakenFile();

  /** As whoever makes the die reads it: as lines, or as a list of rules. */
  protected lines(as: 'dxf' | 'csv'): void {
    const { name, die } = this.part();
    const body = { name: name.slice(0, 80), layers: dieLayers(die) };
    this.file.take(this.injector.get(ApiCaller).file(`dieLines.${as}`, { body }), name, as);
  }
  protected svg(): void {
    const { name, die } = this.part();
    keepFile(new Blob([dieLinesSvg(name, dieLayers(die))], { type: 'image/svg+xml' }), name, 'svg');
  }
  protected pdf(): void {
    const { name, die } = this.part();
    this.file.take(this.injector.get(ApiCaller).file('out.drawing', { body: dieLineScene(name, die) }), name, 'pdf');
  }
}
