import { ChangeDetectionStrategy, Component, input, NgModule } from '@angular/core';

/** jsdom cannot measure SVG: tests see what a chart would be given. */
// eslint-disable-next-line @angular-eslint/component-selector -- the package's own name
@Component({ selector: 'apx-chart', template: '{{ said() }}', changeDetection: ChangeDetectionStrategy.OnPush })
export class ChartStub {
  readonly series = input<unknown>();
  readonly chart = input<unknown>();
  readonly stroke = input<unknown>();
  readonly markers = input<unknown>();
  readonly colors = input<unknown>();
  readonly xaxis = input<unknown>();
  readonly yaxis = input<unknown>();
  readonly annotations = input<unknown>();
  readonly grid = input<unknown>();
  readonly legend = input<unknown>();
  readonly tooltip = input<unknown>();
  readonly plotOptions = input<unknown>();
  readonly dataLabels = input<unknown>();
  protected readonly said = (): string => JSON.stringify(this.series());
}
@NgModule({ imports: [ChartStub], exports: [ChartStub] })
export class NgApexchartsModule {}
