import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { type Compared, EMPTY_SHELF, type Finding, type Override, type Plant, PlantSchema } from '@druckerei/core';
import { type Substitute, plan } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { ProductForm } from '../product/product-form';
import { FigureValue } from '../shared/figure';
import { ComparePanel } from './compare-panel';
import { KeptEdits } from './kept-edits';
import { ReleaseDialog } from './release-dialog';
import { RouteBars } from './route-bars';
import { StonePanel } from './stone-panel';
import { Working } from './working';
import { cardSpec } from './card-spec.fixture';

const plant: Plant = PlantSchema.parse(plantJson);
const spec = cardSpec({ foils: { f1: { name: 'crest', widthMm: 30, heightMm: 20 } } });
const made = plan(spec, plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
const place = { timeZone: 'Europe/Berlin', currency: 'EUR' };

async function show<T>(
  component: Type<T>,
  inputs: Record<string, unknown>,
): Promise<{ host: HTMLElement; instance: T; settle: () => Promise<void> }> {
  const f = TestBed.createComponent(component);
  for (const [key, value] of Object.entries(inputs)) f.componentRef.setInput(key, value);
  await f.whenStable();
  return { host: f.nativeElement as HTMLElement, instance: f.componentInstance, settle: async () => void (await f.whenStable()) };
}
const button = (host: HTMLElement, text: string): HTMLButtonElement | undefined =>
  [...host.querySelectorAll('button')].find((b) => b.textContent.includes(text) || b.getAttribute('aria-label')?.includes(text));
const fill = (host: HTMLElement, selector: string, text: string): void => {
  const input = host.querySelector(selector) as HTMLInputElement;
  input.value = text;
  input.dispatchEvent(new Event('input'));
};

describe('FigureValue', () => {
  it('shows number, unit and the width of a guess, and asks for the working', async () => {
    const id = 'card.card.stock.in.demand';
    const { host, instance } = await show(FigureValue, { id, figure: made.figures[id], place });
    const asked: string[] = [];
    instance.explain.subscribe((x) => asked.push(x));
    expect(host.textContent).toMatch(/sheets/);
    expect(host.textContent).toContain('±');
    host.querySelector('button')?.click();
    expect(asked).toEqual([id]);
  });
  it('says that a figure was set by hand', async () => {
    const figure = {
      value: 7,
      unit: 'plate',
      formula: 'form.plates',
      terms: {},
      computed: 5,
      instead: { value: 7, reason: 'spare', by: 'x', until: 1 },
    };
    const { host } = await show(FigureValue, { id: 'x', figure, place });
    expect(host.querySelector('button')?.getAttribute('aria-label')).toContain('set by hand');
  });
  it('shows a dash where there is no figure', async () => {
    const { host } = await show(FigureValue, { id: 'gone', figure: undefined, place });
    expect(host.textContent.trim()).toBe('–');
  });
});

describe('Working, set by hand', () => {
  const id = 'card.card.plates.plates';
  it('sends value, reason, person and end only when all are there', async () => {
    const { host, instance, settle } = await show(Working, { plan: made, id, place, who: 'Anselm Hardt' });
    const sent: (Override | null)[] = [];
    instance.override.subscribe((o) => sent.push(o));
    button(host, 'Set by hand')?.click();
    await settle(); // the form is brought
    await settle(); // and stands
    fill(host, 'input[formControlName=value]', 'seven');
    fill(host, 'input[formControlName=reason]', 'two spare plates');
    await settle();
    expect(button(host, 'Set')?.disabled).toBe(true);
    for (const [typed, words] of [
      ['7,5', 'Type a whole number.'],
      ['-50', 'Not below 0.'],
      ['99,999,999,999', 'Not above 1\u2009000\u2009000\u2009000.'],
    ] as const) {
      fill(host, 'input[formControlName=value]', typed);
      await settle();
      expect([typed, host.querySelector('mat-error')?.textContent]).toEqual([typed, words]);
      expect(button(host, 'Set')?.disabled).toBe(true);
    }
    fill(host, 'input[formControlName=value]', '1,007');
    await settle();
    host.querySelector('form')?.dispatchEvent(new Event('submit'));
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ value: 1_007, reason: 'two spare plates', by: 'Anselm Hardt' });
    expect(sent[0]?.until).toBeGreaterThan(Date.now() / 1000);
  });
  it('asks which of two numbers is meant, where parts of one are possible', async () => {
    const { host, settle } = await show(Working, { plan: made, id: 'card.card.plates.cost', place, who: 'x' });
    button(host, 'Set by hand')?.click();
    await settle(); // the form is brought
    await settle(); // and stands
    fill(host, 'input[formControlName=value]', '1,200');
    await settle();
    expect(host.querySelector('mat-error')?.textContent).toBe('This can be 1.2 or 1200: type one of them.');
  });
  it('offers nothing to set where the job is released', async () => {
    const { host } = await show(Working, { plan: made, id, place, who: 'x', locked: true });
    expect(button(host, 'Set by hand')).toBeUndefined();
  });
  it('names terms that are steps after their stones', async () => {
    const { host } = await show(Working, { plan: made, id: 'total.money', place, who: 'x' });
    expect(host.textContent).toContain('Cut, run cost');
    expect(host.textContent).toContain('Stock, cost');
  });
});

describe('StonePanel', () => {
  const inputs = { stone: made.stones.find((s) => s.key === 'cut'), plan: made, spec, place };
  it('sends what is typed as an edit at the setting’s place, in the specification’s unit', async () => {
    const { host, instance, settle } = await show(StonePanel, inputs);
    const sent: unknown[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    button(host, 'Running loss')?.click();
    button(host, 'Running loss, set')?.click();
    await settle();
    fill(host, 'input', '1,5');
    expect(sent).toEqual([{ at: ['choices', 'settings', 'card.card.cut', 'runningPpm'], now: 15_000 }]);
  });
  it('changes nothing where it is locked', async () => {
    const { host } = await show(StonePanel, { ...inputs, locked: true });
    expect([...host.querySelectorAll<HTMLButtonElement>('dk-edit-value button')].every((b) => b.disabled)).toBe(true);
  });
  it('offers the choices of a stone with words, not codes', async () => {
    // Without foil: with it no form may carry fronts and backs.
    const plain = plan(cardSpec(), plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
    const { host, instance } = await show(StonePanel, {
      ...inputs,
      plan: plain,
      spec: cardSpec(),
      stone: plain.stones.find((s) => s.key === 'print'),
    });
    const sent: { at: string[]; now?: unknown }[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    const style = host.querySelector<HTMLSelectElement>('select[aria-label="Work style"]');
    expect(style?.textContent).toContain('work and turn');
    (style as HTMLSelectElement).value = 'turn';
    style?.dispatchEvent(new Event('change'));
    expect(sent).toEqual([expect.objectContaining({ at: ['choices', 'workStyle', 'card.card'], now: 'turn' })]);
  });
});

describe('ProductForm', () => {
  const inputs = { spec, plant };
  it('shows sizes on the picture of the product', async () => {
    const { host } = await show(ProductForm, inputs);
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toContain('296 by 148 millimetres');
    expect([...host.querySelectorAll('.on')].map((e) => e.textContent.replace(/\s+/g, ' ').trim())).toEqual([
      'Open width 296 mm',
      'Height 148 mm',
      'Folds 1',
    ]);
  });
  it('shows every product the job makes, each with its own picture and fields', async () => {
    const card = spec.products['card']!;
    if (card.kind !== 'made') throw new Error('made');
    const menu = { ...card, wish: { ...card.wish, openWidthMm: 200 } };
    const dies = { kind: 'made' as const, family: 'foil-die' as const, wish: { face: 'crest' } };
    const { host, instance, settle } = await show(ProductForm, { spec: { ...spec, products: { card, menu, dies } }, plant });
    const sent: { at: string[] }[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    const tell = (name: string): void =>
      [...host.querySelectorAll<HTMLElement>('[role=radio]')].find((b) => b.textContent.includes(name))?.click();
    tell('menu');
    await settle();
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toContain('200 by 148 millimetres');
    button(host, 'Add a foil area')?.click();
    expect(sent[0]?.at.slice(0, 3)).toEqual(['products', 'menu', 'wish']);
    tell('dies');
    await settle();
    expect(host.querySelector('dl')?.textContent).toContain('What they strike');
  });
  it('leaves out what may be left out: a band is none where nothing is typed', async () => {
    const banded = cardSpec({ perBand: 6 });
    const { host, instance } = await show(ProductForm, { ...inputs, spec: banded });
    const sent: { at: string[]; now?: unknown }[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    button(host, 'Pieces a band: leave it out')?.click();
    expect(sent).toEqual([{ at: ['products', 'card', 'wish', 'perBand'], was: 6 }]);
    const bare = plan(cardSpec({ perBand: undefined }), plant, { ...EMPTY_SHELF, asOf: 1_772_000_000 });
    expect(bare.stones.some((s) => s.key === 'band')).toBe(false);
  });
  it('adds and takes away a foil area', async () => {
    const { host, instance } = await show(ProductForm, inputs);
    const sent: { at: string[]; now?: unknown }[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    button(host, 'Add a foil area')?.click();
    button(host, 'Take away crest')?.click();
    expect(sent[0]).toMatchObject({ at: ['products', 'card', 'wish', 'foils', 'f2'], now: { widthMm: 40 } });
    expect(sent[1]?.at).toEqual(['products', 'card', 'wish', 'foils', 'f1']);
    expect(sent[1]).not.toHaveProperty('now');
  });
  it('reads inks as names between commas', async () => {
    const { host, instance, settle } = await show(ProductForm, inputs);
    const sent: { now?: unknown }[] = [];
    instance.edits.subscribe((e) => sent.push(...e));
    button(host, 'Inks, back')?.click();
    await settle();
    fill(host, 'dd input.mat-mdc-input-element', 'K, moss green');
    expect(sent[0]?.now).toEqual(['K', 'moss green']);
  });
});

describe('RouteBars', () => {
  it('has a bar for every stone and says what the date rests on', async () => {
    const { host } = await show(RouteBars, { plan: made, timeZone: 'Europe/Berlin' });
    expect(host.querySelectorAll('.row')).toHaveLength(made.stones.length);
    expect(host.textContent).toContain('nobody else in the way');
  });
});

describe('ComparePanel', () => {
  const row = (stock: string, perThousand: number, more: Partial<Compared> = {}): Compared => ({
    what: '',
    form: 'card.card',
    machine: 'Press',
    stock,
    style: 'sheetwise',
    edits: [],
    perThousand,
    money: perThousand * 5,
    fixed: perThousand,
    pulled: 1,
    pulledUnit: 'sheet',
    plates: 5,
    copiesUp: 4,
    machineS: 60,
    readyAt: 1e9,
    blocking: 0,
    chosen: false,
    ...more,
  });
  it('puts the cheapest that may be released first, and takes one as an edit', async () => {
    const rows = [row('dear', 300, { chosen: true }), row('blocked', 100, { blocking: 1 }), row('cheap', 200)];
    const { host, instance } = await show(ComparePanel, { rows, done: true, place, plant, good: 5000 });
    expect([...host.querySelectorAll('tbody tr')].map((r) => r.children[1]?.textContent)).toEqual(['cheap', 'dear', 'blocked']);
    const taken: unknown[] = [];
    instance.take.subscribe((e) => taken.push(e));
    button(host, 'Take it')?.click();
    expect(taken).toEqual([[]]);
  });
  it('keeps a way beside the plan under its own name, where one may plan', async () => {
    const rows = [row('dear', 300, { chosen: true }), row('cheap', 200)];
    expect((await show(ComparePanel, { rows, done: true, place, plant, good: 5000 })).host.textContent).not.toContain('Keep beside');
    const { host, instance } = await show(ComparePanel, { rows, done: true, place, plant, good: 5000, mayKeep: true });
    const kept: unknown[] = [];
    instance.keep.subscribe((k) => kept.push(k));
    button(host, 'Keep beside')?.click();
    expect(kept).toEqual([{ name: 'Press, cheap, sheetwise, two forms', edits: [] }]);
  });
  it('says everything another stock changes, and that it is of another grade', async () => {
    const other: Substitute = {
      part: 'card.card',
      stock: 'ivory300-700x1000',
      otherGrade: true,
      edits: [{ at: ['choices', 'stock', 'card.card'], now: 'ivory300-700x1000' }],
      moved: { totals: [{ key: 'sheets', unit: 'sheet', before: 100, after: 50 }], come: [], gone: [] },
    };
    const { host, instance } = await show(ComparePanel, { rows: [], others: [other], done: true, place, plant, good: 5000 });
    expect(host.textContent).toContain('100 sheets → 50 sheets');
    expect(host.textContent).toContain('another grade');
    const taken: unknown[] = [];
    instance.take.subscribe((e) => taken.push(e));
    button(host, 'Take it')?.click();
    expect(taken).toEqual([other.edits]);
  });
  it('can be stopped while it works', async () => {
    const { host, instance } = await show(ComparePanel, { rows: [], done: false, place, plant, good: 1 });
    let stopped = 0;
    instance.stopped.subscribe(() => stopped++);
    button(host, 'Stop')?.click();
    expect(stopped).toBe(1);
  });
});

describe('ReleaseDialog', () => {
  const finding = (level: Finding['level'], code: string): Finding => ({
    code,
    level,
    at: 'job',
    args: { inHundred: 37, limit: 5 },
    remedies: [],
  });
  const open = async (
    findings: Finding[],
    decided: string[] = [],
  ): Promise<{ host: HTMLElement; settle: () => Promise<void>; closed: unknown[] }> => {
    const closed: unknown[] = [];
    TestBed.configureTestingModule({
      providers: [
        { provide: MAT_DIALOG_DATA, useValue: { findings: () => findings, decided, things: [], early: [], revising: false } },
        { provide: MatDialogRef, useValue: { close: (v: unknown) => closed.push(v) } },
      ],
    });
    return { ...(await show(ReleaseDialog, {})), closed };
  };
  it('does not release while something blocks', async () => {
    const { host } = await open([finding('release', 'fold.noScore')]);
    expect(button(host, 'Release now')?.disabled).toBe(true);
    expect(host.textContent).toContain('These block the release');
  });
  it('asks a reason for everything undecided, then releases with the reasons', async () => {
    const { host, settle, closed } = await open([finding('decide', 'risk.short'), finding('know', 'log.thin')]);
    expect(host.querySelectorAll('input')).toHaveLength(1);
    expect(button(host, 'Release now')?.disabled).toBe(true);
    fill(host, 'input', 'customer takes what comes');
    await settle();
    button(host, 'Release now')?.click();
    expect(closed).toEqual([{ decisions: { 'risk.short@job': 'customer takes what comes' } }]);
  });
  it('asks nothing that was decided before', async () => {
    const { host } = await open([finding('decide', 'risk.short')], ['risk.short@job']);
    expect(button(host, 'Release now')?.disabled).toBe(false);
  });
});

const NOTHING = { pending: [], undo: [], redo: [] };
describe('edits kept in the browser', () => {
  const kept = new KeptEdits();
  afterEach(() => {
    localStorage.clear();
  });
  it('come back as they were, job by job, and go when they are saved', () => {
    const step = { at: 5, edits: [{ at: ['name'], was: 'v', now: 'x' }] };
    kept.keep('a', { pending: [{ at: ['name'], now: 'x' }], undo: [step], redo: [] });
    expect(kept.of('a')).toEqual({ pending: [{ at: ['name'], now: 'x' }], undo: [step], redo: [] });
    expect(kept.of('b')).toEqual(NOTHING);
    kept.keep('a', NOTHING);
    expect(kept.of('a')).toEqual(NOTHING);
  });
  it('leave out what is no edit', () => {
    localStorage.setItem('druckerei.kept.a', JSON.stringify([{ at: [] }, { nonsense: true }, { at: ['name'], now: 'y' }]));
    expect(kept.of('a').pending).toEqual([{ at: ['name'], now: 'y' }]);
    localStorage.setItem('druckerei.steps.a', JSON.stringify({ undo: [{ at: 'x' }, null, { at: 1, edits: [{ at: [] }] }], redo: 4 }));
    expect(kept.of('a')).toMatchObject({ undo: [], redo: [] });
    localStorage.setItem('druckerei.kept.a', '{broken');
    expect(kept.of('a').pending).toEqual([]);
  });
});
