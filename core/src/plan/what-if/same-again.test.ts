import { JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { plan } from '../plan';
import { sameAgain } from './same-again';

const chosen = JobSpecSchema.parse({
  ...cardSpec(10_000),
  items: { i1: { ...cardSpec().items['i1'], orderLine: 'old-line' } },
  choices: { ...cardSpec().choices, machine: { 'card.card.print': 'press3' }, settings: { 'card.card.print': { inkOrder: 'darkFirst' } } },
  overrides: {
    'card.card.print.front.run': { value: 2_000, reason: 'counted', by: 'test', until: SHELF.asOf + 1 },
    'card.card.cut.run': { value: 9, reason: 'long past', by: 'test', until: SHELF.asOf - 1 },
  },
  decisions: { 'risk.short@job': { by: 'test', reason: 'ran the risk', at: 1 } },
  gates: { g1: { kind: 'fileProof', version: 'v1', who: 'choir', by: '2026-03-10T10:00', holds: 'release' } },
});
const old = { spec: chosen, plant: LINDMOOR, number: 2401 };
const again = sameAgain(old, { plant: LINDMOOR, shelf: SHELF, times: 1.08, by: '2026-06-01T12:00' });

describe('same again, new date, 8 % more', () => {
  it('orders 8 % more in whole pieces, in one delivery on the new date', () => {
    expect(again.spec.items['i1']?.versions['only']?.quantity).toBe(10_800);
    expect(again.spec.items['i1']?.deliveries).toEqual([
      { by: '2026-06-01T12:00', share: { only: 10_800 }, to: cardSpec().items['i1']?.deliveries[0]?.to ?? '' },
    ]);
    expect(again.spec.again).toBe(2401);
  });
  it('rounds up to whole pieces', () => {
    const third = sameAgain(old, { plant: LINDMOOR, shelf: SHELF, times: 1 / 3, by: '2026-06-01T12:00' });
    expect(third.spec.items['i1']?.versions['only']?.quantity).toBe(3_334);
  });
  it('keeps choices and gates that are asked again, drops what belonged to the old occasion', () => {
    expect(again.spec.choices.machine).toEqual(chosen.choices.machine);
    expect(again.spec.gates).toEqual(chosen.gates);
    expect(again.spec.items['i1']?.orderLine).toBeNull();
    expect(again.spec.decisions).toEqual({});
    expect(Object.keys(again.spec.overrides)).toEqual(['card.card.print.front.run']);
  });
  it('sets up as repeat work: no stone takes longer to set up, the press takes less', () => {
    const fresh = plan({ ...chosen, decisions: {}, overrides: {} }, LINDMOOR, SHELF);
    const repeat = plan({ ...again.spec, items: chosen.items, overrides: {} }, LINDMOOR, SHELF);
    const setup = (p: typeof fresh, i: number): number => p.figures[p.stones[i]?.setupS ?? '']?.value ?? 0;
    fresh.stones.forEach((_s, i) => {
      expect(setup(repeat, i)).toBeLessThanOrEqual(setup(fresh, i));
    });
    expect(repeat.figures['total.machineS']?.value).toBeLessThan(fresh.figures['total.machineS']?.value ?? 0);
    expect(Object.values(again.spec.choices.settings).every((s) => s['repeat'] === 'repeat')).toBe(true);
    expect(again.spec.choices.settings['card.card.print']?.['inkOrder']).toBe('darkFirst');
  });
  it('lists what is kept, and what the settings changed since then do', () => {
    expect(again.kept.map((k) => k.code)).toEqual(expect.arrayContaining(['stock', 'machine', 'settings', 'overrides']));
    expect(again.moved.totals).toEqual([]);
    const dearer = {
      ...LINDMOOR,
      inks: Object.fromEntries(Object.entries(LINDMOOR.inks).map(([id, i]) => [id, { ...i, pricePerKg: i.pricePerKg * 9 }])),
    };
    const moved = sameAgain(old, { plant: dearer, shelf: SHELF, times: 1, by: '2026-06-01T12:00' }).moved;
    expect(moved.totals.map((t) => t.key)).toContain('money');
  });
  it('names machines and stocks that are gone', () => {
    const { press3: _gone, ...machines } = LINDMOOR.machines as Record<string, never>;
    expect(sameAgain(old, { plant: { ...LINDMOOR, machines }, shelf: SHELF, times: 1, by: '2026-06-01T12:00' }).gone).toEqual([
      { what: 'machine', id: 'press3' },
    ]);
  });
});

describe('stored tools of a reprint', () => {
  const card = chosen.products['card'] as { wish: { foils: Record<string, object> } };
  const [area] = Object.keys(card.wish.foils);
  const withTool = JobSpecSchema.parse({
    ...chosen,
    products: {
      card: { ...card, wish: { ...card.wish, foils: { [area as string]: { ...card.wish.foils[area as string], tool: 'F-1' } } } },
    },
  });
  const worn = (tools: object): unknown =>
    sameAgain({ ...old, spec: withTool }, { plant: LINDMOOR, shelf: { ...SHELF, tools: tools as never }, times: 1, by: '2026-06-01T12:00' })
      .worn;
  it.each([
    ['does', { 'F-1': { spec: 'x', lifeLeft: 1_000_000, state: 'store' } }, []],
    ['is worn', { 'F-1': { spec: 'x', lifeLeft: 10, state: 'store' } }, [{ tool: 'F-1', why: 'life', left: 10 }]],
    ['is out', { 'F-1': { spec: 'x', lifeLeft: 1_000_000, state: 'out' } }, [{ tool: 'F-1', why: 'out' }]],
    ['is gone', {}, [{ tool: 'F-1', why: 'gone', left: 0 }]],
  ])('a die that %s', (_name, tools, expected) => {
    expect(worn(tools)).toMatchObject(expected);
    expect(worn(tools)).toHaveLength(expected.length);
  });
});
