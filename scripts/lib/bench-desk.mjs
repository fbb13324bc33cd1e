// What the desk does under load: fifty editors on fifty jobs, news of a save at another browser, an import of ten thousand orders.
import { randomUUID } from 'node:crypto';
import { get } from 'node:http';

const EDITORS = 50;
const SAVES_EACH = 12;
/** An editor saves when typing pauses: no more often than this. */
const PAUSE_MS = 2_500;
const IMPORTED = 10_000;

export function talker(base) {
  let cookie = '';
  const call = async (method, path, body, type = 'application/json') => {
    const res = await fetch(base + path, {
      method,
      headers: { 'content-type': type, 'sec-fetch-site': 'same-origin', ...(cookie && { cookie }) },
      ...(body && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    cookie = (res.headers.getSetCookie()[0] ?? cookie).split(';')[0];
    if (!res.ok) throw new Error(`${method} ${path} answered ${res.status}: ${(await res.text()).slice(0, 200)}`);
    return res.json();
  };
  return { call, cookie: () => cookie };
}

/** Fifty people, each on a job of their own, saving after every pause; a browser that listens hears of each save. Times in ms. */
export async function fiftyEditors(base, spec) {
  const { call, cookie } = talker(base);
  await call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' });
  const customer = randomUUID();
  await call('POST', '/api/customers', { id: customer, name: `Bench ${customer}`, address: '' });
  const jobs = [];
  for (let i = 0; i < EDITORS; i++) jobs.push((await call('POST', '/api/orders', { id: randomUUID(), customer, spec })).job);
  const sentAt = new Map();
  const events = [];
  const stream = await new Promise((resolve, reject) => {
    const req = get(`${base}/api/events`, { headers: { cookie: cookie() } }, (res) => {
      res.setEncoding('utf8');
      res.on('data', (text) => {
        for (const line of text.split('\n')) {
          if (!line.startsWith('data: {')) continue;
          const { id, version } = JSON.parse(line.slice(6));
          const sent = sentAt.get(`${id}@${version}`);
          if (sent !== undefined) events.push(performance.now() - sent);
        }
      });
      resolve(req);
    }).on('error', reject);
  });
  const saves = [];
  await Promise.all(
    jobs.map(async (job, n) => {
      await new Promise((resolve) => setTimeout(resolve, (PAUSE_MS / EDITORS) * n));
      for (let version = 1; version <= SAVES_EACH; version++) {
        const edits = [{ at: ['items', 'i1', 'versions', 'only', 'quantity'], now: 5_000 + version * 7 + n }];
        const from = performance.now();
        sentAt.set(`${job}@${version + 1}`, from);
        await call('POST', `/api/jobs/${job}/edits`, { version, key: randomUUID(), edits });
        const took = performance.now() - from;
        if (version > 2) saves.push(took);
        await new Promise((resolve) => setTimeout(resolve, Math.max(PAUSE_MS - took, 0)));
      }
    }),
  );
  await new Promise((resolve) => setTimeout(resolve, 500));
  stream.destroy();
  return { saves, events };
}

/** Ten thousand orders of a CSV, sizes and quantities all different; seconds from the start of the import to its end, and how often progress was told. */
export async function bigImport(base) {
  const { call } = talker(base);
  await call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' });
  const lines = ['customer,product,line,quantity,due,deliver to,over %,openWidthMm,openHeightMm,folds,front,back,grade'];
  for (let i = 0; i < IMPORTED; i++)
    lines.push(
      `Harbour trader ${i % 400},Leaflet ${i},folded-card,${1_000 + ((i * 37) % 90_000)},2030-0${1 + (i % 9)}-1${i % 9},Quay ${i % 60},3,${148 + (i % 70)},${210 + (i % 40)},${i % 2},K C M Y,K,Gloss coated 150`,
    );
  const { file, preview } = await call('POST', '/api/imports', lines.join('\n'), 'text/csv');
  if (preview.good !== IMPORTED) throw new Error(`only ${preview.good} of ${IMPORTED} rows are good: ${JSON.stringify(preview.bad[0])}`);
  const id = randomUUID();
  const from = performance.now();
  await call('POST', '/api/tasks/import', { id, file });
  const told = new Set();
  for (;;) {
    const task = await call('GET', `/api/tasks/${id}`);
    told.add(task.done);
    if (task.state === 'done') return { seconds: (performance.now() - from) / 1000, told: told.size, made: task.result.made };
    if (task.state === 'failed' || task.state === 'cancelled') throw new Error(`the import ${task.state}: ${task.says}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}
