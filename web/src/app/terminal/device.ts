const NAME = 'druckerei-device';
const MACHINE = 'druckerei-terminal-machine';

/** What this device is called in the log: made once, kept by the browser. */
export function deviceName(): string {
  const known = localStorage.getItem(NAME);
  if (known !== null) return known;
  const made = `terminal-${crypto.randomUUID().slice(0, 6)}`;
  localStorage.setItem(NAME, made);
  return made;
}
/** The machine this terminal stands at. */
export const keptMachine = (): string | null => localStorage.getItem(MACHINE);
export function keepMachine(machine: string | null): void {
  if (machine === null) localStorage.removeItem(MACHINE);
  else localStorage.setItem(MACHINE, machine);
}
