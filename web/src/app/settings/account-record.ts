import { formatMoment, label, say } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatSortModule } from '@angular/material/sort';
import type { AccountEvent } from '@druckerei/contract';
import { sorting } from '../shared/sorting';

/** What happened to accounts, the newest first: who came in, who was refused, whose rights or password were changed by whom. */
@Component({
  selector: 'dk-account-record',
  imports: [MatSortModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h3>{{ say('accountRecord.title') }}</h3>
    <div class="rows" tabindex="0" role="region" [attr.aria-label]="say('accountRecord.title')">
      <table class="lines" data-figures matSort (matSortChange)="sorted.set($event)">
        <thead>
          <tr>
            <th mat-sort-header="when">{{ say('accountRecord.when') }}</th>
            <th mat-sort-header="who">{{ say('accountRecord.who') }}</th>
            <th mat-sort-header="what">{{ say('accountRecord.what') }}</th>
            <th mat-sort-header="by">{{ say('accountRecord.by') }}</th>
            <th mat-sort-header="from">{{ say('accountRecord.from') }}</th>
          </tr>
        </thead>
        <tbody>
          @for (e of sorted.rows(); track e.id) {
            <tr>
              <td>{{ moment(e.at, timeZone()) }}</td>
              <td>{{ e.name }}</td>
              <td>{{ what(e) }}</td>
              <td>{{ e.by }}</td>
              <td>{{ e.address }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="5">{{ say('accountRecord.nothing') }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>`,
  styles: `
    .rows {
      max-height: 340px;
      overflow: auto;
    }
    th {
      text-align: left;
    }
    h3 {
      font-size: 15px;
      margin: 18px 0 6px;
    }
  `,
})
export class AccountRecord {
  protected readonly say = say;
  protected readonly moment = formatMoment;
  readonly events = input.required<readonly AccountEvent[]>();
  readonly timeZone = input('UTC');
  protected readonly sorted = sorting(this.events, {
    when: (e) => e.at,
    who: (e) => e.name,
    what: (e) => this.what(e),
    by: (e) => e.by,
    from: (e) => e.address,
  });
  protected what = (e: AccountEvent): string => {
    const said = label(`account.${e.what}`);
    return e.roles.length > 0 ? `${said}: ${e.roles.map((r) => label(`role.${r}`)).join(', ')}` : said;
  };
}
