import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Finding, findingKey, findingTitle, LEVEL_WORDS } from '@druckerei/core';

/** What is found about one figure, beside it; choosing it opens the finding's card. Level by word and shape as well as by colour. */
@Component({
  selector: 'dk-finding-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (f of about(); track key(f)) {
    <button
      type="button"
      class="chip"
      [class]="'level-' + f.level"
      [class.short]="short()"
      [attr.aria-label]="short() ? says(f) : null"
      [attr.title]="short() ? says(f) : null"
      (click)="opened.emit(key(f))"
    >
      {{ short() ? '!' : says(f) }}
    </button>
  }`,
  styles: `
    button {
      border: 0;
      min-width: 24px;
      min-height: 24px;
      text-align: left;
      cursor: pointer;
    }
    .short {
      padding: 0 6px;
      font-weight: 700;
      text-align: center;
    }
  `,
})
export class FindingMark {
  readonly findings = input.required<Finding[]>();
  readonly figure = input.required<string | undefined>();
  readonly short = input(false);
  readonly opened = output<string>();
  protected readonly about = computed(() => this.findings().filter((f) => f.figure !== undefined && f.figure === this.figure()));
  protected key = findingKey;
  protected says = (f: Finding): string => `${LEVEL_WORDS[f.level] ?? f.level}: ${findingTitle(f.code, f.args)}`;
}
