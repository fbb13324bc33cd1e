import { TestBed } from '@angular/core/testing';
import { of } from 'rxjs';
import { type LogbookPage } from '@druckerei/contract';
import { PlantSchema } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { LogbookPictures, type Narrowing, type Picture } from './logbook-pictures';

const DAY = 86_400;
const row = (more: Partial<LogbookPage['rows'][number]> = {}): LogbookPage['rows'][number] => ({
  ...{ job: 2408, title: 'Menu', customer: 'Choir', stocks: ['ivory300'], process: 'offset', machine: 'press3', at: 1_772_000_000 },
  ...{ allowedSetup: 200, setup: 180, allowedPpm: 20_000, cycles: 1_000, lost: 15, setupS: 1_800, runS: 900, planPerHour: 8_000 },
  ...{ stops: { feeder: { seconds: 1_800, times: 3 } }, waste: { setup: 180, dirt: 15 }, samples: 10, destroyed: 0, pieceKg: 0.1 },
  ...more,
});
const PAGE: LogbookPage = {
  asOf: 1_772_400_000,
  rows: [
    row(),
    row({ job: 2409, customer: 'Bakery', at: 1_772_100_000, lost: 300 }),
    row({ job: 2409, customer: 'Bakery', process: 'guillotine', machine: 'knife1' }),
  ],
  promises: [
    { job: 2408, title: 'Menu', customer: 'Choir', stocks: ['ivory300'], due: 1_772_200_000, delivered: 1_772_190_000 },
    { job: 2409, title: 'Tags', customer: 'Bakery', stocks: ['ivory300'], due: 1_772_200_000, delivered: 1_772_200_000 + 2 * DAY },
  ],
  changes: [{ at: 1_772_050_000, by: 'Anselm', reason: 'new blankets' }],
  more: false,
};

async function show(view: Picture, narrowing: Narrowing = {}, page: LogbookPage = PAGE) {
  const asked: unknown[] = [];
  const call = (name: string, sent: unknown) => {
    asked.push([name, sent]);
    return of(page);
  };
  TestBed.configureTestingModule({ providers: [provideAsking(), { provide: ApiCaller, useValue: { call } }] });
  const f = TestBed.createComponent(LogbookPictures);
  for (const [name, value] of Object.entries({ view, narrowing, plant: PlantSchema.parse(plantJson) }))
    f.componentRef.setInput(name, value);
  const narrowed: { key: string; value: string }[] = [];
  f.componentInstance.narrowed.subscribe((n) => narrowed.push(n));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const charts = () => [...host.querySelectorAll('apx-chart')].map((c) => JSON.parse(c.textContent) as { name: string; data: unknown[] }[]);
  return { f, host, asked, narrowed, charts };
}

it('draws losses and speeds of each work on each machine, and how often the allowance was enough', async () => {
  const { host, charts, asked } = await show('losses');
  expect(asked).toMatchObject([['logbook.read', { query: { days: '365' } }]]);
  // Offset on press 3 has two jobs, the guillotine one: losses and speeds of each.
  expect(charts().map((c) => c[0]?.data.length)).toEqual([2, 2, 1, 1]);
  expect(charts()[0]?.[0]?.data).toEqual([
    { x: 1_772_000_000_000, y: 1.5 },
    { x: 1_772_100_000_000, y: 30 },
  ]);
  expect(host.textContent).toContain('3 steps of 2 jobs');
  // Of the two at the press one lost 480 of 220 set aside.
  expect(host.querySelector('tbody tr .fail')?.textContent).toContain('50 %');
  expect(host.querySelector('table.said')?.textContent).toContain('2409');
});

it('is narrowed by customer, and tells the address when something else is chosen', async () => {
  const { host, narrowed, charts } = await show('losses', { customer: 'Choir' });
  expect(host.textContent).toContain('1 steps of 1 jobs');
  expect(charts()).toHaveLength(2);
  const machine = [...host.querySelectorAll('select')][1] as HTMLSelectElement;
  machine.value = 'knife1';
  machine.dispatchEvent(new Event('change'));
  expect(narrowed).toEqual([{ key: 'machine', value: 'knife1' }]);
  expect(host.querySelector('a[download]')?.getAttribute('href')).toBe('/api/logbook.csv?days=365');
});

it('sums stops in minutes and money, and weighs waste by class and reason', async () => {
  const { host, charts } = await show('stops', { machine: 'press3', days: '90' });
  expect(charts()[0]).toMatchObject([{ data: [60] }, { data: [100] }]);
  // 360 cycles of setup and 30 pieces of dirt at 100 g.
  expect(charts()[1]).toMatchObject([{ data: [36, 3] }]);
  expect(host.textContent).toContain('feeder');
  const rate = PlantSchema.parse(plantJson).machines['press3']!.runCostPerHour;
  expect(host.textContent.replace(/[\u2009,]/g, '')).toContain(String(Math.round(rate)));
});

it('tells promises kept from those missed, by name and days', async () => {
  const { host, charts } = await show('promises');
  expect(host.textContent).toContain('1 of 2 delivered by the day that was promised.');
  expect(charts()[0]).toMatchObject([{ data: [1, 0, 1, 0, 0, 0, 0, 0] }]);
  expect(host.querySelector('tbody')?.textContent).toContain('Tags');
  expect(host.querySelector('tbody')?.textContent).not.toContain('Menu');
});

it('says so while no closed job was counted', async () => {
  const { host } = await show('stops', {}, { ...PAGE, rows: [], promises: [] });
  expect(host.textContent).toContain('No closed job was counted yet.');
});
