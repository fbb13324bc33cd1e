// Random kills under load: people save, answer, move stock, count on the floor, send files and import orders while servers, their processes, the database and its
// backends are killed, the disk fills and the clock is set back. What was acknowledged must be there at the end, and nothing twice.
import { randomUUID } from 'node:crypto';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { Cluster } from './cluster.mjs';
import { wasteEntry } from './floor-entry.mjs';
import { freePort, isRoot, ROOT } from './run.mjs';
import { startServer } from './server.mjs';

/** A seeded generator (mulberry32): the same seed kills in the same order. */
function random(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const SPEC = () => JSON.parse(readFileSync(`${ROOT}/demo/orders.json`, 'utf8'))[0].spec;
/** A data folder of its own size, so that it can be filled without filling the machine's; only root may make one. */
const DISK_MB = 1_500;
function smallDisk(folder) {
  if (!isRoot) return false;
  mkdirSync(folder, { recursive: true });
  spawnSync('umount', ['-q', folder]);
  return spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m`, 'tmpfs', folder]).status === 0;
}
/** Fills a disk to the last block. */
function fill(file) {
  const fd = openSync(file, 'w');
  try {
    for (const block = Buffer.alloc(1 << 20); ;) writeSync(fd, block);
  } catch (error) {
    if (error.code !== 'ENOSPC') throw error;
  } finally {
    closeSync(fd);
  }
}
/** A release makes its ticket before it answers: where several wait for one another on a slow machine that takes longer than ten seconds, and who gives up sooner begins it anew for ever. */
const ANSWER_MS = 30_000;
const CLOCK_BACK_S = 3_600;
const IMPORT_ROWS = 12;

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * @param kills how many times something is killed @param editors how many save at once, each on a job of their own
 * @returns what was acknowledged, what is missing, and what was killed
 */
export async function soak({ kills, editors = 8, seed = 1, name = 'soak', tell = () => undefined }) {
  if (!existsSync(`${ROOT}/server/dist/main.js`)) throw new Error('build first: npm start or npm run build');
  const dice = random(seed);
  const folder = `${ROOT}/.data/${name}`;
  const small = smallDisk(folder);
  if (!small) tell('no disk of its own to fill (that takes root and mount): the disk is left alone');
  const cluster = await new Cluster(name, await freePort()).start();
  cluster.dropDatabase('druckerei');
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const start = (more = {}) => {
    const urls = cluster.database('druckerei');
    return startServer({
      PORT: String(port),
      DATABASE_URL: urls.app,
      OWNER_DATABASE_URL: urls.owner,
      FIRST_START: `${ROOT}/demo/first-start.json`,
      DEMO: '1',
      LOG_LEVEL: 'silent',
      SILENT_S: '3',
      ...more,
    });
  };
  let server = start();
  await server.ready;
  let over = false;
  const acknowledged = [];
  const counts = { saved: 0, answered: 0, moved: 0, counted: 0, imported: 0, refused: 0, unanswered: 0 };

  const talker = () => {
    let cookie = '';
    const call = async (method, path, body, type = 'application/json') => {
      const res = await fetch(base + path, {
        method,
        headers: { 'content-type': type, 'sec-fetch-site': 'same-origin', ...(cookie && { cookie }) },
        ...(body && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
        signal: AbortSignal.timeout(ANSWER_MS),
      });
      cookie = (res.headers.getSetCookie()[0] ?? cookie).split(';')[0];
      return { status: res.status, body: await res.json() };
    };
    return call;
  };
  const insist = async (work) => {
    for (;;) {
      try {
        const said = await work();
        if (said.status < 500) return said;
      } catch {
        /* nobody there: again */
      }
      await wait(200);
    }
  };

  /** Many sign in as one: those who come at the same moment are told to wait. */
  const signIn = async (call) => {
    while ((await insist(() => call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' }))).status !== 200)
      await wait(300);
  };

  // Everybody has their job before anything is killed.
  let left = editors;
  let begun;
  const allBegun = new Promise((resolve) => (begun = () => --left === 0 && resolve()));
  const editor = async (n) => {
    const call = talker();
    await signIn(call);
    const customer = randomUUID();
    await insist(() => call('POST', '/api/customers', { id: customer, name: `Soak ${n} ${customer}`, address: '' }));
    const order = randomUUID();
    const spec = SPEC();
    spec.gates = { g1: { kind: 'pressOk', version: 'v1', who: 'soak', by: '2031-01-01T12:00', holds: 'card.card.print' } };
    const { body } = await insist(() => call('POST', '/api/orders', { id: order, customer, spec }));
    const { job } = body;
    let version = 1;
    const step = await released(call, customer, SPEC());
    begun();
    const work = {
      save: async (i) => {
        const key = randomUUID();
        const title = `Soak ${n}, save ${i}`;
        const said = await call('POST', `/api/jobs/${job}/edits`, { version, key, edits: [{ at: ['name'], now: title }] });
        if (said.status === 200) version = said.body.version;
        return { said, done: 'saved', what: { kind: 'save', key } };
      },
      answer: async (i) => {
        const said = await call('POST', `/api/jobs/${job}/answers`, {
          gate: 'g1',
          version: 'v1',
          answer: i % 2 ? 'yes' : 'no',
          note: `soak ${i}`,
        });
        return { said, done: 'answered', what: { kind: 'answer', job, answers: said.body.answers?.length } };
      },
      move: async () => {
        const key = randomUUID();
        const said = await call('POST', '/api/lots/L-1060/moves', { key, kind: 'issue', quantity: 1, job, note: 'soak' });
        return { said, done: 'moved', what: { kind: 'move', key } };
      },
      /** A terminal sends what it kept until somebody takes it: again and again, with the same ids. */
      count: async () => {
        const entries = [wasteEntry(step), wasteEntry(step)];
        const said = await insist(() => call('POST', '/api/floor/entries', { device: `soak ${n}`, sentAt: Date.now() / 1000, entries }));
        if (said.status === 200 && said.body.accepted.length !== entries.length)
          throw new Error(`refused on the floor: ${JSON.stringify(said.body.refused)}`);
        return { said, done: 'counted', what: { kind: 'count', ids: entries.map((e) => e.id) } };
      },
      import: async (i) => {
        const mark = `Import ${n} ${i}`;
        const sent = await call('POST', '/api/imports', importOf(mark), 'text/csv');
        if (sent.status !== 200) return { said: sent };
        const id = randomUUID();
        const said = await insist(() => call('POST', '/api/tasks/import', { id, file: sent.body.file }));
        return { said, done: 'imported', what: { kind: 'import', id, mark } };
      },
    };
    const turns = ['save', 'count', 'save', 'answer', 'count', 'move', 'save', 'count', 'import'];
    for (let i = 0; !over; i++) {
      try {
        const { said, done, what } = await work[turns[i % turns.length]](i);
        if (said.status === 200) {
          counts[done]++;
          acknowledged.push(what);
        } else {
          counts.refused++;
          if (said.status === 401) await signIn(call);
          const read = await insist(() => call('GET', `/api/jobs/${job}`));
          version = read.body.version ?? version;
        }
      } catch (error) {
        if (String(error).includes('refused on the floor')) throw error;
        counts.unanswered++;
        await wait(100);
      }
      await wait(20 + dice() * 60);
    }
  };

  /** A job that is released, with its first counted step and the machine of it. */
  const released = async (call, customer, spec) => {
    const { body } = await insist(() => call('POST', '/api/orders', { id: randomUUID(), customer, spec }));
    // What is to decide is asked for; a release whose answer was lost is there already.
    for (let decisions = {}; ;) {
      const said = await insist(() => call('POST', `/api/jobs/${body.job}/release`, { version: 1, decisions }));
      if (said.status === 200 || said.body.detail?.includes('is released')) break;
      if (!said.body.fields) throw new Error(`not released: ${JSON.stringify(said.body)}`);
      decisions = Object.fromEntries(said.body.fields.map((f) => [f.path, 'agreed']));
    }
    const { steps } = (await insist(() => call('GET', `/api/jobs/${body.job}/floor`))).body;
    const { step, machine } = steps.find((s) => s.units.unit !== null);
    return { machine, job: body.job, step };
  };

  const killed = { server: 0, process: 0, backend: 0, database: 0, disk: 0, clock: 0 };
  const again = async (more) => {
    server.child.kill('SIGKILL');
    await wait(50);
    await cluster.start();
    server = start(more);
    await server.ready.catch(() => undefined);
  };
  const ways = {
    server: () => again(),
    /** One of those that answer: another begins in its place. */
    process: async () => {
      const children = readFileSync(`/proc/${server.child.pid}/task/${server.child.pid}/children`, 'utf8').trim().split(' ');
      const pid = children[Math.floor(dice() * children.length)];
      if (pid) spawnSync('kill', ['-9', pid]);
      await wait(500);
    },
    /** One connection's process dies: PostgreSQL ends all and recovers. */
    backend: async () => {
      try {
        const pid = cluster.sql('postgres', `select pid from pg_stat_activity where datname = 'druckerei' limit 1;`).trim();
        if (pid) spawnSync('kill', ['-9', pid]);
      } catch {
        /* it is recovering already */
      }
      await wait(1_500);
    },
    database: async () => {
      spawnSync('kill', ['-9', cluster.pidLine(0)]);
      await wait(1_200);
      await cluster.start();
    },
    disk: async () => {
      fill(`${folder}/ballast`);
      await wait(1_000 + dice() * 2_000);
      rmSync(`${folder}/ballast`);
      await wait(500);
      await cluster.start();
    },
    /** The server's clock an hour back, until it is killed again. */
    clock: () => again({ CLOCK: new Date(Date.now() - CLOCK_BACK_S * 1000).toISOString() }),
  };
  const chances = Object.entries({ server: 0.42, process: 0.15, backend: 0.15, database: 0.15, disk: small ? 0.08 : 0, clock: 0.05 });
  const killer = async () => {
    await allBegun;
    for (let k = 0; k < kills; k++) {
      // Up long enough for some of everything, a release of seconds among it; now and then hardly at all.
      await wait(dice() < 0.3 ? 150 + dice() * 300 : 1_000 + dice() * 2_500);
      let rest = dice() * chances.reduce((sum, [, c]) => sum + c, 0);
      const [what] = chances.find(([, chance]) => (rest -= chance) < 0) ?? chances[0];
      killed[what]++;
      await ways[what]();
      if (server.child.exitCode !== null || server.child.signalCode !== null) {
        await cluster.start();
        server = start();
        await server.ready.catch(() => undefined);
      }
      if ((k + 1) % 10 === 0) tell(`${k + 1} of ${kills} kills, ${acknowledged.length} entries acknowledged`);
    }
    over = true;
  };

  try {
    await Promise.all([killer(), ...Array.from({ length: editors }, (_, n) => editor(n))]);
    await cluster.start();
    await again();
    const unfinished = await allImported(cluster);
    const has = (sql) => new Set(cluster.sql('druckerei', sql).trim().split('\n').filter(Boolean));
    const saves = has('select save_key from specs;');
    const moves = has('select id from lot_moves;');
    const answers = new Map([...has('select job, count(*) from gate_answers group by job;')].map((r) => r.split('|')));
    const entries = has('select id from floor_log;');
    const titles = new Map(
      [...has(`select substring(title from '^Import \\d+ \\d+'), count(*) from jobs where title like 'Import %' group by 1;`)].map((r) =>
        r.split('|'),
      ),
    );
    const isThere = {
      save: (a) => saves.has(a.key),
      move: (a) => moves.has(a.key),
      answer: (a) => Number(answers.get(a.job) ?? 0) >= a.answers,
      count: (a) => a.ids.every((id) => entries.has(id)),
      import: (a) => Number(titles.get(a.mark)) === IMPORT_ROWS,
    };
    const missing = acknowledged.filter((a) => !isThere[a.kind](a));
    // No order of a file twice, no entry counted twice.
    const twice =
      [...titles.values()].filter((n) => Number(n) > IMPORT_ROWS).length +
      Number(
        cluster
          .sql(
            'druckerei',
            `select count(*) from (
               select job, step, sum(quantity) as n from floor_log where kind = 'waste' group by 1, 2
               except select job, step, sum(quantity) from floor_sums where kind = 'waste' group by 1, 2
             ) d;`,
          )
          .trim(),
      );
    // Nothing twice either: the lot is what its movements come to.
    const off = cluster
      .sql(
        'druckerei',
        `select 22000 + coalesce(sum(m.quantity), 0) - max(l.quantity) from lots l left join lot_moves m on m.lot = l.id where l.id = 'L-1060';`,
      )
      .trim();
    return {
      acknowledged: acknowledged.length,
      missing: missing.length,
      twice,
      unfinished: unfinished.length,
      why: [...new Set(unfinished)],
      off: Number(off),
      counts,
      killed,
    };
  } finally {
    over = true;
    await server.stop();
    cluster.stop();
    if (small) spawnSync('umount', [folder]);
  }
}

/** Waits until no import is waiting or running; gives what is said of those that are not done. */
async function allImported(cluster) {
  for (let i = 0; i < 240; i++) {
    if (cluster.sql('druckerei', `select count(*) from tasks where state in ('waiting', 'running');`).trim() === '0') break;
    await wait(500);
  }
  return cluster
    .sql('druckerei', `select state || ' at attempt ' || attempt || ': ' || says from tasks where state <> 'done';`)
    .trim()
    .split('\n')
    .filter(Boolean);
}

const importOf = (mark) =>
  [
    'customer,product,line,quantity,due,deliver to,over %,openWidthMm,openHeightMm,folds,front,back,grade',
    ...Array.from(
      { length: IMPORT_ROWS },
      (_, i) =>
        `Soak traders,"${mark}, row ${i}",folded-card,${1_000 + i},2031-01-1${i % 9},Quay ${i},3,148,210,1,K C M Y,K,Gloss coated 150`,
    ),
  ].join('\n');
