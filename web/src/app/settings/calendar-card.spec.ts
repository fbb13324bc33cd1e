import { TestBed } from '@angular/core/testing';
import { applyPlantEdits, type Calendar, editAt, NO_CALENDAR, type Plant, PlantSchema } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { CalendarCard, stretchesFrom, stretchesShown } from './calendar-card';

const plant = PlantSchema.parse(plantJson);
const [press = ''] = Object.keys(plant.machines);
const shift = { name: 'early', days: [1, 2, 3, 4, 5], from: '06:00', to: '14:00', breaks: [] };

/** The card on a plant; what it sets is put into the plant, as the settings do. */
async function show(
  start: Plant,
): Promise<{ host: HTMLElement; now(): Plant; set: { at: string[]; value: unknown }[]; settle(): Promise<void> }> {
  const f = TestBed.createComponent(CalendarCard);
  let now = start;
  const set: { at: string[]; value: unknown }[] = [];
  const give = (): void => {
    f.componentRef.setInput('context', { plant: now, inForce: start, refused: {} });
  };
  give();
  f.componentInstance.set.subscribe((s) => {
    set.push(s);
    const applied = applyPlantEdits(now, [editAt(now, s.at, s.value)]);
    if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
    now = applied.made;
    give();
  });
  await f.whenStable();
  return { host: f.nativeElement as HTMLElement, now: () => now, set, settle: async () => void (await f.whenStable()) };
}
const withCalendar = (more: Partial<Calendar>): Plant => ({ ...plant, calendar: { ...NO_CALENDAR, ...more } });
const another = (host: HTMLElement, n: number): void => {
  [...host.querySelectorAll<HTMLButtonElement>('.top button')].filter((b) => b.textContent.trim() === 'Another')[n]?.click();
};
const tick = (host: HTMLElement, within: string, n: number): void => {
  host.querySelectorAll<HTMLInputElement>(`${within} input[type=checkbox]`)[n]?.click();
};

describe('the calendar of the settings', () => {
  it('draws the hours of the house through the week', async () => {
    const { host } = await show(plant);
    const bars = host.querySelectorAll('.day .track i');
    expect(bars).toHaveLength(Object.values(plant.hours).flat().length);
  });
  it('begins shifts, people and closed days that the door takes', async () => {
    const { host, now, settle } = await show(plant);
    for (const n of [0, 1, 2]) {
      another(host, n);
      await settle();
    }
    expect(now().calendar).toMatchObject({
      closed: { c1: { name: 'Holiday' } },
      shifts: { s1: { from: '06:00', to: '14:00' } },
      people: { p1: { machines: [] } },
    });
  });
  it('puts a machine into a shift, and takes it out with the shift', async () => {
    const { host, now, settle } = await show(
      withCalendar({ shifts: { s1: shift }, people: { p1: { name: 'P', machines: [], shifts: ['s1'], away: [] } } }),
    );
    const row = [...host.querySelectorAll('.row')].findIndex((r) => r.querySelector('.name')?.textContent === plant.machines[press]?.name);
    host.querySelectorAll('.row')[row]?.querySelector<HTMLInputElement>('input')?.click();
    await settle();
    expect(now().calendar?.machines[press]).toEqual(['s1']);
    [...host.querySelectorAll<HTMLButtonElement>('.row button')].find((b) => b.textContent.trim() === 'Take away')?.click();
    await settle();
    expect(now().calendar).toMatchObject({ shifts: {}, machines: { [press]: [] }, people: { p1: { shifts: [] } } });
  });
  it('keeps the weekdays of a shift in order, whichever is ticked', async () => {
    const { host, now, settle } = await show(withCalendar({ shifts: { s1: shift } }));
    tick(host, '.row', 6);
    await settle();
    expect(now().calendar?.shifts['s1']?.days).toEqual([1, 2, 3, 4, 5, 7]);
    tick(host, '.row', 0);
    await settle();
    expect(now().calendar?.shifts['s1']?.days).toEqual([2, 3, 4, 5, 7]);
  });
  it('closes one machine, or the whole house again', async () => {
    const { host, now, settle } = await show(withCalendar({ closed: { c1: { name: 'service', from: '2026-03-02', to: '2026-03-03' } } }));
    const what = host.querySelector<HTMLSelectElement>('select[aria-label="What is closed"]');
    if (!what) throw new Error('no field');
    for (const [value, machine] of [
      [press, press],
      ['', undefined],
    ]) {
      what.value = value ?? '';
      what.dispatchEvent(new Event('change'));
      await settle();
      expect(now().calendar?.closed['c1']?.machine).toBe(machine);
    }
  });
  it('says what the door refuses', async () => {
    const f = TestBed.createComponent(CalendarCard);
    f.componentRef.setInput('context', {
      plant,
      inForce: plant,
      refused: { 'calendar.people': 'needs 2 at once and names 1', name: 'elsewhere' },
    });
    await f.whenStable();
    const said = [...(f.nativeElement as HTMLElement).querySelectorAll('[role=alert]')].map((a) => a.textContent.trim());
    expect(said).toEqual(['needs 2 at once and names 1']);
  });
});

describe('hours as they are typed', () => {
  it.each([
    ['06:00-14:00', [['06:00', '14:00']]],
    [
      '06:00–14:00, 14:30 – 22:00',
      [
        ['06:00', '14:00'],
        ['14:30', '22:00'],
      ],
    ],
    ['', []],
    ['6-14', null],
    ['06:00', null],
    ['25:00-26:00', null],
    ['06:00-14:00-22:00', null],
  ])('“%s”', (text, hours) => {
    expect(stretchesFrom(text)).toEqual(hours);
  });
  it('come back as they were', () => {
    expect(
      stretchesFrom(
        stretchesShown([
          ['06:00', '14:00'],
          ['22:00', '06:00'],
        ]),
      ),
    ).toEqual([
      ['06:00', '14:00'],
      ['22:00', '06:00'],
    ]);
  });
});
