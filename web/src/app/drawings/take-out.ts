import { ChangeDetectionStrategy, Component, inject, Injector, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Scene, say, trueSizeSvg } from '@druckerei/core';
import { ApiCaller } from '../shared/api';
import { keepFile } from '../shared/keep-file';
import { TakenFile } from '../shared/taken-file';

/** A drawing as a file at true size: SVG from here, PDF from the server. */
@Component({
  selector: 'dk-take-out',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button type="button" matButton [attr.aria-label]="say('takeOut.asSvg', scene().title)" (click)="svg()">
      {{ say('takeOut.svg') }}
    </button>
    <button type="button" matButton [attr.aria-label]="say('takeOut.asPdf', scene().title)" [disabled]="file.busy()" (click)="pdf()">
      {{ say('takeOut.pdf') }}
    </button>
    @if (file.failure(); as f) {
      <span class="fail" role="alert">{{ f.detail ?? f.title }}</span>
    }`,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: center;
    }
  `,
})
export class TakeOut {
  protected readonly say = say;
  readonly scene = input.required<Scene>();
  private readonly injector = inject(Injector);
  protected readonly file = new TakenFile();

  protected svg(): void {
    keepFile(new Blob([trueSizeSvg(this.scene())], { type: 'image/svg+xml' }), this.scene().title, 'svg');
  }
  protected pdf(): void {
    this.file.take(this.injector.get(ApiCaller).file('out.drawing', { body: this.scene() }), this.scene().title, 'pdf');
  }
}
