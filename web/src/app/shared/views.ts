import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatTabLink, MatTabNav, type MatTabNavPanel } from '@angular/material/tabs';
import { type Params, RouterLink } from '@angular/router';

/** One view of a page: its words and its address. */
export interface View {
  id: string;
  says: string;
  query?: Params;
  /** Where it has an address of its own: the page itself else. */
  link?: readonly string[];
}

/** The views of a page as links, the one that is open underlined: each has an address of its own. */
@Component({
  selector: 'dk-views',
  imports: [MatTabLink, MatTabNav, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nav mat-tab-nav-bar [tabPanel]="panel()" [mat-stretch-tabs]="false" [attr.aria-label]="label()">
    @for (v of views(); track v.id) {
      <a mat-tab-link [active]="v.id === here()" [routerLink]="v.link ?? []" [queryParams]="v.query ?? {}" queryParamsHandling="merge">{{
        v.says
      }}</a>
    }
  </nav>`,
})
export class Views {
  readonly views = input.required<readonly View[]>();
  readonly here = input.required<string>();
  readonly label = input.required<string>();
  /** What the open view stands in. */
  readonly panel = input.required<MatTabNavPanel>();
}
