import { LINDMOOR, SHELF } from './line-1.fixture';
import { sleeveSpec } from './line-5.fixture';
import { planned } from './plan';
import { formatNumber as n } from '../words/format';
import { type TicketPage, ticketPages } from './readings/ticket';

/* What the people at the machines read of a gang on two forms: A full with 8 copies, B with 7 and one place on which nothing lies. */

const made = planned(sleeveSpec(), LINDMOOR, SHELF);
const pages = ticketPages(made);
const pageOf = (stone: string): TicketPage => pages.find((p) => p.stone.id === stone || p.stone.runs.some((r) => r.id === stone))!;
const pagesOf = (department: string): TicketPage[] => pages.filter((p) => p.department === department);
const rowsOf = (page: TicketPage | undefined, title: string): string[][] => page?.lists.find((l) => l.title === title)?.rows ?? [];

describe('the die of two forms', () => {
  const [a, b] = pagesOf('dieCutting');
  it('has eight places whichever form lies in the press: rules, force, nicks and first knife are the same', () => {
    for (const figure of ['cutM', 'creaseM', 'forceKn', 'nicks', 'rubberM'])
      expect(made.plan.figures[`plays.die.B.${figure}`]?.value).toBe(made.plan.figures[`plays.die.A.${figure}`]?.value);
    expect(b?.drawings[0]?.says).toBe(a?.drawings[0]?.says);
    expect(a?.drawings[0]?.says).toContain('8 places');
    expect(rowsOf(b, 'nicks')).toEqual(rowsOf(a, 'nicks'));
  });
  it('says how many good copies of which order come off each form', () => {
    // 1,570 and 354 good sheets at the die, by the worked example.
    expect(rowsOf(a, 'orders').map((r) => [r[0], r[1], r[3], r[4]])).toEqual([
      ['C', 'kiln', '1', n(1_570)],
      ['D', 'lantern', '1', n(1_570)],
      ['E', 'mill', '2', n(3_140)],
      ['F', 'orchard', '4', n(6_280)],
    ]);
    expect(rowsOf(b, 'orders').map((r) => [r[0], r[1], r[3], r[4]])).toEqual([
      ['A', 'fog', '2', '708'],
      ['B', 'harbour', '3', n(1_062)],
      ['D', 'lantern', '2', '708'],
    ]);
  });
});

it('tells the breaking-out bench what each stack is, and which is waste', () => {
  const [a, b] = pagesOf('breaking').map((page) => rowsOf(page, 'stacks').map((r) => r[3]));
  expect(a).toEqual(['kiln', 'lantern', 'mill', 'mill', 'orchard', 'orchard', 'orchard', 'orchard']);
  expect(b).toEqual(['fog', 'fog', 'harbour', 'harbour', 'harbour', 'lantern', 'lantern', 'nothing printed: waste']);
});

it('tells press and coater too how many good copies of which order they leave', () => {
  const good = (page: TicketPage): string[][] => rowsOf(page, 'orders').map((r) => [r[1] ?? '', r[4] ?? '']);
  const leaves = (step: string): number => Math.ceil(made.plan.figures[`${step}.good`]!.value);
  for (const stone of ['print', 'coat']) {
    const [a, b] = pagesOf('press').filter((p) => p.stone.id.startsWith(`plays.${stone}`));
    expect(good(a!)).toContainEqual(['orchard', n(4 * leaves(`plays.${stone}.A`))]);
    expect(good(b!)).toContainEqual(['harbour', n(3 * leaves(`plays.${stone}.B`))]);
  }
});

it('letters every copy clear of the creases of its blank', () => {
  const [drawing] = pages.find((p) => p.stone.id.startsWith('plays.stock'))!.drawings;
  const letters = drawing!.shapes.flatMap((s) => (s.kind === 'text' && s.role === 'strong' ? [s] : []));
  expect(letters).toHaveLength(8);
  const creases = drawing!.shapes.flatMap((s) => (s.kind === 'path' && s.role === 'fold' ? [s.points] : []));
  for (const { x, y, sizeMm } of letters)
    for (const [[x1, y1], [x2, y2]] of creases as [[number, number], [number, number]][]) {
      const beyond = (at: number, a: number, b: number): boolean => at < Math.min(a, b) || at > Math.max(a, b);
      const apart = Math.abs(x1 - x2) < 1e-6 ? Math.abs(x - x1) : Math.abs(y - sizeMm / 3 - y1);
      const passes = Math.abs(x1 - x2) < 1e-6 ? !beyond(y, y1, y2) : !beyond(x, x1, x2);
      if (passes) expect(apart).toBeGreaterThan(sizeMm / 2);
    }
});

it('names the order of every letter under each drawing of a shared sheet', () => {
  const texts = (page: TicketPage | undefined): string[] =>
    page?.drawings.flatMap((d) => d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []))) ?? [];
  const shared = pages.filter((p) => texts(p).includes('D'));
  // One page of the store serves all forms of the gang.
  expect(shared.length).toBeGreaterThanOrEqual(7);
  for (const page of shared) expect(texts(page).join(' | ')).toContain('D lantern');
});

it('places the tray on the open sleeve as it comes to the line: from its foot, seen from inside', () => {
  expect(rowsOf(pageOf('fog.blank.insert'), 'trayPlaces')).toEqual([['1', '2', '147.2 mm', '1 mm', 'in the window, not on the coat']]);
});
