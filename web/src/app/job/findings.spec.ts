import { TestBed } from '@angular/core/testing';
import { type Edit, EMPTY_SHELF, type Finding, findingKey, type Plant, PlantSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { cardSpec } from './card-spec.fixture';
import { FindingMark } from './finding-mark';
import { Findings } from './findings';
import { StonePanel } from './stone-panel';

const plant: Plant = PlantSchema.parse(plantJson);
const spec = cardSpec();
const edits: Edit[] = [{ at: ['choices', 'aim', 'i1'], now: 5_200 }];
const risky: Finding = {
  code: 'risk.short',
  level: 'decide',
  at: 'job',
  figure: 'i1.chance',
  args: { inHundred: 37, limit: 5 },
  remedies: [{ do: 'edit', says: 'risk.aimHigher', args: { quantity: 5_200 }, edits }],
};
const thin: Finding = { code: 'log.thin', level: 'know', at: 'job', args: { processes: 5, of: 6, least: 20 }, remedies: [] };

function findings(inputs: Record<string, unknown> = {}): {
  host: HTMLElement;
  set: (name: string, value: unknown) => Promise<void>;
  asked: Edit[][];
  applied: Edit[][];
  explained: string[];
} {
  const f = TestBed.createComponent(Findings);
  for (const [key, value] of Object.entries({ findings: [risky, thin], spec, ...inputs })) f.componentRef.setInput(key, value);
  const heard: Pick<ReturnType<typeof findings>, 'asked' | 'applied' | 'explained'> = { asked: [], applied: [], explained: [] };
  f.componentInstance.previewAsked.subscribe((e) => heard.asked.push(e));
  f.componentInstance.apply.subscribe((e) => heard.applied.push(e));
  f.componentInstance.explain.subscribe((e) => heard.explained.push(e));
  f.detectChanges();
  const set = async (name: string, value: unknown): Promise<void> => {
    f.componentRef.setInput(name, value);
    await f.whenStable();
  };
  return { host: f.nativeElement as HTMLElement, set, ...heard };
}
const card = (host: HTMLElement, text: string): HTMLElement =>
  [...host.querySelectorAll<HTMLElement>('article')].find((a) => a.textContent.includes(text)) as HTMLElement;
const press = (host: HTMLElement, text: string): void => {
  const found = [...host.querySelectorAll('button')].find((b) => b.textContent.includes(text));
  if (!found) throw new Error(`no button ${text}`);
  found.click();
};
const totals = { pulled: 1_337, pulledUnit: 'sheet', money: 2_600, readyAt: 1_772_811_082, chance: 0.63 };

describe('Findings', () => {
  it('counts what blocks, what is to decide and what is to know', () => {
    expect(findings().host.textContent).toContain('1 to decide, 1 to know');
    expect(findings({ findings: [] }).host.textContent).toContain('Nothing to say.');
  });
  it('asks for a preview when a card is opened, and for none when it is closed', async () => {
    const { host, asked, set } = findings();
    press(host, 'Decide');
    await set('locked', false);
    expect(asked).toEqual([edits]);
    press(host, 'Decide');
    await set('locked', false);
    expect(asked).toEqual([edits]);
    expect(card(host, 'Decide').querySelector('.remedy')).toBeNull();
  });
  it('says what the remedy changes, and applies it', async () => {
    const { host, applied, set } = findings();
    press(host, 'Decide');
    await set('preview', {
      before: totals,
      after: { ...totals, pulled: 1_412, money: 2_700.4, readyAt: totals.readyAt + 3_600, chance: 0.95 },
    });
    const says = card(host, 'Decide').textContent;
    expect(says).toContain('+75 sheets');
    expect(says).toContain('cost +100');
    expect(says).toContain('1 h later');
    expect(says).toContain('chance 95 %');
    card(host, 'Decide').querySelector<HTMLButtonElement>('.remedy button')?.click();
    expect(applied).toEqual([edits]);
  });
  it('says so when a remedy changes no total, or cannot be applied', async () => {
    const { host, set } = findings();
    press(host, 'Decide');
    await set('preview', { before: totals, after: totals });
    expect(card(host, 'Decide').textContent).toContain('changes no total');
    await set('preview', { before: totals, after: null });
    expect(card(host, 'Decide').textContent).toContain('cannot be applied');
  });
  it('opens the card asked for from beside its figure, and shows that figure’s working', async () => {
    const { host, asked, explained, set } = findings();
    await set('asked', findingKey(risky));
    expect(asked).toEqual([edits]);
    press(card(host, 'Decide'), 'Show the working');
    expect(explained).toEqual(['i1.chance']);
  });
  it('keeps a card open while the plan changes, and closes it when the finding is gone', async () => {
    const { host, set } = findings();
    press(host, 'Decide');
    await set('findings', [{ ...risky, args: { inHundred: 30, limit: 5 } }, thin]);
    expect(host.querySelector('[aria-expanded=true]')?.textContent).toContain('Decide');
    await set('findings', [thin]);
    expect(host.querySelector('[aria-expanded=true]')).toBeNull();
  });
  it('offers no remedy on a released job', async () => {
    const { host, set } = findings({ locked: true });
    press(host, 'Decide');
    await set('locked', true);
    expect(host.querySelector('.remedy')).toBeNull();
  });
  it('shows who decided, and why', () => {
    const decided = cardSpec();
    decided.decisions[findingKey(risky)] = { by: 'Runa Tormeel', reason: 'customer takes what comes', at: 1 };
    expect(card(findings({ spec: decided }).host, 'Decide').textContent).toContain('Decided by Runa Tormeel: customer takes what comes');
  });
});

describe('FindingMark', () => {
  const mark = (inputs: Record<string, unknown>): { host: HTMLElement; opened: string[] } => {
    const f = TestBed.createComponent(FindingMark);
    for (const [key, value] of Object.entries({ findings: [risky, thin], ...inputs })) f.componentRef.setInput(key, value);
    const opened: string[] = [];
    f.componentInstance.opened.subscribe((k) => opened.push(k));
    f.detectChanges();
    return { host: f.nativeElement as HTMLElement, opened };
  };
  it('stands beside the figure the finding is about, and beside no other', () => {
    expect(mark({ figure: 'i1.chance' }).host.querySelectorAll('button')).toHaveLength(1);
    expect(mark({ figure: 'i1.least' }).host.querySelectorAll('button')).toHaveLength(0);
    expect(mark({ figure: undefined }).host.querySelectorAll('button')).toHaveLength(0);
  });
  it('tells level and title in words, short or long', () => {
    const long = mark({ figure: 'i1.chance' }).host.querySelector('button');
    expect(long?.textContent.trim()).toMatch(/^Decide: /);
    const short = mark({ figure: 'i1.chance', short: true }).host.querySelector('button');
    expect(short?.getAttribute('aria-label')).toMatch(/^Decide: /);
    expect(short?.textContent.trim()).toBe('!');
  });
  it('opens the card', () => {
    const { host, opened } = mark({ figure: 'i1.chance' });
    host.querySelector('button')?.click();
    expect(opened).toEqual(['risk.short@job']);
  });
});

describe('a stone’s panel', () => {
  it('shows what is found about a row under that row', async () => {
    const planned = plan(spec, plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
    const lift: Finding = {
      ...risky,
      code: 'lift.high',
      at: 'card.card.cut',
      figure: 'card.card.cut.perLift',
      args: { liftMm: 160, limit: 60 },
    };
    const made = { ...planned, findings: [risky, lift] };
    const f = TestBed.createComponent(StonePanel);
    const place = { timeZone: 'Europe/Berlin', currency: 'EUR' };
    const stone = made.stones.find((s) => s.key === 'cut');
    for (const [key, value] of Object.entries({ stone, plan: made, spec, place })) f.componentRef.setInput(key, value);
    const opened: string[] = [];
    f.componentInstance.finding.subscribe((k) => opened.push(k));
    await f.whenStable();
    const row = [...(f.nativeElement as HTMLElement).querySelectorAll('.row')].find((r) => r.querySelector('dk-finding-mark button'));
    expect(row?.querySelector('dt')?.textContent).toContain('lift');
    row?.querySelector<HTMLButtonElement>('dk-finding-mark button')?.click();
    expect(opened).toEqual(['lift.high@card.card.cut']);
  });
});
