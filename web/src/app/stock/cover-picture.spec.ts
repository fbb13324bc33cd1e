import { TestBed } from '@angular/core/testing';
import type { StockLine } from '@druckerei/contract';
import { PlantSchema } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { CoverPicture } from './cover-picture';

const plant = PlantSchema.parse(plantJson);
const [FIRST, SECOND, THIRD] = Object.keys(plant.stocks) as [string, string, string];
const line = (stock: string, weeks: number | null): StockLine => ({
  ...{
    stock,
    unit: 'sheet',
    free: 900,
    reserved: 0,
    coming: 0,
    customers: 0,
    wanted: 0,
    usedAWeek: weeks === null ? 0 : 900 / weeks,
    weeks,
  },
  ...{ jobs: [], shortage: null, buy: null, trims: [] },
});

async function show(lines: StockLine[]): Promise<HTMLElement> {
  const f = TestBed.createComponent(CoverPicture);
  f.componentRef.setInput('lines', lines);
  f.componentRef.setInput('plant', plant);
  await f.whenStable();
  return f.nativeElement as HTMLElement;
}

it('shows how long each stock lasts, the shortest first, and which lasts no longer than it takes to get more', async () => {
  const lead = plant.stocks[SECOND]!.leadDays;
  const host = await show([line(FIRST, 40), line(SECOND, lead / 7 - 0.1), line(THIRD, null)]);
  const [series] = JSON.parse(host.querySelector('apx-chart')!.textContent) as {
    data: { x: string; y: number; goals: { value: number }[] }[];
  }[];
  expect(series?.data.map((d) => d.x)).toEqual([plant.stocks[SECOND]!.name, plant.stocks[FIRST]!.name]);
  expect(series?.data[0]?.goals[0]?.value).toBeCloseTo(lead / 7, 9);
  expect([...host.querySelectorAll('tbody tr')].map((r) => r.querySelector('.fail') !== null)).toEqual([true, false]);
  expect(host.textContent).toContain(`used any of: ${plant.stocks[THIRD]!.name}`);
});

it('says that nothing is known while no job was delivered', async () => {
  expect((await show([line(FIRST, null)])).textContent).toContain('nothing is known of what is used');
});
