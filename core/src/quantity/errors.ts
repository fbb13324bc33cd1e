/** A calculator was given a value it cannot work with. It names the field, the value and what is allowed. */
export class OutOfRange extends Error {
  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly allowed: string,
  ) {
    super(`${field} is ${String(value)}; it must be ${allowed}`);
    this.name = 'OutOfRange';
  }
}

/** Refuses a value that is not above 0; written so that NaN fails. */
export function requireAboveZero(field: string, value: number): void {
  if (!(value > 0) || value === Infinity) throw new OutOfRange(field, value, 'above 0');
}

/** Refuses a negative value; written so that NaN fails. */
export function requireNotNegative(field: string, value: number): void {
  if (!(value >= 0) || value === Infinity) throw new OutOfRange(field, value, '0 or more');
}
