// What a full house asks of the server: a hundred people at their pages, each with an open stream of news, lists, jobs, saves and the floor in the mix of a working day.
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

const USERS = 100;
const JOBS_EDITED = 60;
/** Requests a second of the mix, and for how long. */
const RATE = 69;
const STEADY_S = 20;
/** A server that has been up for a while: until its code is compiled, in each of its processes. */
const WARM_S = 25;
/** As many as wait for an answer at any moment, for the most that can be answered. */
const AT_ONCE = 32;
const SATURATED_S = 15;
const QUANTITY = ['items', 'i1', 'versions', 'only', 'quantity'];

/** A plain client that keeps its connections: what is measured is the server, not the client's conveniences. */
function client(base) {
  const agent = new Agent({ keepAlive: true, maxSockets: USERS });
  const { hostname, port } = new URL(base);
  const call = (cookie, method, path, body) =>
    new Promise((resolve, reject) => {
      const text = body === undefined ? '' : JSON.stringify(body);
      const headers = { 'accept-encoding': 'gzip', 'sec-fetch-site': 'same-origin', cookie };
      if (text) Object.assign(headers, { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) });
      const asked = request({ agent, hostname, port, method, path, headers }, (res) => {
        if (res.statusCode !== 200) reject(new Error(`${method} ${path} answered ${res.statusCode}`));
        res.resume().on('end', () => resolve(res));
      });
      asked.on('error', reject).end(text);
    });
  const stream = (cookie) =>
    new Promise((resolve, reject) => {
      request({ agent: new Agent(), hostname, port, path: '/api/events', headers: { cookie } }, (res) => {
        res.resume();
        resolve(res);
      })
        .on('error', reject)
        .end();
    });
  return { call, stream, close: () => agent.destroy() };
}

/** Reads the mix in turn, so that every second of it holds the same: 40 lists, 30 jobs, 20 saves, 10 batches of the floor in a hundred. */
const MIX = ['list', 'job', 'list', 'save', 'job', 'list', 'floor', 'job', 'list', 'save'];

/**
 * @param jobs jobs of the long list, to be read
 * @param places cursors all over the list
 * @returns times in ms of the mix at a steady rate, by kind; and requests a second where as many wait as may
 */
export async function fullHouse(base, { spec, planner, jobs, places, floor }) {
  const { call, stream, close } = client(base);
  const cookies = [];
  for (let i = 0; i < 10; i++) cookies.push((await call('', 'POST', '/api/session', planner)).headers['set-cookie'][0].split(';')[0]);
  const customer = randomUUID();
  await call(cookies[0], 'POST', '/api/customers', { id: customer, name: `Load ${customer}`, address: '' });
  const read = async (path) => (await fetch(base + path, { headers: { cookie: cookies[0] } })).json();
  const idle = [];
  for (let i = 0; i < JOBS_EDITED; i++) {
    const id = randomUUID();
    await call(cookies[0], 'POST', '/api/orders', { id, customer, spec });
    const { lines } = await read(`/api/orders/${id}`);
    idle.push({ job: lines[0].jobs[0].job, version: 1 });
  }
  const streams = [];
  for (let i = 0; i < USERS; i++) streams.push(await stream(cookies[i % cookies.length]));
  let turn = 0;
  const work = {
    list: (n) => call(cookies[n % 10], 'GET', `/api/orders?rows=100&after=${places[(n * 37) % places.length]}`),
    job: (n) => call(cookies[n % 10], 'GET', `/api/jobs/${jobs[(n * 53) % jobs.length]}`),
    save: async (n) => {
      // An editor waits for the answer before the next save of the same job.
      const mine = idle.shift();
      if (mine === undefined) throw new Error('more saves at once than there are editors: the server is far behind');
      await call(cookies[n % 10], 'POST', `/api/jobs/${mine.job}/edits`, {
        version: mine.version,
        key: randomUUID(),
        edits: [{ at: QUANTITY, now: 5_000 + (n % 900) }],
      });
      mine.version++;
      idle.push(mine);
    },
    floor: (n) => call(cookies[n % 10], 'POST', '/api/floor/entries', floor(n)),
  };
  const took = {};
  const next = async (keep) => {
    const n = turn++;
    const kind = MIX[n % MIX.length];
    const from = performance.now();
    await work[kind](n);
    if (keep) (took[kind] ??= []).push(performance.now() - from);
  };
  const during = async (seconds, keep, at = RATE) => {
    const under = [];
    const from = performance.now();
    for (let i = 0; i < seconds * at; i++) {
      const due = from + (i * 1000) / at;
      await new Promise((resolve) => setTimeout(resolve, Math.max(due - performance.now(), 0)));
      under.push(next(keep));
    }
    await Promise.all(under);
  };
  await during(WARM_S, false, RATE / 2);
  await during(STEADY_S, true);
  let answered = 0;
  const until = performance.now() + SATURATED_S * 1000;
  const begun = performance.now();
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (; performance.now() < until; answered++) await next(false);
    }),
  );
  const perSecond = answered / ((performance.now() - begun) / 1000);
  for (const open of streams) open.destroy();
  close();
  return { took, perSecond };
}
