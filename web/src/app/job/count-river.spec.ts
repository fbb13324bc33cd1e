import { TestBed } from '@angular/core/testing';
import { type Plant, PlantSchema, riverOf, EMPTY_SHELF } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { CountRiver } from './count-river';
import { Findings } from './findings';
import { StonePanel } from './stone-panel';
import { Working } from './working';
import { cardSpec } from './card-spec.fixture';

const plant: Plant = PlantSchema.parse(plantJson);
const spec = cardSpec();
const made = plan(spec, plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
const place = { timeZone: 'Europe/Berlin', currency: 'EUR' };

describe('CountRiver', () => {
  const show = async (asList: boolean, of = made): Promise<{ host: HTMLElement; chosen: string[] }> => {
    const f = TestBed.createComponent(CountRiver);
    for (const [k, v] of Object.entries({ plan: of, river: riverOf(of), place, asList })) f.componentRef.setInput(k, v);
    const chosen: string[] = [];
    f.componentInstance.chooseStone.subscribe((s) => chosen.push(s));
    await f.whenStable();
    return { host: f.nativeElement as HTMLElement, chosen };
  };
  it('shows a stone for every stage and tells each by name, count, loss and time', async () => {
    const { host, chosen } = await show(false);
    const stones = [...host.querySelectorAll<HTMLButtonElement>('.stone')];
    expect(stones).toHaveLength(made.stones.length);
    const cut = stones.find((b) => b.textContent.includes('Cut'));
    // Sheets are lost under the knife, copies leave it.
    expect(cut?.getAttribute('aria-label')).toMatch(/Cut, Guillotine 1, .*copies good, \d+ sheets lost/);
    cut?.click();
    expect(chosen).toEqual(['card.card.cut']);
  });
  it('of several products says in the line below whose a stone is, and in full to those who listen', async () => {
    const [item, product] = [spec.items['i1']!, spec.products['card']!];
    const two = { ...spec, items: { i1: item, i2: { ...item, product: 'menu' } }, products: { card: product, menu: product } };
    const { host } = await show(false, plan(two, plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 }));
    const cut = host.querySelector('[id="stone-menu.card.cut"]');
    expect(cut?.querySelector('.name')?.textContent.trim()).toBe('Cut');
    expect(cut?.querySelector('.machine')?.textContent).toMatch(/^menu · /);
    expect(cut?.getAttribute('aria-label')).toMatch(/^Cut, menu, Guillotine 1/);
  });
  it('has a list form with the same actions', async () => {
    const { host, chosen } = await show(true);
    expect(host.querySelectorAll('tbody tr')).toHaveLength(made.stones.length);
    host.querySelector<HTMLButtonElement>('tbody button')?.click();
    expect(chosen).toEqual(['card.card.stock']);
  });
});

describe('StonePanel', () => {
  it('shows nine rows at most, the rest unfolds, and defers to the manual', async () => {
    const f = TestBed.createComponent(StonePanel);
    for (const [k, v] of Object.entries({ stone: made.stones.find((s) => s.key === 'print'), plan: made, spec, place }))
      f.componentRef.setInput(k, v);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    expect(host.querySelectorAll('.row')).toHaveLength(9);
    expect(host.textContent).toContain('trained people only');
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes('more'))?.click();
    await f.whenStable();
    expect(host.querySelectorAll('.row').length).toBeGreaterThan(9);
  });
});

describe('Working', () => {
  it('shows the formula in words, every term with its origin, and walks to terms that are figures', async () => {
    const f = TestBed.createComponent(Working);
    for (const [k, v] of Object.entries({ plan: made, id: 'card.card.print.front.run', place, who: 'test' })) f.componentRef.setInput(k, v);
    const asked: string[] = [];
    f.componentInstance.explain.subscribe((id) => asked.push(id));
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    expect(host.textContent).toContain('setup + (good + samples)');
    [...host.querySelectorAll<HTMLButtonElement>('.term')].find((b) => b.textContent.includes('good needed'))?.click();
    expect(asked).toEqual(['card.card.print.front.need']);
  });
});

describe('Findings', () => {
  it('opens a card, asks for a preview of its remedy, and applies it', async () => {
    const f = TestBed.createComponent(Findings);
    // Somebody counts on a setup of sixty sheets.
    const tight = { ...spec, choices: { ...spec.choices, settings: { 'card.card.print': { setupSheets: 60 } } } };
    const { findings } = plan(tight, plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
    for (const [k, v] of Object.entries({ findings, spec: tight })) f.componentRef.setInput(k, v);
    const previews: unknown[] = [];
    const applied: unknown[] = [];
    f.componentInstance.previewAsked.subscribe((e) => previews.push(e));
    f.componentInstance.apply.subscribe((e) => applied.push(e));
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    [...host.querySelectorAll<HTMLButtonElement>('.title')].find((b) => b.textContent.includes('fall short'))?.click();
    await f.whenStable();
    expect(previews).toHaveLength(1);
    [...host.querySelectorAll<HTMLButtonElement>('.remedy button')][0]?.click();
    expect(applied).toEqual(previews);
  });
});
