import { ChangeDetectionStrategy, Component, inject, Injector, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Scene, say, trueSizeSvg } from '@druckerei/core';
import { ApiCaller, type Failure } from '../shared/api';

/** A drawing as a file at true size: SVG from here, PDF from the server. */
@Component({
  selector: 'dk-take-out',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button type="button" matButton [attr.aria-label]="say('takeOut.asSvg', scene().title)" (click)="svg()">
      {{ say('takeOut.svg') }}
    </button>
    <button type="button" matButton [attr.aria-label]="say('takeOut.asPdf', scene().title)" [disabled]="busy()" (click)="pdf()">
      {{ say('takeOut.pdf') }}
    </button>
    @if (failure(); as f) {
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
  protected readonly busy = signal(false);
  protected readonly failure = signal<Failure | null>(null);

  protected svg(): void {
    this.keep(new Blob([trueSizeSvg(this.scene())], { type: 'image/svg+xml' }), 'svg');
  }
  protected pdf(): void {
    this.busy.set(true);
    this.injector
      .get(ApiCaller)
      .file('out.drawing', { body: this.scene() })
      .subscribe({
        next: (file) => {
          this.busy.set(false);
          this.failure.set(null);
          this.keep(file, 'pdf');
        },
        error: (f: Failure) => {
          this.busy.set(false);
          this.failure.set(f);
        },
      });
  }
  private keep(file: Blob, ending: string): void {
    const address = URL.createObjectURL(file);
    const link = document.createElement('a');
    link.href = address;
    link.download = `${this.scene().title.replace(/[^a-z0-9]+/gi, '-')}.${ending}`;
    link.click();
    URL.revokeObjectURL(address);
  }
}
