import { existsSync, readFileSync } from 'node:fs';
import { demoDesks } from './demo-desks.mjs';
import { demoHandover, floorRuns } from './demo-floor.mjs';
import { ROOT } from './run.mjs';
import { say, Stop } from './say.mjs';

const read = (name) => JSON.parse(readFileSync(`${ROOT}/demo/${name}.json`, 'utf8'));
const pad = (n) => String(n).padStart(2, '0');

/** A plant-local date so many days from a day, as the API takes it. */
const dayFrom = (start, days, clock) => {
  const d = new Date(start.getTime() + days * 86_400_000);
  return `${d.getUTCFullYear()}-${pad(d.getUTCMonth() + 1)}-${pad(d.getUTCDate())}T${clock}`;
};

/** Calls of the API by one person, once signed in. */
async function signedIn(base, { name, password }) {
  let cookie = '';
  const call = async (method, path, body) => {
    const res = await fetch(`${base}${path}`, {
      method,
      headers: {
        'content-type': Buffer.isBuffer(body) ? 'application/octet-stream' : 'application/json',
        'sec-fetch-site': 'same-origin',
        ...(cookie && { cookie }),
      },
      ...(body && { body: Buffer.isBuffer(body) ? body : JSON.stringify(body) }),
    });
    cookie = (res.headers.getSetCookie?.()[0] ?? cookie).split(';')[0];
    if (!res.ok)
      throw new Stop(`the demo could not be loaded: ${method} ${path} answered ${res.status} ${(await res.text()).slice(0, 400)}`);
    return res.json();
  };
  await call('POST', '/api/session', { name, password });
  return call;
}

/** Loads the demo's customers and orders through the API, like anybody would enter them; nothing where orders are there already. */
export async function loadDemo(base, { now = new Date() } = {}) {
  if (!existsSync(`${ROOT}/demo/orders.json`)) return;
  const firstStart = read('first-start');
  const floor = read('floor');
  const planner = firstStart.people.find((p) => p.roles.includes('planner'));
  const call = await signedIn(base, planner);
  if ((await call('GET', '/api/orders')).rows.length > 0) return;
  say('entering the demo orders of the Lindmoor works');
  for (const customer of read('customers')) await call('POST', '/api/customers', customer);
  const jobs = new Map();
  const orders = read('orders');
  const enter = async (nr, { id, customer, dueDays, dueAt, spec }) => {
    for (const item of Object.values(spec.items)) for (const d of item.deliveries) d.by = dayFrom(now, dueDays, dueAt);
    jobs.set(nr, (await call('POST', '/api/orders', { id, customer, spec })).job);
  };
  // Others keep the numbers the handbooks call them by.
  for (const [i, order] of orders.entries()) if (!order.last) await enter(i + 1, order);
  const desk = {
    call,
    as: (name) =>
      signedIn(
        base,
        firstStart.people.find((p) => p.name === name),
      ),
    jobs,
    firstStart,
    now: now.getTime() / 1000,
    day: (days, clock) => dayFrom(now, days, clock),
  };
  for (const step of read('desk')) {
    // What is delivered went over the floor first.
    const before = step.deliver && floor.before.find((f) => f.order === step.order);
    if (before) {
      await deskStep(desk, { order: step.order, release: step.release });
      await floorRuns(desk, before);
      await deskStep(desk, { order: step.order, deliver: step.deliver });
    } else await deskStep(desk, step);
  }
  // Number 11 is the reprint the desk made.
  for (const [i, { like, name, quantity, to, ...order }] of floor.orders.entries()) {
    await enter(12 + i, { ...order, spec: likeOrder(orders[like - 1].spec, { name, quantity, to }) });
  }
  for (const run of floor.after) {
    await deskStep(desk, { order: run.order, release: run.release });
    await floorRuns(desk, run);
    if (run.child) await rescue(desk, run);
  }
  await demoHandover(desk, floor.handover);
  await demoDesks(desk, read('desks'));
  for (const [i, past] of floor.history.entries()) await closedJob(desk, { order: 100 + i, past, enter, orders });
  for (const [i, order] of orders.entries()) if (order.last) await enter(200 + i, order);
  await demoBoard(desk, read('board'), { enter, orders });
}

/** Three weeks of work on the board, accepted as it lies; a machine that stands; a rush order somebody has to find a place for. */
async function demoBoard(desk, { orders: work, down, rush }, { enter, orders }) {
  const likes = ({ like, name, quantity, to, notFood, ...order }) => {
    const spec = likeOrder(orders[like - 1].spec, { name, quantity, to });
    if (notFood) for (const product of Object.values(spec.products)) product.wish.food = false;
    return { ...order, spec };
  };
  for (const [i, order] of work.entries()) {
    await enter(300 + i, likes(order));
    await deskStep(desk, { order: 300 + i, release: 'agreed at the desk' });
  }
  const { call, now } = desk;
  const { nr, timeZone } = await call('GET', '/api/board');
  const local = (at) => new Date(at * 1000).toLocaleString('sv-SE', { timeZone }).slice(0, 16).replace(' ', 'T');
  await call('POST', '/api/board/accept', { base: nr });
  const { machine, fromHours, hours, why } = down;
  const from = Math.ceil(now / 3600) * 3600 + fromHours * 3600;
  const stands = { id: crypto.randomUUID(), machine, from: local(from), until: local(from + hours * 3600), opens: false, why };
  await call('POST', '/api/board/copy/take', { base: nr + 1, hours: [stands], first: null });
  await enter(400, likes(rush));
}

/** Hours from the first step of a closed job to each of its steps. */
const PAST_STEPS = [
  { key: 'print', side: 'front', hours: 0 },
  { key: 'print', side: 'back', hours: 8 },
  { key: 'cut', hours: 30 },
  { key: 'fold', hours: 34 },
];
/** A job of some weeks ago that was printed, counted and delivered: what the logbook has to show. */
async function closedJob(desk, { order, past, enter, orders }) {
  const { like, name, quantity, to, daysAgo, losses, seed, ...rest } = past;
  await enter(order, { ...rest, dueAt: '12:00', spec: likeOrder(orders[like - 1].spec, { name, quantity, to }) });
  await deskStep(desk, { order, release: 'agreed at the desk' });
  const steps = PAST_STEPS.map(({ hours, ...step }) => ({ ...step, losses, hoursAgo: daysAgo * 24 - hours }));
  await floorRuns(desk, { order, seed, steps });
  await deskStep(desk, { order, deliver: 'fetched' });
}

/** A specification like another, for so many pieces (each product as many as there, where nobody says) to one address. */
function likeOrder(spec, { name, quantity, to }) {
  const like = Object.assign(structuredClone(spec), { name });
  for (const item of Object.values(like.items)) {
    const { only } = item.versions;
    only.quantity = quantity ?? only.quantity;
    item.deliveries = [{ ...item.deliveries[0], share: { only: only.quantity }, to }];
  }
  return like;
}

/** What was short is made by a child job, released at once. */
async function rescue({ call, jobs }, { order, child, childRelease }) {
  const { job } = await call('POST', `/api/jobs/${jobs.get(order)}/children`, { id: crypto.randomUUID(), item: 'i1', way: child });
  await release({ call }, job, childRelease);
}

async function release({ call }, id, reason) {
  const { findings } = await call('GET', `/api/jobs/${id}/plan.json`);
  const decisions = Object.fromEntries(findings.filter((f) => f.level === 'decide').map((f) => [`${f.code}@${f.at}`, reason]));
  const { version } = await call('GET', `/api/jobs/${id}`);
  await call('POST', `/api/jobs/${id}/release`, { version, decisions });
}

/** One thing a planner did at the desk of the demo: a gate, deliveries, a part release, another plan, a reprint, a shared job, a promise, an order of paper. */
async function deskStep({ call, jobs, day }, step) {
  const id = jobs.get(step.order);
  const job = id && (await call('GET', `/api/jobs/${id}`));
  const edit = (at, now) => call('POST', `/api/jobs/${id}/edits`, { version: job.version, key: crypto.randomUUID(), edits: [{ at, now }] });
  if (step.edit && step.byAt) await edit(step.edit, { ...step.now, by: day(step.byDays, step.byAt) });
  else if (step.edit)
    await edit(
      step.edit,
      step.now.map((d, i) => ({ ...d, by: day(step.days[i], step.at) })),
    );
  if (step.releaseEarly) {
    const plan = await call('GET', `/api/jobs/${id}/plan.json`);
    const scope = [
      ...(step.releaseEarly.includes('plate') ? Object.keys(plan.tools).filter((t) => plan.tools[t].kind.startsWith('plate')) : []),
      ...(step.releaseEarly.includes('stock') ? Object.keys(plan.flows).filter((f) => plan.flows[f].supply?.from === 'stock') : []),
    ];
    await call('POST', `/api/jobs/${id}/release`, { version: job.version, decisions: {}, scope });
  }
  if (step.alternative)
    await call('POST', `/api/jobs/${id}/alternatives`, { id: crypto.randomUUID(), name: step.alternative, edits: step.edits });
  if (step.release) await release({ call }, id, step.release);
  if (step.deliver)
    await call('POST', `/api/jobs/${id}/deliver`, {
      version: (await call('GET', `/api/jobs/${id}`)).version,
      back: false,
      note: step.deliver,
    });
  if (step.again) {
    const { times, days, at } = step.again;
    const { spec, customer } = await call('GET', `/api/jobs/${id}/again?times=${times}&by=${day(days, at)}`);
    await call('POST', '/api/orders', { id: step.again.id, customer, spec });
  }
  if (step.join) await call('POST', `/api/jobs/${id}/join`, { version: job.version, other: jobs.get(step.join) });
  if (step.reserve) await call('POST', '/api/reservations', { id: crypto.randomUUID(), job: id, ...step.reserve });
  if (step.purchase) {
    const { days, ...purchase } = step.purchase;
    await call('POST', '/api/purchases', { id: crypto.randomUUID(), ...purchase, comesOn: day(days, '00:00').slice(0, 10) });
  }
}
