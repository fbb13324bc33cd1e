import { formatMoment, label, say } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { AccountEvent } from '@druckerei/contract';

/** What happened to accounts, the newest first: who came in, who was refused, whose rights or password were changed by whom. */
@Component({
  selector: 'dk-account-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h3>{{ say('accountRecord.title') }}</h3>
    <div class="rows" tabindex="0" role="region" [attr.aria-label]="say('accountRecord.title')">
      <table class="lines" data-figures>
        <thead>
          <tr>
            <th>{{ say('accountRecord.when') }}</th>
            <th>{{ say('accountRecord.who') }}</th>
            <th>{{ say('accountRecord.what') }}</th>
            <th>{{ say('accountRecord.by') }}</th>
            <th>{{ say('accountRecord.from') }}</th>
          </tr>
        </thead>
        <tbody>
          @for (e of events(); track e.id) {
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
  protected what = (e: AccountEvent): string => {
    const said = label(`account.${e.what}`);
    return e.roles.length > 0 ? `${said}: ${e.roles.map((r) => label(`role.${r}`)).join(', ')}` : said;
  };
}
