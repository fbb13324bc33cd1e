import { existsSync, readFileSync } from 'node:fs';
import { ROOT } from './run.mjs';
import { say, Stop } from './say.mjs';

const read = (name) => JSON.parse(readFileSync(`${ROOT}/demo/${name}.json`, 'utf8'));
const pad = (n) => String(n).padStart(2, '0');

/** A plant-local date so many days from a day, as the API takes it. */
const dayFrom = (start, days, clock) => {
  const d = new Date(start.getTime() + days * 86_400_000);
  return `${d.getUTCFullYear()}-${pad(d.getUTCMonth() + 1)}-${pad(d.getUTCDate())}T${clock}`;
};

/** Loads the demo's customers and orders through the API, like anybody would enter them; nothing where orders are there already. */
export async function loadDemo(base, { now = new Date() } = {}) {
  if (!existsSync(`${ROOT}/demo/orders.json`)) return;
  const planner = read('first-start').people.find((p) => p.roles.includes('planner'));
  let cookie = '';
  const call = async (method, path, body) => {
    const res = await fetch(`${base}${path}`, {
      method,
      headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin', ...(cookie && { cookie }) },
      ...(body && { body: JSON.stringify(body) }),
    });
    cookie = (res.headers.getSetCookie?.()[0] ?? cookie).split(';')[0];
    if (!res.ok)
      throw new Stop(`the demo could not be loaded: ${method} ${path} answered ${res.status} ${(await res.text()).slice(0, 400)}`);
    return res.json();
  };
  await call('POST', '/api/session', { name: planner.name, password: planner.password });
  if ((await call('GET', '/api/orders')).rows.length > 0) return;
  say('entering the demo orders of the Lindmoor works');
  for (const customer of read('customers')) await call('POST', '/api/customers', customer);
  for (const { id, customer, dueDays, dueAt, spec, edits = [], release } of read('orders')) {
    for (const item of Object.values(spec.items)) for (const d of item.deliveries) d.by = dayFrom(now, dueDays, dueAt);
    const { job } = await call('POST', '/api/orders', { id, customer, spec });
    let version = 1;
    for (const edit of edits)
      ({ version } = await call('POST', `/api/jobs/${job}/edits`, { version, key: crypto.randomUUID(), edits: [edit] }));
    if (release) await call('POST', `/api/jobs/${job}/release`, { version, decisions: release });
  }
}
