import { TestBed } from '@angular/core/testing';
import { MatDialog, MatDialogRef } from '@angular/material/dialog';
import { ActivatedRoute, convertToParamMap, provideRouter } from '@angular/router';
import { EMPTY, type Observable, of, throwError } from 'rxjs';
import type { ToolCard, ToolPage } from '@druckerei/contract';
import { provideAsking, provideSignedIn } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { EnterTool } from './enter-tool';
import { ToolDesk } from './tool-desk';
import { ToolStorePage } from './tool-store-page';

/* The tool store: groups, the queue, a card's check, moves and remakes. */

const JOB = '11111111-1111-4111-8111-111111111111';
const card = (more: Partial<ToolCard> = {}): ToolCard => ({
  id: 'P-1001',
  kind: 'plate',
  spec: 'K, front',
  state: 'imaged',
  place: '',
  owner: 'works',
  life: 200_000,
  used: 1_400,
  job: JOB,
  number: 2412,
  title: 'Harvest supper menu',
  kept: false,
  stone: 'card.card.plates',
  side: 'front',
  ink: 'K',
  version: 'v1',
  widthMm: 720,
  heightMm: 520,
  registerHoles: '',
  press: 'press3',
  madeAt: 1_772_000_000,
  madeHow: 'simulated platesetter',
  checks: null,
  replaces: null,
  ...more,
});
const page = (more: Partial<ToolPage> = {}): ToolPage => ({
  cards: [card()],
  queue: [],
  more: false,
  asOf: 1_772_000_000,
  timeZone: 'UTC',
  ...more,
});
let calls: { name: string; sent: { body?: Record<string, unknown>; params?: Record<string, string>; query?: Record<string, string> } }[];
let answers: Record<string, unknown>;

async function open(p = page(), query: Record<string, string> = {}) {
  calls = [];
  answers = { 'tools.cards': p, 'tools.read': { card: p.cards[0], log: [] }, 'tools.offers': [] };
  if (query['job'])
    answers['tools.offers'] = [{ stone: 's', side: 'front', ink: 'K', card: null, offers: [card({ id: 'P-900', state: 'stored' })] }];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideSignedIn('store'),
      { provide: Changes, useValue: { changes$: EMPTY } },
      { provide: ActivatedRoute, useValue: { snapshot: { queryParamMap: convertToParamMap(query) } } },
      { provide: MatDialog, useValue: { open: () => ({ afterClosed: () => of('scratched') }) } },
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            calls.push({ name, sent });
            const answer = answers[name];
            return answer instanceof Error
              ? throwError(() => ({ status: 409, title: 'No', detail: answer.message }))
              : of(answer ?? card());
          },
        },
      },
    ],
  });
  const f = TestBed.createComponent(ToolStorePage);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  return {
    f,
    host,
    press: async (name: string): Promise<void> => {
      const found = [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name);
      if (!found) throw new Error(`no button ${name}`);
      found.click();
      await f.whenStable();
    },
    type: async (label: string, text: string): Promise<void> => {
      const field = host.querySelector<HTMLInputElement>(`[aria-label="${label}"]`);
      if (!field) throw new Error(`no field ${label}`);
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await f.whenStable();
    },
  };
}
const sentBody = (name: string) => calls.findLast((c) => c.name === name)?.sent.body;

describe('the tool store', () => {
  it('shows forms job by job with their life, and an empty store as such', async () => {
    const { host } = await open();
    expect(host.textContent).toContain('2412 Harvest supper menu');
    expect(host.querySelector('.item')?.textContent).toContain('of 200');
    TestBed.resetTestingModule();
    expect((await open(page({ cards: [] }))).host.textContent).toContain('No form of this kind.');
  });
  it('shows the queue, what is late, and images the next plate with the simulated platesetter', async () => {
    const queue = [
      {
        id: 'P-1001',
        job: JOB,
        number: 2412,
        title: '',
        ink: 'K',
        side: 'front',
        press: 'press3',
        wantedAt: 1,
        startAt: 1_772_000_000,
        readyAt: 1_772_000_300,
        lateS: 600,
      },
    ];
    const { host, press } = await open(page({ queue }));
    expect(host.textContent).toContain('10 min late for its press');
    answers['tools.image'] = { imaged: [{ id: 'P-1001', bad: null, steps: [] }] };
    await press('Image the next plate (simulated platesetter)');
    expect(host.textContent).toContain('The simulated platesetter has imaged P-1001');
  });
  it('fits the wedge as it is typed, says in or out, gives the compensation, and writes the check down', async () => {
    const { host, type, press } = await open();
    expect(host.textContent).toContain('Type what was measured on the wedge.');
    for (const [tone, value] of Object.entries({ 0: '0', 25: '28', 50: '54', 75: '78', 100: '100' }))
      await type(`Measured on the plate at ${tone} %`, value);
    expect(host.querySelector('form [role=status]')?.textContent).toContain('steps must be 4 or more');
    await type('Measured on the plate at 10 %', '11.4');
    expect(host.querySelector('form [role=status]')?.textContent).toContain('Out of calibration: 4 points off');
    expect(host.textContent).toContain('Compensation, tone → send:');
    await press('Write the check down');
    expect(sentBody('tools.check')).toMatchObject({ scratches: false, steps: expect.arrayContaining([{ file: 50, plate: 54 }]) });
  });
  it('leaves what is being typed alone when the same card is read anew, and begins anew with another', async () => {
    await open();
    const f = TestBed.createComponent(ToolDesk);
    f.componentRef.setInput('card', card({ state: 'imaged' }));
    f.componentRef.setInput('zone', 'UTC');
    f.componentRef.setInput('may', true);
    await f.whenStable();
    const field = (f.nativeElement as HTMLElement).querySelector<HTMLInputElement>('fieldset input')!;
    field.value = '0.4';
    field.dispatchEvent(new Event('input'));
    f.componentRef.setInput('card', card({ state: 'imaged' }));
    await f.whenStable();
    expect(field.value).toBe('0.4');
    f.componentRef.setInput('card', card({ id: 'P-2', state: 'imaged' }));
    await f.whenStable();
    expect(field.value).toBe('');
  });
  it('moves a form on, recycles and remakes it with a reason, and says when it moved meanwhile', async () => {
    const { host, press } = await open(page({ cards: [card({ state: 'onPress' })] }));
    await press('Into the store');
    expect(sentBody('tools.move')).toMatchObject({ was: 'onPress', to: 'stored' });
    await press('Recycle …');
    expect(sentBody('tools.move')).toMatchObject({ to: 'recycled', reason: 'scratched' });
    await press('Make it again …');
    expect(sentBody('tools.remake')).toMatchObject({ reason: 'scratched' });
    answers['tools.move'] = new Error('This form moved meanwhile: it is stored now.');
    await press('Into the store');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('moved meanwhile');
  });
  it('offers kept forms to a reprint, and takes them all at once', async () => {
    const { host, press } = await open(page(), { job: JOB });
    expect(host.textContent).toContain('1 kept forms of the job before would do');
    await press('Take them');
    expect(sentBody('tools.take')).toMatchObject({ tools: ['P-900'] });
  });
});

describe('entering a tool', () => {
  const show = async () => {
    const closed: unknown[] = [];
    TestBed.configureTestingModule({
      providers: [
        provideAsking(),
        { provide: MatDialogRef, useValue: { close: (card: unknown) => closed.push(card) } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: never): Observable<unknown> => {
              calls.push({ name, sent });
              const answer = answers[name];
              return answer instanceof Error
                ? throwError(() => ({ status: 422, title: 'No', fields: [{ path: 'number', says: answer.message }] }))
                : of(answer);
            },
          },
        },
      ],
    });
    calls = [];
    answers = { 'tools.enter': card({ id: 'D-1100', kind: 'cuttingDie', state: 'stored' }) };
    const f = TestBed.createComponent(EnterTool);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const field = (name: string): HTMLInputElement =>
      [...host.querySelectorAll('mat-form-field')].find((l) => l.textContent.includes(name))!.querySelector('input')!;
    const type = async (name: string, text: string): Promise<void> => {
      field(name).value = text;
      field(name).dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    const send = async (): Promise<void> => {
      host.querySelector('form')!.dispatchEvent(new Event('submit'));
      await f.whenStable();
    };
    return { host, field, type, send, closed };
  };
  it('asks for what is missing, keeps what was typed when the store refuses, and closes when it is in', async () => {
    const { host, field, type, send, closed } = await show();
    expect(host.querySelector('select')?.value).toBe('cuttingDie');
    await type('Width', '7oo');
    await send();
    expect([...host.querySelectorAll('mat-error')].map((a) => a.textContent)).toEqual(['is missing', 'is no number', 'is missing']);
    expect(calls).toEqual([]);
    await type('Width', '700,5');
    await type('What it carries', 'sleeve, four up');
    await type('Place', 'die rack 3');
    await type('Life', '500 000');
    await type('Made for job', '9');
    const kept = answers['tools.enter'];
    answers['tools.enter'] = new Error('9 is no job of the house');
    await send();
    expect(host.querySelector('mat-error')?.textContent).toBe('9 is no job of the house');
    expect(field('What it carries').value).toBe('sleeve, four up');
    await type('Made for job', '');
    answers['tools.enter'] = kept;
    await send();
    expect(closed).toEqual([kept]);
    const keys = calls.map((c) => c.sent.body?.['key']);
    expect(keys[0]).toBe(keys[1]);
    expect(sentBody('tools.enter')).toMatchObject({
      kind: 'cuttingDie',
      widthMm: 700.5,
      heightMm: null,
      life: 500_000,
      used: 0,
      number: null,
    });
  });
});
