import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatBadge } from '@angular/material/badge';
import { say } from '@druckerei/core';
import { MatTabLink, MatTabNav, type MatTabNavPanel } from '@angular/material/tabs';
import { type Params, RouterLink } from '@angular/router';

/** One view of a page: its words and its address. */
export interface View {
  id: string;
  says: string;
  query?: Params;
  /** Where it has an address of its own: the page itself else. */
  link?: readonly string[];
  /** How much there waits for somebody. */
  waits?: number;
}

/** The views of a page as links, the one that is open underlined: each has an address of its own. */
@Component({
  selector: 'dk-views',
  imports: [MatBadge, MatTabLink, MatTabNav, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nav mat-tab-nav-bar [tabPanel]="panel()" [mat-stretch-tabs]="false" [attr.aria-label]="label()">
    @for (v of views(); track v.id) {
      <a mat-tab-link [active]="v.id === here()" [routerLink]="v.link ?? []" [queryParams]="v.query ?? {}" queryParamsHandling="merge"
        ><span
          matBadgeSize="small"
          [matBadge]="v.waits"
          [matBadgeHidden]="!v.waits"
          [matBadgeDescription]="v.waits ? say('views.waits', v.waits) : ''"
          >{{ v.says }}</span
        ></a
      >
    }
  </nav>`,
})
export class Views {
  protected readonly say = say;
  readonly views = input.required<readonly View[]>();
  readonly here = input.required<string>();
  readonly label = input.required<string>();
  /** What the open view stands in. */
  readonly panel = input.required<MatTabNavPanel>();
}
