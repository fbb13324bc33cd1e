import type { Figure, Formula, Id, Override, Term, Unit } from './figure';

/**
 * The one flat table of figures. A value is computed here, by its formula from its terms, so working and value cannot differ.
 * It is the one place where an override takes effect (both values stay visible) and where guess widths are carried along:
 * each guessed term is moved up and down by its half-width, and the half-differences are added. Adding (not the root of squares)
 * because the guesses of a job go together: bad board is bad on every machine.
 */
export class Ledger {
  readonly figures: Record<Id<'figure'>, Figure> = {};
  /** Every formula used, for the law "value equals its formula of its terms" and for the words catalogue. */
  readonly formulas = new Map<Id<'formula'>, Formula>();

  constructor(
    private readonly overrides: Readonly<Record<Id<'figure'>, Override>> = {},
    private readonly asOf = 0,
  ) {}

  /** Computes, stores and returns a figure's value. `unit` differs from the formula's only where one formula serves several counts. */
  figure<T extends string>(id: Id<'figure'>, formula: Formula<T>, terms: Record<T, Term>, unit: Unit = formula.unit): number {
    const values = {} as Record<T, number>;
    const names = Object.keys(terms) as T[];
    for (const name of names) values[name] = this.valueOf(terms[name]);
    const computed = formula.of(values);
    let pm = 0;
    for (const name of formula.carriesGuess === false ? [] : names) {
      const half = this.halfWidthOf(terms[name]);
      if (half === 0) continue;
      const middle = values[name];
      values[name] = middle + half;
      const up = formula.of(values);
      values[name] = Math.max(middle - half, Math.min(middle, 0));
      const down = formula.of(values);
      values[name] = middle;
      pm += Math.abs(up - down) / 2;
    }
    const instead = this.overrideInForce(id);
    const figure: Figure = { value: instead ? instead.value : computed, unit, formula: formula.id, terms };
    if (instead) Object.assign(figure, { instead, computed });
    else if (pm > 0 && Number.isFinite(pm)) figure.pm = pm;
    this.figures[id] = figure;
    this.formulas.set(formula.id, formula);
    return figure.value;
  }

  /** The value of a figure that has been computed; 0 for one that has not, so that a plan never stops over a missing line. */
  value(id: Id<'figure'>): number {
    return this.figures[id]?.value ?? 0;
  }

  has(id: Id<'figure'>): boolean {
    return id in this.figures;
  }

  private valueOf(term: Term): number {
    return 'fig' in term ? this.value(term.fig) : term.value;
  }

  private halfWidthOf(term: Term): number {
    return 'fig' in term ? (this.figures[term.fig]?.pm ?? 0) : (term.pm ?? 0);
  }

  private overrideInForce(id: Id<'figure'>): Override | undefined {
    const override = Object.hasOwn(this.overrides, id) ? this.overrides[id] : undefined;
    return override && override.until > this.asOf ? override : undefined;
  }
}

/** A term that is another figure. */
export const fig = (id: Id<'figure'>): Term => ({ fig: id });

/** A term that was typed by a person in the specification. */
export const typed = (value: number, unit: Unit, at: string): Term => ({ value, unit, from: 'typed', at });

/** A term that the product family supplies. */
export const family = (value: number, unit: Unit, at: string): Term => ({ value, unit, from: 'family', at });
