import { type Calendar, NO_CALENDAR, PlantSchema } from '@druckerei/core';
import plantJson from '../../../demo/plant.json' with { type: 'json' };
import { machineHours, momentOf, openHours, sharedCrews, withChanges } from './calendar';

const plant = PlantSchema.parse(plantJson);
const [press = ''] = Object.keys(plant.machines);
const at = (local: string): number => momentOf(local, plant.timeZone) ?? 0;
// A Monday.
const MONDAY = at('2026-03-02T00:00');
const hours = (calendar: Partial<Calendar>, crew = 1, days = 2, from = MONDAY): Record<string, [number, number][]> =>
  machineHours(
    { ...plant, calendar: { ...NO_CALENDAR, ...calendar }, machines: { ...plant.machines, [press]: { ...plant.machines[press]!, crew } } },
    from,
    days,
  );
const early = { name: 'early', days: [1, 2, 3, 4, 5], from: '06:00', to: '14:00', breaks: [['09:00', '09:30']] as [string, string][] };
const late = { name: 'late', days: [1, 2, 3, 4, 5], from: '14:00', to: '22:00', breaks: [] };
const night = { name: 'night', days: [1, 2, 3, 4], from: '22:00', to: '06:00', breaks: [['02:00', '02:30']] as [string, string][] };
const monday = (open: [number, number][] | undefined): [number, number][] =>
  (open ?? []).filter(([from]) => from < at('2026-03-03T00:00') && from >= MONDAY);

describe('hours that are other than the calendar', () => {
  it('stand where a machine is repaired, and go on where it works longer, in the order in which they were entered', () => {
    const open = { any: [[at('2026-03-02T06:00'), at('2026-03-02T22:00')]] as [number, number][] };
    const stands = { machine: press, from: at('2026-03-02T10:00'), until: at('2026-03-02T12:30'), opens: false };
    const longer = { machine: press, from: at('2026-03-02T21:00'), until: at('2026-03-02T23:45'), opens: true };
    const made = withChanges(open, [stands, longer]);
    expect(made[press]).toEqual([
      [at('2026-03-02T06:00'), stands.from],
      [stands.until, longer.until],
    ]);
    expect(made['any']).toEqual(open.any);
    // Who says later that it stands after all has the last word.
    expect(withChanges(open, [longer, { ...longer, opens: false }])[press]).toEqual([[at('2026-03-02T06:00'), longer.from]]);
  });
});

describe('when machines run', () => {
  it('is when the house is open, where nothing else is said', () => {
    expect(hours({})).toEqual({ any: openHours(plant, MONDAY, 2) });
  });
  it('is its shift without its break', () => {
    expect(monday(hours({ shifts: { early }, machines: { [press]: ['early'] } })[press])).toEqual([
      [at('2026-03-02T06:00'), at('2026-03-02T09:00')],
      [at('2026-03-02T09:30'), at('2026-03-02T14:00')],
    ]);
  });
  it('joins shifts that follow one another', () => {
    expect(monday(hours({ shifts: { early: { ...early, breaks: [] }, late }, machines: { [press]: ['early', 'late'] } })[press])).toEqual([
      [at('2026-03-02T06:00'), at('2026-03-02T22:00')],
    ]);
  });
  it('runs a night shift into the next day, with its break after midnight, and knows the one begun yesterday', () => {
    const open = hours({ shifts: { night }, machines: { [press]: ['night'] } }, 1, 1, at('2026-03-03T00:00'))[press] ?? [];
    expect(open.slice(0, 2)).toEqual([
      [at('2026-03-02T22:00'), at('2026-03-03T02:00')],
      [at('2026-03-03T02:30'), at('2026-03-03T06:00')],
    ]);
  });
  it('stands on a holiday, all machines; or one machine on days of its own', () => {
    const off = { name: 'feast', from: '2026-03-02', to: '2026-03-02' };
    expect(monday(hours({ closed: { f: off } })['any'])).toEqual([]);
    const service = hours({ closed: { s: { ...off, machine: press } } });
    expect(monday(service[press])).toEqual([]);
    expect(monday(service['any'])).toEqual(monday(openHours(plant, MONDAY, 2)));
  });
  it('needs as many people at once as its crew', () => {
    const people = {
      a: { name: 'A', machines: [press], shifts: ['early'], away: [] },
      b: { name: 'B', machines: [press], shifts: ['late'], away: [] },
    };
    const calendar = { shifts: { early: { ...early, breaks: [] }, late }, people };
    expect(monday(hours(calendar, 1)[press])).toEqual([[at('2026-03-02T06:00'), at('2026-03-02T22:00')]]);
    expect(monday(hours(calendar, 2)[press])).toEqual([]);
    const together = { ...calendar, shifts: { ...calendar.shifts, late: { ...late, from: '12:00' } } };
    expect(monday(hours(together, 2)[press])).toEqual([[at('2026-03-02T12:00'), at('2026-03-02T14:00')]]);
  });
  it('does not run while the only one who can is away', () => {
    const people = { a: { name: 'A', machines: [press], shifts: ['early'], away: [{ from: '2026-03-02', to: '2026-03-02' }] } };
    expect(monday(hours({ shifts: { early }, people })[press])).toEqual([]);
  });
  it('keeps eight hours of a shift on the day the clocks change', () => {
    // 29 March 2026: summer time begins in the plant's zone at 02:00.
    const open =
      hours({ shifts: { s: { ...early, days: [7], breaks: [] } }, machines: { [press]: ['s'] } }, 1, 1, at('2026-03-29T00:00'))[press] ??
      [];
    expect(open).toEqual([[at('2026-03-29T06:00'), at('2026-03-29T14:00')]]);
    expect((open[0]?.[1] ?? 0) - (open[0]?.[0] ?? 0)).toBe(8 * 3600);
    expect((open[0]?.[0] ?? 0) - at('2026-03-29T00:00')).toBe(5 * 3600);
  });
  it('joins machines that share people into one crew, with whoever is present; who stays longer brings the people it takes', () => {
    const [a, b, c] = Object.keys(plant.machines) as [string, string, string];
    const person = (machines: string[], shifts = ['early']) => ({ name: machines.join(), machines, shifts, away: [] });
    const calendar = { shifts: { early: { ...early, breaks: [] }, late }, machines: {}, closed: {} };
    const people = { both: person([a, b]), one: person([a], ['late']), own: person([c]) };
    const made = sharedCrews({ ...plant, calendar: { ...calendar, people } }, MONDAY, [], 1);
    expect(Object.values(made).map((crew) => crew.of)).toEqual([[a, b].sort()]);
    const today = (present: readonly (readonly [number, number, number])[] = []) =>
      present.filter(([from]) => from < at('2026-03-03T00:00'));
    expect(today(Object.values(made)[0]?.present)).toEqual([
      [at('2026-03-02T06:00'), at('2026-03-02T14:00'), 1],
      [at('2026-03-02T14:00'), at('2026-03-02T22:00'), 1],
    ]);
    const longer = { machine: b, from: at('2026-03-02T13:00'), until: at('2026-03-02T16:00'), opens: true };
    const present = Object.values(sharedCrews({ ...plant, calendar: { ...calendar, people } }, MONDAY, [longer], 1))[0]?.present;
    expect(today(present)).toContainEqual([at('2026-03-02T14:00'), longer.until, plant.machines[b]?.crew]);
    // Nobody is named for two: no crew.
    expect(sharedCrews({ ...plant, calendar: { ...calendar, people: { own: person([c]) } } }, MONDAY, [], 1)).toEqual({});
  });
});
