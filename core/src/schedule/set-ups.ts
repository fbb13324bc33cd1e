import { changesBetween } from './change-over';
import type { KeyChange } from './problem';

/** What stands in machines that are changed over alike, by number: what it takes from each to what each work wants is reckoned once. */
export class SetUps {
  private readonly wanted: Readonly<Record<string, string>>[] = [];
  private readonly wantedBy = new Map<string, number>();
  private readonly stands: Readonly<Record<string, string>>[] = [];
  private readonly standsBy = new Map<string, number>();
  private readonly steps: { then: number; s: number }[][] = [];

  constructor(private readonly change: readonly KeyChange[]) {}

  /** The number of what a work wants; works that want the same have the same. */
  wants(keys: Readonly<Record<string, string>>): number {
    return this.numbered(keys, this.wantedBy, this.wanted);
  }
  /** What stands in the machine after a work, by number, and the seconds it takes to change. */
  step(stands: number, wants: number): { then: number; s: number } {
    const known = this.steps[stands]?.[wants];
    if (known) return known;
    const [from, keys] = [this.stands[stands] ?? {}, this.wanted[wants] ?? {}];
    const s = changesBetween(this.change, from, keys).reduce((sum, c) => sum + c.s, 0);
    const made = { then: this.standing({ ...from, ...keys }), s };
    (this.steps[stands] ??= [])[wants] = made;
    return made;
  }

  /** The number of what stands in a machine. */
  standing(keys: Readonly<Record<string, string>>): number {
    return this.numbered(keys, this.standsBy, this.stands);
  }
  private numbered(keys: Readonly<Record<string, string>>, by: Map<string, number>, all: Readonly<Record<string, string>>[]): number {
    // Asked for every way of every work: one text is quicker to make than an object.
    let name = '';
    for (const { key } of this.change) name += `${keys[key] ?? NOTHING}${NEXT}`;
    const known = by.get(name);
    if (known !== undefined) return known;
    by.set(name, all.length);
    all.push(this.ofMachine(keys));
    return all.length - 1;
  }
  /** Only what is changed on this machine. */
  private ofMachine(keys: Readonly<Record<string, string>>): Record<string, string> {
    return Object.fromEntries(this.change.flatMap(({ key }) => (keys[key] === undefined ? [] : [[key, keys[key]]])));
  }
}

/** Signs that no key has. */
const NOTHING = '\u0001';
const NEXT = '\u0000';
