import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { type Observable, of, Subject, throwError } from 'rxjs';
import type { Changed, ImportPreview, Task } from '@druckerei/contract';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { ImportPage } from './import-page';

const preview: ImportPreview = {
  rows: 3,
  good: 2,
  customersNew: ['Harbour cafe'],
  first: [{ line: 2, customer: 'Harbour cafe', title: 'Menu', pieces: 'pieces', quantity: 2_000, due: '2026-12-03T12:00' }],
  bad: [{ line: 4, issues: [{ column: 'quantity', says: 'is not a whole number' }] }],
  badRows: 1,
  columnsIgnored: ['colour'],
};
const task = (more: Partial<Task>): Task => ({
  id: 'x',
  kind: 'import',
  state: 'running',
  done: 1,
  of: 2,
  progress: null,
  result: null,
  says: '',
  attempt: 1,
  ...more,
});

describe('orders from a file', () => {
  let answers: Record<string, () => Observable<unknown>>;
  let news: Subject<Changed | null>;
  const asked: { name: string; sent: unknown }[] = [];
  beforeEach(() => {
    sessionStorage.clear();
    asked.length = 0;
    news = new Subject();
    answers = {
      'imports.send': () => of({ file: 'f'.repeat(64), preview }),
      'tasks.import': () => of(task({ state: 'waiting' })),
      'tasks.read': () => of(task({})),
      'tasks.cancel': () => of(task({ state: 'cancelled' })),
    };
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: Changes, useValue: { changes$: news } },
        provideAsking(),
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: unknown) => {
              asked.push({ name, sent });
              return answers[name]?.() ?? of({});
            },
          },
        },
      ],
    });
  });
  const open = async () => {
    const f = TestBed.createComponent(ImportPage);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const settle = async (): Promise<void> => void (await f.whenStable());
    return {
      f,
      host,
      settle,
      says: () => host.textContent.replace(/[\s\u2009]+/g, ' '),
      send: async () => {
        const field = host.querySelector<HTMLInputElement>('input[type=file]');
        if (!field) throw new Error('no field');
        Object.defineProperty(field, 'files', { value: [new File(['a,b'], 'orders.csv')], configurable: true });
        field.dispatchEvent(new Event('change'));
        await settle();
      },
      press: async (text: RegExp) => {
        [...host.querySelectorAll('button')].find((b) => text.test(b.textContent))?.click();
        await settle();
      },
    };
  };

  it('says how a file looks before there is one', async () => {
    expect((await open()).says()).toContain('customer,product,line,quantity,due');
  });
  it('shows what would be made and names every bad row, before anything is made', async () => {
    const { send, says } = await open();
    await send();
    expect(says()).toContain('2 of 3 rows become orders');
    expect(says()).toContain('New customers: Harbour cafe');
    expect(says()).toContain('Columns that mean nothing here: colour');
    expect(says()).toMatch(/line 4\s*quantity is not a whole number\./);
    expect(asked.map((a) => a.name)).toEqual(['imports.send']);
  });
  it('makes them of the file that was seen, tells how far it is, and what came of it', async () => {
    const { f, send, says, press, settle } = await open();
    await send();
    await press(/^\s*Make 2 orders/);
    expect(asked.find((a) => a.name === 'tasks.import')?.sent).toMatchObject({ body: { file: 'f'.repeat(64) } });
    await settle();
    expect(says()).toContain('1 of 2 made');
    answers['tasks.read'] = () => of(task({ state: 'done', done: 2, result: { made: 2, there: 0, customers: 1, bad: [], first: 2401 } }));
    const { id } = (asked.find((a) => a.name === 'tasks.import')?.sent as { body: { id: string } }).body;
    news.next({ table: 'tasks', id, version: 1, by: '' });
    await settle();
    expect(says()).toContain('2 orders made');
    expect(sessionStorage.getItem('druckerei.import')).toBeNull();
    f.destroy();
  });
  it('finds an import again after a reload, and stops it', async () => {
    sessionStorage.setItem('druckerei.import', 'x');
    const { f, says, press, settle } = await open();
    await settle();
    expect(says()).toContain('1 of 2 made');
    await press(/^\s*Stop/);
    expect(asked.some((a) => a.name === 'tasks.cancel')).toBe(true);
    f.destroy();
  });
  it('says what is wrong with a file', async () => {
    answers['imports.send'] = () =>
      throwError(() => ({ status: 422, title: 'x', detail: 'Line 3: a quotation mark is opened and never closed.' }));
    const { send, host } = await open();
    await send();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('a quotation mark is opened and never closed');
  });
  it('makes nothing of a file without a good row', async () => {
    answers['imports.send'] = () => of({ file: 'f', preview: { ...preview, good: 0, first: [] } });
    const { send, host } = await open();
    await send();
    expect([...host.querySelectorAll('button')].find((b) => b.textContent.includes('Make'))?.disabled).toBe(true);
  });
});
