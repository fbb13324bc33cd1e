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
  ['none was ever made', [], 100, 'level-start', 'No backup was made yet'],
  ['none yet, the first night is to come', [], 3, 'soft', 'No backup was made yet'],
  ['only one that failed', [failed], 100, 'level-start', 'No backup was made yet'],
  ['one of last night', [failed, made(6)], 100, 'soft', '6 h'],
  ['one too old', [made(40)], 100, 'level-start', '40 h'],
])('says how old the newest backup is: %s', async (_what, backups, hours, level, says) => {
  const f = TestBed.createComponent(BackupList);
  f.componentRef.setInput('keeping', { backups, beganAt: NOW - hours * 3600, clockBackS: 0 });
  f.componentRef.setInput('now', NOW);
  await f.whenStable();
  const status = (f.nativeElement as HTMLElement).querySelector('[role=status]');
  expect(status?.className).toContain(level);
  expect(status?.textContent).toContain(says);
});

it('says that the clock was set back, and by how much; else nothing of it', async () => {
  const f = TestBed.createComponent(BackupList);
  const alert = (): string | undefined => (f.nativeElement as HTMLElement).querySelector('[role=alert]')?.textContent ?? undefined;
  f.componentRef.setInput('now', NOW);
  f.componentRef.setInput('keeping', { backups: [], beganAt: NOW, clockBackS: 0 });
  await f.whenStable();
  expect(alert()).toBeUndefined();
  f.componentRef.setInput('keeping', { backups: [], beganAt: NOW, clockBackS: 7_200 });
  await f.whenStable();
  expect(alert()).toContain('2 h');
});
