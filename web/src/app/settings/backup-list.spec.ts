import { TestBed } from '@angular/core/testing';
import type { Backup } from '@druckerei/contract';
import { BackupList } from './backup-list';

const NOW = 1_790_000_000;
const made = (hoursAgo: number): Backup => ({
  at: NOW - hoursAgo * 3600,
  file: 'nightly-20260921-0230.backup',
  bytes: 2_500_000,
  says: '',
});
const failed: Backup = { at: NOW - 60, file: 'nightly-20260922-0230.backup', bytes: null, says: 'no space left' };

it.each([
  ['none was ever made', [], 'level-start', 'No backup was made yet'],
  ['only one that failed', [failed], 'level-start', 'No backup was made yet'],
  ['one of last night', [failed, made(6)], 'soft', '6 h'],
  ['one too old', [made(40)], 'level-start', '40 h'],
])('says how old the newest backup is: %s', async (_what, backups, level, says) => {
  const f = TestBed.createComponent(BackupList);
  f.componentRef.setInput('backups', backups);
  f.componentRef.setInput('now', NOW);
  await f.whenStable();
  const status = (f.nativeElement as HTMLElement).querySelector('[role=status]');
  expect(status?.className).toContain(level);
  expect(status?.textContent).toContain(says);
});
