import fc from 'fast-check';
import { changesInOrder, fewestChanges, type OrderedVersion } from './version-order';

const version = (id: string, ...changes: string[]): OrderedVersion => ({ id, changes });
const ids = (versions: readonly OrderedVersion[]): string => versions.map((v) => v.id).join(' ');

describe('the order of versions', () => {
  it('costs a plate for every ink that either of two neighbours changes', () => {
    const [en, de, fr] = [version('en'), version('de', 'K'), version('fr', 'K', 'C')];
    expect(changesInOrder([['K', 'C', 'M', 'Y']], [en, de, fr])).toBe(1 + 2);
    expect(changesInOrder([['K', 'C'], ['K']], [en, de, fr])).toBe(1 + 1 + 2 + 1);
    expect(changesInOrder([['M']], [en, de, fr])).toBe(0);
  });
  it('lays those together that share their plates', () => {
    const all = [version('a'), version('b', 'K'), version('c'), version('d', 'K')];
    expect(changesInOrder([['K']], all)).toBe(3);
    const best = fewestChanges([['K']], all);
    expect(changesInOrder([['K']], best)).toBe(2);
    expect(ids(best)).toBe('a c b d');
  });
  it('keeps the order given where no other is better', () => {
    expect(ids(fewestChanges([['K']], [version('x', 'K'), version('y', 'K'), version('z', 'K')]))).toBe('x y z');
  });
  it('is as good as the best of all orders', () => {
    const own = fc.subarray(['K', 'C', 'M']);
    fc.assert(
      fc.property(fc.array(own, { minLength: 1, maxLength: 6 }), (kinds) => {
        const versions = kinds.map((changes, i) => version(`v${i}`, ...changes));
        const passes = [
          ['K', 'C'],
          ['K', 'M'],
        ];
        const all = (list: OrderedVersion[]): OrderedVersion[][] =>
          list.length < 2 ? [list] : list.flatMap((first, i) => all(list.filter((_, j) => j !== i)).map((rest) => [first, ...rest]));
        const least = Math.min(...all(versions).map((way) => changesInOrder(passes, way)));
        expect(changesInOrder(passes, fewestChanges(passes, versions))).toBe(least);
      }),
      { numRuns: 150, seed: 5 },
    );
  });
  it('never makes more changes than the order given, for many versions too', () => {
    const many = Array.from({ length: 12 }, (_, i) => version(`v${i}`, ...(i % 2 === 0 ? [] : ['K'])));
    expect(changesInOrder([['K']], many)).toBe(11);
    expect(changesInOrder([['K']], fewestChanges([['K']], many))).toBe(6);
  });
});
