import type { Figure, Formula, Id, Override, Term, Unit } from './figure';

/**
 * The one flat table of figures. A value is computed here, by its formula from its terms, so working and value cannot differ.
 * It is the one place where an override takes effect (both values stay visible) and where guess widths are carried along:
 * each guessed term is moved up and down by its half-width, and the half-differences are added. Adding (not the root of squares)
 * because the guesses of a job go together: bad board is bad on every machine.
 */
export class Ledger {
  private readonly noOverrides: boolean;
  private readonly table = new Map<Id<'figure'>, Figure>();
  /** References to figures that were not there when they were read. */
  readonly missing: { figure: Id<'figure'>; names: Id<'figure'> }[] = [];
  /** Every formula used, for the law "value equals its formula of its terms" and for the words catalogue. */
  readonly formulas = new Map<Id<'formula'>, Formula>();

  constructor(
    private readonly overrides: Readonly<Record<Id<'figure'>, Override>> = {},
    private readonly asOf = 0,
  ) {
    this.noOverrides = Object.keys(overrides).length === 0;
  }

  /** The table as a record: what a plan carries. A map while it grows, because ids are made of parts and a map need not intern them. */
  get figures(): Record<Id<'figure'>, Figure> {
    return Object.fromEntries(this.table);
  }

  /** Computes, stores and returns a figure's value. `unit` differs from the formula's only where one formula serves several counts. */
  figure<T extends string>(id: Id<'figure'>, formula: Formula<T>, terms: Record<T, Term>, unit: Unit = formula.unit): number {
    const values = {} as Record<T, number>;
    // Half-widths of the guesses among the terms; most figures have none, so the table is made when the first turns up.
    let halves: Record<string, number> | undefined;
    for (const name in terms) {
      const term: Term = terms[name];
      // One look-up serves value and width: ids are long, and a plan has hundreds.
      const at = 'fig' in term ? this.table.get(term.fig) : term;
      // A reference to nothing must not count as 0 unseen: it is named, and a law over all plans finds none.
      if (at === undefined && 'fig' in term) this.missing.push({ figure: id, names: term.fig });
      values[name] = at?.value ?? 0;
      if (at?.pm !== undefined && at.pm > 0) (halves ??= {})[name] = at.pm;
    }
    const computed = formula.of(values);
    let pm = 0;
    if (halves && formula.carriesGuess !== false)
      for (const name of Object.keys(halves) as T[]) {
        const half = halves[name] as number;
        const middle = values[name];
        const [more, less] = [middle + half, Math.max(middle - half, Math.min(middle, 0))];
        if (formula.adds) {
          pm += (more - less) / 2;
          continue;
        }
        values[name] = more;
        const up = formula.of(values);
        values[name] = less;
        const down = formula.of(values);
        values[name] = middle;
        pm += Math.abs(up - down) / 2;
      }
    const instead = this.overrideInForce(id);
    const figure: Figure = { value: instead ? instead.value : computed, unit, formula: formula.id, terms };
    if (instead) Object.assign(figure, { instead, computed });
    else if (pm > 0 && Number.isFinite(pm)) figure.pm = pm;
    this.table.set(id, figure);
    this.formulas.set(formula.id, formula);
    return figure.value;
  }

  /** The value of a figure that has been computed; 0 for one that has not, so that a plan never stops over a missing line. */
  value(id: Id<'figure'>): number {
    return this.table.get(id)?.value ?? 0;
  }

  /** What a figure is measured in; of one that is not there, a bare number. */
  unitOf(id: Id<'figure'>): Unit {
    return this.table.get(id)?.unit ?? '1';
  }

  has(id: Id<'figure'>): boolean {
    return this.table.has(id);
  }

  /** Whether a figure was set by hand: it was overridden, or one of its terms was set on its step. */
  isByHand(id: Id<'figure'>): boolean {
    const figure = this.table.get(id);
    return (
      figure !== undefined &&
      (figure.instead !== undefined ||
        Object.values(figure.terms).some((t) => 'from' in t && t.from === 'typed' && t.at.startsWith('setting:')))
    );
  }

  private overrideInForce(id: Id<'figure'>): Override | undefined {
    if (this.noOverrides) return undefined;
    const override = Object.hasOwn(this.overrides, id) ? this.overrides[id] : undefined;
    return override && override.until > this.asOf ? override : undefined;
  }
}

/**
 * A term that is another figure.
 * @example fig('card.print.run') // { fig: 'card.print.run' }
 */
export const fig = (id: Id<'figure'>): Term => ({ fig: id });

/**
 * A term that was typed by a person in the specification.
 * @example typed(3, 'mm', 'bleed') // { value: 3, unit: 'mm', from: 'typed', at: 'bleed' }
 */
export const typed = (value: number, unit: Unit, at: string): Term => ({ value, unit, from: 'typed', at });

/**
 * A term that the product family supplies.
 * @example family(2, '1', 'sides') // { value: 2, unit: '1', from: 'family', at: 'sides' }
 */
export const family = (value: number, unit: Unit, at: string): Term => ({ value, unit, from: 'family', at });
