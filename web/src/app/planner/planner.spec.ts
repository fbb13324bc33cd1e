import { TestBed } from '@angular/core/testing';
import { FAMILIES, type JobSpec, NO_CHOICES, type Plant, type Shelf } from '@druckerei/core';
import type { Answer, Ask } from './plan-messages';
import { Planner } from './planner';

const mockWorker: { onmessage: ((e: { data: Answer }) => void) | null; postMessage: (a: Ask) => void; terminate: jest.Mock } = {
  onmessage: null,
  postMessage: () => undefined,
  terminate: jest.fn(),
};
jest.mock('./plan.spawn', () => ({ spawnPlanner: () => mockWorker }));

const spec = (name: string): JobSpec => ({
  schema: 1,
  name,
  choices: NO_CHOICES,
  overrides: {},
  decisions: {},
  items: {},
  products: { card: { kind: 'made', family: 'folded-card', wish: FAMILIES['folded-card'].starts } },
});

describe('Planner', () => {
  const sent: Ask[] = [];
  let planner: Planner;
  const say = (data: Answer): void => mockWorker.onmessage?.({ data });
  const planned = (): Answer => ({
    kind: 'planned',
    seq: 1,
    planning: { plan: {} as never, river: [] },
    scene: null,
    ms: 1,
  });

  beforeEach(() => {
    sent.length = 0;
    mockWorker.postMessage = (a) => void sent.push(a);
    TestBed.configureTestingModule({ providers: [Planner] });
    planner = TestBed.inject(Planner);
  });

  const plan = (name: string): void => {
    planner.plan(spec(name), {} as Plant, {} as Shelf);
  };

  it('sends one plan at a time; while it is made only the newest waits', () => {
    plan('a');
    plan('b');
    plan('c');
    expect(sent).toHaveLength(1);
    say(planned());
    expect(sent.map((a) => a.kind === 'plan' && a.spec.name)).toEqual(['a', 'c']);
  });

  it('keeps the last good plan when one fails, and says so', () => {
    plan('a');
    say(planned());
    plan('b');
    say({ kind: 'failed', seq: 2, says: 'no' });
    expect(planner.planning()).not.toBeNull();
    expect(planner.fault()).toBe('no');
    plan('c');
    expect(sent).toHaveLength(3);
  });

  it('takes a drawing only for the stone that is chosen now', () => {
    const scene = { title: 't', says: 's', box: { x: 0, y: 0, w: 1, h: 1 }, toScale: false, shapes: [] };
    planner.choose('a');
    planner.choose('b');
    say({ kind: 'scene', stone: 'a', scene });
    expect(planner.scene()).toBeNull();
    say({ kind: 'scene', stone: 'b', scene });
    expect(planner.scene()).toBe(scene);
  });

  it('gathers what is compared until it is done or stopped', () => {
    planner.compare();
    say({ kind: 'compared', seq: 1, row: { stock: 'x' } as never, done: false });
    expect(planner.compared()).toMatchObject({ rows: [{ stock: 'x' }], done: false });
    say({ kind: 'compared', seq: 1, row: null, done: true });
    expect(planner.compared()?.done).toBe(true);
    planner.cancelCompare();
    expect(planner.compared()).toBeNull();
    expect(sent.at(-1)).toEqual({ kind: 'cancel' });
    say({ kind: 'compared', seq: 1, row: { stock: 'late' } as never, done: false });
    expect(planner.compared()).toBeNull();
  });

  it('ends the worker with the screen', () => {
    planner.stop();
    expect(mockWorker.terminate).toHaveBeenCalled();
  });
});
