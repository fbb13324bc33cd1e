import { TestBed } from '@angular/core/testing';
import { familyOf, type Placing, PlantSchema } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { type Moved, PlaceThings } from './place-things';

const plant = PlantSchema.parse(plantJson);
const placing = (more: Record<string, unknown> = {}): Placing => {
  const card = familyOf('folded-card');
  const foils = { f1: { name: 'crest', widthMm: 40, heightMm: 30, ...more } };
  const made = card.placing?.({ ...card.starts, openWidthMm: 210, openHeightMm: 148, foils }, plant);
  if (!made) throw new Error('a card with foil has something to place');
  return made;
};

async function show(of: Placing, locked = false) {
  const f = TestBed.createComponent(PlaceThings);
  f.componentRef.setInput('placing', of);
  f.componentRef.setInput('locked', locked);
  const moves: Moved[] = [];
  f.componentInstance.moved.subscribe((m) => moves.push(m));
  await f.whenStable();
  const thing = (f.nativeElement as HTMLElement).querySelector<SVGRectElement>('rect[role=button]')!;
  const press = (key: string, shiftKey = false): void => {
    thing.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey, cancelable: true }));
  };
  return { host: f.nativeElement as HTMLElement, thing, press, moves };
}

it('draws a card’s foil on its side, says where it lies, and moves it by the arrow keys, never off the piece', async () => {
  const { host, thing, press, moves } = await show(placing({ xMm: 165, yMm: 2.2, side: 'back' }));
  const [front, back] = host.querySelectorAll('svg');
  expect(front!.querySelector('rect[role=button]')).toBeNull();
  expect(back!.contains(thing)).toBe(true);
  expect(thing.getAttribute('aria-label')).toContain('crest: 165 mm from the left, 2.2 from the top');
  press('ArrowLeft');
  press('ArrowRight', true);
  press('ArrowUp', true);
  press('Enter');
  expect(moves).toEqual([
    { id: 'f1', xMm: 164, yMm: 2 },
    { id: 'f1', xMm: 170, yMm: 2 },
    { id: 'f1', xMm: 165, yMm: 0 },
  ]);
});

it('lies in the middle of the first panel until it is moved, and stays where the order is locked', async () => {
  const { thing, press, moves } = await show(placing(), true);
  expect([thing.getAttribute('x'), thing.getAttribute('y')]).toEqual(['32.5', '59']);
  press('ArrowLeft');
  expect(moves).toEqual([]);
});

it('has nothing to place where a card has no foil', () => {
  const card = familyOf('folded-card');
  expect(card.placing?.(card.starts, plant)).toBeNull();
});
