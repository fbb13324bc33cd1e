import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideRouter, Router } from '@angular/router';
import { provideState, provideStore, Store } from '@ngrx/store';
import { of } from 'rxjs';
import type { Job } from '@druckerei/contract';
import { applyEdits, EMPTY_SHELF, type JobSpec, type Plan, type Plant, PlantSchema, riverOf } from '@druckerei/core';
import { type Moved, plan } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { Planner } from '../planner/planner';
import { Searcher } from '../planner/searcher';
import { SessionActions, sessionFeature } from '../session/session.feature';
import { cardSpec } from './card-spec.fixture';
import { JobActions, JobApiActions, jobFeature } from './job.feature';
import { JobPage } from './job-page';

const plant: Plant = PlantSchema.parse(plantJson);
const shelf = { ...EMPTY_SHELF, asOf: 1_772_000_000 };
const spec = cardSpec({ foils: { f1: { name: 'crest', widthMm: 30, heightMm: 20 } } });
const job = (more: Partial<Job> = {}): Job => ({
  id: '11111111-1111-4111-8111-111111111111',
  number: 2401,
  customer: 'Choir',
  alternativeOf: null,
  altName: '',
  orders: [],
  answers: [],
  state: 'draft',
  version: 3,
  plant: 'p',
  shelf,
  releases: [],
  spec,
  ...more,
});

/** The worker's part, played in the same thread. */
class PlannerHere {
  readonly planning = signal<{ plan: Plan; river: ReturnType<typeof riverOf> } | null>(null);
  readonly scene = signal(null);
  readonly preview = signal(null);
  readonly compared = signal<{ rows: never[]; done: boolean } | null>(null);
  readonly moved = signal<Moved | null>(null);
  readonly fault = signal<string | null>(null);
  readonly asked: string[] = [];
  plan(s: JobSpec, p: Plant, sh: typeof shelf): void {
    const made = plan(s, p, sh);
    this.planning.set({ plan: made, river: riverOf(made) });
  }
  choose(stone: string | null): void {
    this.asked.push(`choose ${stone ?? 'product'}`);
  }
  ask(): void {
    this.asked.push('preview');
  }
  askMoved(): void {
    this.asked.push('moved');
    this.moved.set({ totals: [], come: [], gone: [] });
  }
  compare(): void {
    this.compared.set({ rows: [], done: false });
  }
  cancelCompare(): void {
    this.compared.set(null);
  }
  stop(): void {
    this.asked.push('stop');
  }
}

describe('JobPage', () => {
  let decided: { decisions: Record<string, string> } | undefined;
  const open = async (more: Partial<Job> = {}, roles: ('planner' | 'press')[] = ['planner']) => {
    const planner = new PlannerHere();
    TestBed.configureTestingModule({
      imports: [JobPage],
      providers: [
        provideRouter([{ path: 'jobs/:id', children: [] }]),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideState(jobFeature),
      ],
    }).overrideComponent(JobPage, {
      set: {
        providers: [
          { provide: Planner, useValue: planner },
          { provide: Searcher, useValue: { state: signal({ kind: 'idle' }), layout: jest.fn(), cancel: jest.fn() } },
        ],
      },
    });
    TestBed.overrideProvider(MatDialog, { useValue: { open: () => ({ afterClosed: () => of(decided) }) } });
    const store = TestBed.inject(Store);
    const heard: { type: string }[] = [];
    const dispatch = store.dispatch.bind(store) as (a: { type: string }) => void;
    jest.spyOn(store, 'dispatch').mockImplementation((a: unknown) => {
      heard.push(a as { type: string });
      dispatch(a as { type: string });
      return { destroy: () => undefined };
    });
    store.dispatch(
      SessionActions.signedIn({
        me: { name: 'a', fullName: 'Anselm Hardt', initials: 'AH', roles, units: 'metric', mustChange: false, timeZone: 'Europe/Berlin' },
      }),
    );
    const f = TestBed.createComponent(JobPage);
    f.componentRef.setInput('id', job().id);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const waiting = host.textContent.trim();
    store.dispatch(JobApiActions.jobLoaded({ job: job(more), plant, kept: { pending: [], undo: [], redo: [] } }));
    await f.whenStable();
    const button = (text: string): HTMLButtonElement | undefined =>
      [...host.querySelectorAll<HTMLButtonElement>('button, a[role=tab]')].find(
        (b) => b.textContent.trim() === text || (b.getAttribute('aria-label') ?? '').startsWith(text),
      );
    const press = async (text: string): Promise<void> => {
      const b = button(text);
      if (!b) throw new Error(`no button “${text}”`);
      b.click();
      await f.whenStable();
    };
    const key = async (k: string, more: KeyboardEventInit = {}): Promise<void> => {
      window.dispatchEvent(new KeyboardEvent('keydown', { key: k, code: k, bubbles: true, ...more }));
      await f.whenStable();
    };
    const goTo = async (view: string | undefined, stone?: string): Promise<void> => {
      f.componentRef.setInput('view', view);
      f.componentRef.setInput('stone', stone);
      await f.whenStable();
    };
    return { host, store, planner, waiting, heard, button, press, key, goTo, settle: () => f.whenStable(), leave: () => f.destroy() };
  };

  it('has an address for every view and stone, and names the tab after the job', async () => {
    const { host, press, goTo, button, store } = await open();
    expect(document.title).toBe(`${job().number} ${job().spec.name} – Druckerei`);
    await goTo('deliveries');
    expect(host.querySelector('dk-deliveries-panel')).not.toBeNull();
    await press('When');
    expect(TestBed.inject(Router).url).toBe('/?view=route');
    await press('Product');
    expect(TestBed.inject(Router).url).toBe('/');
    await goTo(undefined, 'card.card.cut');
    expect(store.selectSignal(jobFeature.selectStone)()).toBe('card.card.cut');
    await goTo('no such view', 'no such stone');
    expect(host.querySelector('dk-product-form')).not.toBeNull();
    expect(button('Product')?.getAttribute('aria-selected')).toBe('true');
  });
  it('says that it plans, then shows river, product, findings and totals', async () => {
    const { host, waiting, planner } = await open();
    expect(waiting).toBe('Planning …');
    expect(host.querySelectorAll('button.stone')).toHaveLength(planner.planning()!.plan.stones.length);
    expect(host.querySelector('dk-product-form')).not.toBeNull();
    expect(host.querySelector('dk-findings')?.textContent).toContain('Findings');
    expect(host.querySelector('footer')?.textContent).toContain('to pull');
  });
  it('walks the stones by keys, from the product to the last and no further', async () => {
    const { host, key, planner } = await open();
    const stones = planner.planning()!.plan.stones;
    await key(']');
    expect(host.querySelector('dk-stone-panel')).not.toBeNull();
    for (let i = 0; i < stones.length + 3; i++) await key(']');
    expect(planner.asked.at(-1)).toBe(`choose ${stones.at(-1)?.id ?? ''}`);
    for (let i = 0; i < stones.length + 3; i++) await key('[');
    expect(planner.asked.at(-1)).toBe('choose product');
  });
  it('turns the river into a list and back, and shows when each step runs', async () => {
    const { host, key } = await open();
    await key('l');
    expect(host.querySelector('dk-count-river table')).not.toBeNull();
    await key('l');
    expect(host.querySelector('dk-count-river table')).toBeNull();
    await key('g');
    expect(host.querySelector('dk-route-bars')).not.toBeNull();
  });
  it('opens the working of a total, and closes it with Escape', async () => {
    const { host, key } = await open();
    host.querySelector<HTMLButtonElement>('footer dk-figure button')?.click();
    await key('');
    expect(host.querySelector('dk-working')).not.toBeNull();
    await key('Escape');
    expect(host.querySelector('dk-working')).toBeNull();
  });
  it('an edited quantity is an edit of the job and of its only delivery', async () => {
    const withDelivery = applyEdits(spec, [
      { at: ['items', 'i1', 'deliveries'], now: [{ by: '2026-03-20T14:00', share: { only: 10_000 }, to: 'Quay 1' }] },
    ]);
    if (!withDelivery.ok) throw new Error('the delivery is refused');
    const { heard, press, host, settle } = await open({ spec: withDelivery.made });
    await press('Quantity,');
    const input = host.querySelector<HTMLInputElement>('input[aria-label="Quantity"]');
    input!.value = '12000';
    input!.dispatchEvent(new Event('input'));
    await settle();
    const edit = heard.find((a) => a.type === JobActions.edited.type) as unknown as { edits: { at: string[]; now: unknown }[] };
    expect(edit.edits.map((e) => e.at.at(-1))).toEqual(['quantity', 'deliveries']);
    expect(JSON.stringify(edit.edits[1]?.now)).toContain('12000');
  });
  it('releases with the decisions that were given, and not without', async () => {
    decided = undefined;
    const none = await open();
    await none.press('Release …');
    expect(none.heard.some((a) => a.type === JobActions.releaseAsked.type)).toBe(false);
    TestBed.resetTestingModule();
    decided = { decisions: { 'risk.short@job': 'we run the risk' } };
    const some = await open();
    await some.press('Release …');
    expect(some.heard.find((a) => a.type === JobActions.releaseAsked.type)).toMatchObject({ ask: decided });
  });
  it.each([
    [
      'a released job',
      { state: 'released' as const, releases: [{ nr: 1, at: 1, by: 'Anselm Hardt', scope: null, reason: '' }] },
      ['planner' as const],
      'Released by Anselm Hardt',
    ],
    ['a person who does not plan', {}, ['press' as const], 'Print draft'],
  ])('%s can be read and not changed', async (_name, more, roles, says) => {
    const { host, button, store, heard } = await open(more, roles);
    expect(host.textContent).toContain(says);
    expect(button('Release …')).toBeUndefined();
    expect([...host.querySelectorAll<HTMLButtonElement>('dk-edit-value button')].every((b) => b.disabled)).toBe(true);
    store.dispatch(JobActions.stoneChosen({ stone: 'product' }));
    expect(heard.some((a) => a.type === JobActions.edited.type)).toBe(false);
  });
  it('says what newer settings would change, and asks the worker for it', async () => {
    const { host, store, planner, press, heard, settle } = await open();
    store.dispatch(JobApiActions.newerSettingsFound({ newer: plant }));
    await settle();
    expect(planner.asked).toContain('moved');
    expect(host.textContent).toContain('They change nothing here.');
    await press('Plan it for the new ones');
    expect(heard.map((a) => a.type)).toContain(JobActions.newSettingsTaken.type);
  });
  it('shows both sides of the same place, whoever changed it', async () => {
    const { host, store, press, settle, heard } = await open();
    store.dispatch(JobActions.edited({ edits: [{ at: ['name'], was: spec.name, now: 'Mine' }], at: 1 }));
    store.dispatch(
      JobApiActions.saveStale({
        failure: { status: 409, title: 'Changed', stale: { version: 4, by: 'Runa Tormeel', edits: [{ at: ['name'], now: 'Theirs' }] } },
      }),
    );
    await settle();
    expect(host.textContent).toContain('Runa Tormeel changed the same place meanwhile.');
    expect(host.textContent).toContain('theirs Theirs, yours Mine');
    await press('Keep mine');
    expect(heard.map((a) => a.type)).toContain(JobActions.mineKept.type);
  });
  it('keeps the last good plan while a field is wrong, and says so; no release meanwhile', async () => {
    const { host, store, button, settle } = await open();
    store.dispatch(JobActions.edited({ edits: [{ at: ['items', 'i1', 'versions', 'only', 'quantity'], now: 0 }], at: 1 }));
    await settle();
    expect(host.textContent).toContain('The last good plan stays until the field is right.');
    expect(button('Release …')?.disabled).toBe(true);
    expect(host.querySelector('main.stale')).not.toBeNull();
  });
  it('says when saving failed, offers to try now, and when the plan could not be made', async () => {
    const { host, store, planner, press, settle, heard } = await open();
    store.dispatch(
      JobApiActions.saveFailed({ failure: { status: 503, title: 'Database not reachable', detail: 'The database does not answer.' } }),
    );
    planner.fault.set('out of memory');
    await settle();
    expect(host.textContent).toContain('The database does not answer.');
    expect(host.textContent).toContain('The plan could not be made: out of memory. The last good one stays.');
    await press('Try now');
    expect(heard.map((a) => a.type)).toContain(JobActions.saveTriedAgain.type);
  });
  it('a job that cannot be read says why and leads back', async () => {
    const { host, store, settle } = await open();
    store.dispatch(JobActions.opened({ id: 'x' }));
    store.dispatch(JobApiActions.loadFailed({ failure: { status: 404, title: 'Not found', detail: 'This job is not here.' } }));
    await settle();
    expect(host.textContent).toContain('This job is not here.');
    expect(host.querySelector('a')?.textContent).toContain('Back to the orders');
  });
  it('stops its worker when it goes', async () => {
    const { planner, leave } = await open();
    leave();
    expect(planner.asked.at(-1)).toBe('stop');
  });
});
