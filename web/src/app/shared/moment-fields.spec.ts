import { TestBed } from '@angular/core/testing';
import { MomentFields } from './moment-fields';

async function open(kind: 'day' | 'moment', value: string) {
  const f = TestBed.createComponent(MomentFields);
  f.componentRef.setInput('label', 'Due');
  f.componentRef.setInput('kind', kind);
  f.componentRef.setInput('value', value);
  const told: string[] = [];
  const left: boolean[] = [];
  f.componentInstance.changed.subscribe((text) => {
    told.push(text);
    f.componentRef.setInput('value', text);
  });
  f.componentInstance.left.subscribe(({ byKey }) => left.push(byKey));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const type = async (name: string, text: string): Promise<void> => {
    const field = host.querySelector<HTMLInputElement>(`input[aria-label="${name}"]`)!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await f.whenStable();
  };
  const key = async (k: string): Promise<void> => {
    host.querySelector('input')!.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true }));
    await f.whenStable();
  };
  return { host, told, left, type, key };
}

describe('a day and an hour typed where they stand', () => {
  it('stands on the day as it is said here', async () => {
    const { host } = await open('moment', '2026-12-08T12:00');
    expect([...host.querySelectorAll('input')].map((i) => i.value)).toEqual(['Tue 8 Dec 2026', '12:00']);
  });
  test.each([
    ['24.12.2026', '2026-12-24'],
    ['24/12/2026', '2026-12-24'],
    ['24.12.26', '2026-12-24'],
    ['24 Dec 2026', '2026-12-24'],
    ['24 December 2026', '2026-12-24'],
    ['2026-12-24', '2026-12-24'],
    // A day that is twice or not at all an hour long somewhere is a day like another here.
    ['29.3.2026', '2026-03-29'],
  ])('understands %s', async (typed, day) => {
    const { told, type } = await open('day', '2026-11-30');
    await type('Due', typed);
    expect(told.at(-1)).toBe(day);
  });
  it('keeps the hour when the day changes, and the day when the hour does', async () => {
    const { told, type } = await open('moment', '2026-12-08T09:30');
    await type('Due', '10.12.2026');
    await type('Due, hour', '14:15');
    expect(told).toEqual(['2026-12-10T09:30', '2026-12-10T14:15']);
  });
  it('says that a day is not understood, tells nobody of it, and stays open', async () => {
    const { host, told, left, type, key } = await open('day', '2026-12-08');
    await type('Due', 'soon');
    await key('Enter');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('Choose a date');
    expect([told, left]).toEqual([[], []]);
  });
  it('is done by Enter, and taken back by Escape', async () => {
    const { told, left, type, key } = await open('day', '2026-12-08');
    await type('Due', '9.12.2026');
    await key('Enter');
    await key('Escape');
    expect(told).toEqual(['2026-12-09', '2026-12-08']);
    expect(left).toEqual([true, true]);
  });
});
