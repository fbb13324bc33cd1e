import { randomUUID } from 'node:crypto';
import { Client, PASSWORDS, TestServer } from '../test-server.fixture';
import { delayAfter } from './attempts';
import { weakPassword } from './weak-password';

/* Accounts: guessing is slow however many guess at once, nobody is locked out from elsewhere, a password somebody else set opens nothing, all is on record. */

const server = new TestServer();
let admin: Client;
beforeAll(async () => {
  await server.start();
  admin = await server.signedIn('admin');
});
afterAll(() => server.stop());

const from = (address: string): Record<string, string> => ({ 'sec-fetch-site': 'same-origin', 'x-forwarded-for': address });
const signIn = (name: string, password: string, address = '192.0.2.1', client = server.client()) =>
  client.call('POST', '/api/session', { name, password }, from(address));
const person = (more: object = {}) => {
  const id = randomUUID();
  return {
    id,
    name: `p${id.slice(0, 8)}`,
    fullName: 'Tova Brandt',
    initials: 'TB',
    roles: ['press'],
    password: 'keys-on-a-hook-4',
    ...more,
  };
};

describe('guessing', () => {
  it('costs twice the waiting after each wrong one, by hand: 0, 0, 0, 1, 2, 4 … at most 300 s', () => {
    expect([0, 1, 2, 3, 4, 5, 11, 12, 40].map(delayAfter)).toEqual([0, 0, 0, 1, 2, 4, 256, 300, 300]);
  });
  it('tries three of two hundred sent at once, and none of the others, the right one among them', async () => {
    const begun = Date.now();
    const guesses = Array.from({ length: 200 }, (_, i) => signIn('mika', i === 100 ? 'fold-and-cut-77' : `guess ${i}`, '192.0.2.7'));
    const answers = (await Promise.all(guesses)).map((s) => s.status);
    // On a slow machine seconds pass meanwhile, and they buy tries: one after 1 s, the next after 2 s more.
    const bought = Math.floor(Math.log2((Date.now() - begun) / 1000 + 1));
    expect(answers.filter((s) => s === 401 || s === 200).length).toBeLessThanOrEqual(3 + bought);
    expect(answers.filter((s) => s === 429 || s === 503).length).toBeGreaterThanOrEqual(197 - bought);
    // On record once a minute, or guessing would fill it.
    const held = await server.db.query(`select 1 from access_log where what = 'held' and address = '192.0.2.7'`);
    expect(held.rowCount).toBeGreaterThanOrEqual(1);
    expect(held.rowCount).toBeLessThan(50);
  });
  it('from elsewhere does not lock anybody out at the usual desk', async () => {
    expect((await signIn('ilse', PASSWORDS.store, '192.0.2.20')).status).toBe(200);
    for (let i = 0; i < 110; i++) await signIn('ilse', `guess ${i}`, `198.51.100.${i}`);
    expect((await signIn('ilse', PASSWORDS.store, '198.51.100.200')).status).toBe(429); // unknown there
    expect((await signIn('ilse', PASSWORDS.store, '192.0.2.20')).status).toBe(200); // known here
  });
  it('is forgotten where it was right', async () => {
    for (let i = 0; i < 6; i++) expect((await signIn('anselm', PASSWORDS.planner, '192.0.2.30')).status).toBe(200);
  });
});

describe('a password', () => {
  it.each([
    ['ababababab', 'has too few different characters'],
    ['1234567890', 'is on the list of passwords that everybody tries'],
    ['Qwertyuiop123', 'is on the list of passwords that everybody tries'],
    ['tova-river-99', 'contains your own name'],
    ['riverpaperink', 'is of one kind of characters: mix letters, digits and signs, or make it 16 long'],
    ['riverpaperinkpress', null],
    ['paper-river-24', null],
  ])('%s: %s', (password, says) => {
    expect(weakPassword(password, { name: 'tb', fullName: 'Tova Brandt' })).toBe(says);
  });
  it('somebody else set opens nothing but the form for an own one; weak ones are refused in words', async () => {
    const tova = person();
    expect((await admin.call('POST', '/api/people', { ...tova, password: '1234567890' })).body['fields']).toEqual([
      { path: 'password', says: 'is on the list of passwords that everybody tries' },
    ]);
    expect((await admin.call('POST', '/api/people', tova)).status).toBe(200);
    const c = server.client();
    expect((await signIn(tova.name, tova.password, '192.0.2.1', c)).body).toMatchObject({ mustChange: true });
    const held = await c.call('GET', '/api/orders');
    expect([held.status, held.body['type']]).toEqual([403, 'urn:druckerei:must-change']);
    const set = (old: string, password: string) => c.call('PUT', '/api/session/password', { old, password });
    expect((await set('not-mine-at-all', 'a-hook-for-keys-5')).body['fields']).toEqual([{ path: 'old', says: 'is not your password' }]);
    expect((await set(tova.password, tova.password)).body['fields']).toEqual([{ path: 'password', says: 'is the one you have' }]);
    expect((await set(tova.password, 'brandt-on-press-5')).body['fields']).toEqual([{ path: 'password', says: 'contains your own name' }]);
    const elsewhere = server.client();
    await signIn(tova.name, tova.password, '192.0.2.1', elsewhere);
    expect((await set(tova.password, 'a-hook-for-keys-5')).body).toMatchObject({ mustChange: false });
    expect((await c.call('GET', '/api/orders')).status).toBe(200);
    expect((await elsewhere.call('GET', '/api/session')).status).toBe(401); // every other session is over
    expect((await signIn(tova.name, tova.password)).status).toBe(401);
  });
  it('an administrator sets for himself is his own', async () => {
    const me = { fullName: 'Runa Tormeel', initials: 'RT', roles: ['admin'], active: true, password: 'cedar-and-slate-8' };
    const people = (await admin.call('GET', '/api/people')).body as unknown as { id: string; name: string }[];
    expect((await admin.call('PUT', `/api/people/${people.find((p) => p.name === 'runa')?.id}`, me)).status).toBe(200);
    const again = server.client();
    expect((await signIn('runa', 'cedar-and-slate-8', '192.0.2.1', again)).body).toMatchObject({ mustChange: false });
    admin = again;
  });
});

it('what happened to accounts is on record: sign-ins, refusals, changes of rights, and only administrators read it', async () => {
  const tova = person();
  await admin.call('POST', '/api/people', tova);
  await signIn(tova.name, 'wrong-one-here-1', '192.0.2.90');
  await signIn(tova.name, tova.password, '192.0.2.90');
  const { fullName, initials } = tova;
  await admin.call('PUT', `/api/people/${tova.id}`, { fullName, initials, roles: ['press', 'ink'], active: true });
  const record = (await admin.call('GET', '/api/people/record')).body as unknown as {
    what: string;
    name: string;
    by: string;
    roles: string[];
  }[];
  const mine = record.filter((r) => r.name === 'Tova Brandt').slice(0, 4);
  expect(mine.map((r) => [r.what, r.by, r.roles])).toEqual([
    ['person.changed', 'Runa Tormeel', ['press', 'ink']],
    ['signedIn', '', []],
    ['refused', '', []],
    ['person.entered', 'Runa Tormeel', ['press']],
  ]);
  expect((await (await server.signedIn('planner')).call('GET', '/api/people/record')).status).toBe(403);
  await expect(server.db.query(`delete from access_log`)).rejects.toThrow(/permission denied/);
});
