import type { Plant } from '../../plant/plant';
import { applyEdits } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { movedBetween } from '../readings/moved';
import { plan } from '../plan';
import { substitutes } from './substitutes';

const now = plan(cardSpec(), LINDMOOR, SHELF);
const planned = now.forms['card.card']?.stock ?? '';
const card = LINDMOOR.stocks[planned]!;
const withStock = (id: string, more: object): Plant => ({ ...LINDMOOR, stocks: { ...LINDMOOR.stocks, [id]: { ...card, ...more } } });
const found = (plant: Plant) => [...substitutes(cardSpec(), plant, SHELF)];

it('offers sheets of the same surface and about the same mass, with everything they change', () => {
  const all = found(LINDMOOR);
  expect(all.length).toBeGreaterThan(0);
  for (const s of all) {
    const other = LINDMOOR.stocks[s.stock]!;
    expect(s.stock).not.toBe(planned);
    expect(other.surface).toBe(card.surface);
    expect(Math.abs(other.gsm / card.gsm - 1)).toBeLessThanOrEqual(0.15);
    const applied = applyEdits(cardSpec(), s.edits);
    if (!applied.ok) throw new Error('refused');
    const made = plan(applied.made, LINDMOOR, SHELF);
    expect(made.forms['card.card']?.stock).toBe(s.stock);
    expect(s.moved).toEqual(movedBetween(now, made));
  }
});
it('says when the grade is another than was ordered', () => {
  const other = found(withStock('other', { grade: 'Another board', gsm: card.gsm * 1.1 })).find((s) => s.stock === 'other');
  expect(other).toMatchObject({ otherGrade: true });
  expect(other?.edits.map((e) => e.at.at(-1))).toEqual(['card.card', 'grade']);
});
it.each([
  ['too heavy', { gsm: card.gsm * 1.2 }],
  ['another surface', { surface: card.surface === 'gloss' ? 'matt' : 'gloss' }],
  ['a roll', { form: 'roll', lengthMm: undefined }],
])('leaves out what is %s', (_name, more) => {
  expect(found(withStock('other', more)).map((s) => s.stock)).not.toContain('other');
});
