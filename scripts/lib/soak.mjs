// Random kills under load: editors save, answer and move stock while servers, workers and the database are killed. What was acknowledged must be there at the end.
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { Cluster } from './cluster.mjs';
import { freePort, ROOT } from './run.mjs';
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
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * @param kills how many times something is killed @param editors how many save at once, each on a job of their own
 * @returns what was acknowledged, what is missing, and what was killed
 */
export async function soak({ kills, editors = 8, seed = 1, name = 'soak', tell = () => undefined }) {
  if (!existsSync(`${ROOT}/server/dist/main.js`)) throw new Error('build first: npm start or npm run build');
  const dice = random(seed);
  const cluster = await new Cluster(name, await freePort()).start();
  cluster.dropDatabase('druckerei');
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const start = () => {
    const urls = cluster.database('druckerei');
    return startServer({
      PORT: String(port),
      DATABASE_URL: urls.app,
      OWNER_DATABASE_URL: urls.owner,
      FIRST_START: `${ROOT}/demo/first-start.json`,
      DEMO: '1',
      LOG_LEVEL: 'silent',
      SILENT_S: '3',
    });
  };
  let server = start();
  await server.ready;
  let over = false;
  const acknowledged = [];
  const counts = { saved: 0, answered: 0, moved: 0, refused: 0, unanswered: 0 };

  const talker = () => {
    let cookie = '';
    const call = async (method, path, body) => {
      const res = await fetch(base + path, {
        method,
        headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin', ...(cookie && { cookie }) },
        ...(body && { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(8_000),
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

  const editor = async (n) => {
    const call = talker();
    await insist(() => call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' }));
    const customer = randomUUID();
    await insist(() => call('POST', '/api/customers', { id: customer, name: `Soak ${n} ${customer}`, address: '' }));
    const order = randomUUID();
    const spec = SPEC();
    spec.gates = { g1: { kind: 'pressOk', version: 'v1', who: 'soak', by: '2031-01-01T12:00', holds: 'card.card.print' } };
    const { body } = await insist(() => call('POST', '/api/orders', { id: order, customer, spec }));
    const { job } = body;
    let version = 1;
    for (let i = 0; !over; i++) {
      const key = randomUUID();
      const kind = i % 4;
      try {
        const said =
          kind === 3
            ? await call('POST', '/api/lots/L-1060/moves', { key, kind: 'issue', quantity: 1, job, note: 'soak' })
            : kind === 2
              ? await call('POST', `/api/jobs/${job}/answers`, {
                  gate: 'g1',
                  version: 'v1',
                  answer: i % 8 < 4 ? 'yes' : 'no',
                  note: `soak ${i}`,
                })
              : await call('POST', `/api/jobs/${job}/edits`, { version, key, edits: [{ at: ['name'], now: `Soak ${n}, save ${i}` }] });
        if (said.status === 200) {
          if (kind === 3) {
            counts.moved++;
            acknowledged.push({ kind: 'move', key });
          } else if (kind === 2) {
            counts.answered++;
            acknowledged.push({ kind: 'answer', job, answers: said.body.answers.length });
          } else {
            counts.saved++;
            version = said.body.version;
            acknowledged.push({ kind: 'save', job, key, name: `Soak ${n}, save ${i}` });
          }
        } else {
          counts.refused++;
          const read = await insist(() => call('GET', `/api/jobs/${job}`));
          version = read.body.version ?? version;
          if (said.status === 401) await insist(() => call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' }));
        }
      } catch {
        counts.unanswered++;
        await wait(100);
      }
      await wait(20 + dice() * 60);
    }
  };

  const killed = { server: 0, database: 0, backend: 0 };
  const killer = async () => {
    for (let k = 0; k < kills; k++) {
      await wait(150 + dice() * 900);
      const what = dice();
      if (what < 0.6) {
        killed.server++;
        server.child.kill('SIGKILL');
        await wait(50);
        server = start();
        await server.ready.catch(() => undefined);
      } else if (what < 0.85) {
        // One connection's process dies: PostgreSQL ends all and recovers.
        killed.backend++;
        try {
          const pid = cluster.sql('postgres', `select pid from pg_stat_activity where datname = 'druckerei' limit 1;`).trim();
          if (pid) spawnSync('kill', ['-9', pid]);
        } catch {
          /* it is recovering already */
        }
        await wait(1_500);
      } else {
        killed.database++;
        spawnSync('kill', ['-9', cluster.pidLine(0)]);
        await wait(1_200);
        await cluster.start();
      }
      if (server.child.exitCode !== null || server.child.signalCode !== null) {
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
    const has = (sql) => new Set(cluster.sql('druckerei', sql).trim().split('\n').filter(Boolean));
    const saves = has('select save_key from specs;');
    const moves = has('select id from lot_moves;');
    const answers = new Map([...has('select job, count(*) from gate_answers group by job;')].map((r) => r.split('|')));
    const missing = acknowledged.filter((a) =>
      a.kind === 'save' ? !saves.has(a.key) : a.kind === 'move' ? !moves.has(a.key) : Number(answers.get(a.job) ?? 0) < a.answers,
    );
    // Nothing twice either: the lot is what its movements come to.
    const off = cluster
      .sql(
        'druckerei',
        `select 22000 + coalesce(sum(m.quantity), 0) - max(l.quantity) from lots l left join lot_moves m on m.lot = l.id where l.id = 'L-1060';`,
      )
      .trim();
    return { acknowledged: acknowledged.length, missing: missing.length, off: Number(off), counts, killed };
  } finally {
    over = true;
    await server.stop();
    cluster.stop();
  }
}
