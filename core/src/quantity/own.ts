/** What a record holds under a key of its own; a key every object has (`constructor`, `__proto__`) is none of them. @example `own({ a: 1 }, 'constructor')` is undefined */
export const own = <T>(record: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
