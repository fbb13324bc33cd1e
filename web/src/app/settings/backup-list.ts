import { formatDuration, formatMoment, formatNumber, say } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Backup, Keeping } from '@druckerei/contract';

/** A night was left out when the newest is older than this. */
const OLD_S = 36 * 3600;

/** Backups, the newest first: how old the newest is, and a word where none was made for too long. */
@Component({
  selector: 'dk-backup-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (keeping().clockBackS > 0) {
      <p class="note level-start" role="alert" data-figures>{{ say('backupList.clockBack', clockBack()) }}</p>
    }
    <h3>{{ say('backupList.title') }}</h3>
    @if (newest(); as b) {
      <p [class]="old() ? 'note level-start' : 'soft'" role="status" data-figures>{{ say('backupList.newest', age(), megabytes(b)) }}</p>
    } @else {
      <p [class]="old() ? 'note level-start' : 'soft'" role="status">{{ say('backupList.none') }}</p>
    }
    @if (backups().length > 0) {
      <table class="lines" data-figures>
        <thead>
          <tr>
            <th>{{ say('accountRecord.when') }}</th>
            <th>{{ say('backupList.file') }}</th>
            <th class="number">{{ say('backupList.size') }}</th>
            <th>{{ say('backupList.failed') }}</th>
          </tr>
        </thead>
        <tbody>
          @for (b of shown(); track $index) {
            <tr>
              <td>{{ moment(b.at, timeZone()) }}</td>
              <td>{{ b.file }}</td>
              <td class="number">{{ b.bytes === null ? '' : megabytes(b) }}</td>
              <td>{{ b.says }}</td>
            </tr>
          }
        </tbody>
      </table>
    }`,
  styles: `
    h3 {
      font-size: 15px;
      margin: 18px 0 6px;
    }
  `,
})
export class BackupList {
  protected readonly say = say;
  protected readonly moment = formatMoment;
  readonly keeping = input.required<Keeping>();
  readonly timeZone = input('UTC');
  /** The clock, epoch seconds. */
  readonly now = input.required<number>();
  protected readonly backups = computed(() => this.keeping().backups);
  protected readonly shown = computed(() => this.backups().slice(0, 8));
  protected readonly newest = computed(() => this.backups().find((b) => b.bytes !== null) ?? null);
  /** Of the newest backup; where there is none, of the house: its first night has not come yet. */
  private readonly ageS = computed(() => Math.max(this.now() - (this.newest()?.at ?? this.keeping().beganAt), 0));
  protected readonly clockBack = computed(() => formatDuration(this.keeping().clockBackS));
  protected readonly old = computed(() => this.ageS() > OLD_S);
  protected readonly age = computed(() => formatDuration(this.ageS()));
  protected megabytes = ({ bytes }: Backup): string => `${formatNumber((bytes ?? 0) / 1e6, 1)} MB`;
}
