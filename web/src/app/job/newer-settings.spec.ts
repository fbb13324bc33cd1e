import { TestBed } from '@angular/core/testing';
import type { Moved } from '@druckerei/core/planning';
import { NewerSettings } from './newer-settings';

const moved = (more: Partial<Moved>): Moved => ({ totals: [], come: [], gone: [], ...more });

describe('NewerSettings', () => {
  const show = async (m: Moved | null, more: Record<string, unknown> = {}) => {
    const f = TestBed.createComponent(NewerSettings);
    for (const [k, v] of Object.entries({ moved: m, place: { timeZone: 'UTC', currency: 'EUR' }, ...more })) f.componentRef.setInput(k, v);
    const taken: unknown[] = [];
    f.componentInstance.take.subscribe(() => taken.push(1));
    await f.whenStable();
    return { host: f.nativeElement as HTMLElement, taken };
  };
  it.each([
    ['nothing, until it is known', null, 'newer than this plan. '],
    ['that nothing changes', moved({}), 'They change nothing here.'],
    [
      'totals with both values',
      moved({ totals: [{ key: 'money', unit: 'money', before: 100, after: 120 }] }),
      'planning cost: 100.00 EUR → 120.00 EUR',
    ],
    [
      'findings that come and go',
      moved({
        come: [{ code: 'bleed.small', at: 'c', level: 'decide', args: { bleedMm: 2, least: 3 } }],
        gone: [{ code: 'stock.none', at: 'c', level: 'release', args: { grade: 'Ivory' } }],
      }),
      'new finding: Bleed 2 mm · settled: No stock of “Ivory”',
    ],
  ])('says %s', async (_name, m, says) => {
    expect((await show(m)).host.textContent).toContain(says);
  });
  it('offers the new settings, not on a job that is locked, and once', async () => {
    const { host, taken } = await show(moved({}));
    host.querySelector('button')?.click();
    expect(taken).toHaveLength(1);
    expect((await show(moved({}), { locked: true })).host.querySelector('button')).toBeNull();
    expect((await show(moved({}), { taking: true })).host.querySelector('button')?.disabled).toBe(true);
  });
});
