// What the floor does under load: terminals that send batches, a job with a million entries, and what is learned from five thousand jobs.
import { talker } from './bench-desk.mjs';
import { wasteEntry } from './floor-entry.mjs';

const TERMINALS = 4;
const BATCH = 200;
const BATCHES_EACH = 60;
const MILLION = 1_000_000;
const READS = 60;

/** The planner's talker, a released job of the demo with its first pressed step, and what an entry of it looks like. */
export async function onFloor(base) {
  const { call } = talker(base);
  await call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' });
  const { rows } = await call('GET', '/api/orders?rows=200');
  const job = rows.find((r) => r.title === 'Tea list, spring').job;
  const { steps } = await call('GET', `/api/jobs/${job}/floor`);
  const step = steps.find((s) => s.step.includes('.back'));
  const entry = (more) => wasteEntry({ machine: step.machine, job, step: step.step, ...more });
  return { call, job, step, entry };
}

/** Terminals that send batch after batch: entries a second from the first to the last answer; milliseconds of each batch. */
export async function manyEntries(base) {
  const { call, entry } = await onFloor(base);
  const batches = [];
  const from = performance.now();
  await Promise.all(
    Array.from({ length: TERMINALS }, async (_, t) => {
      for (let i = 0; i < BATCHES_EACH; i++) {
        const entries = Array.from({ length: BATCH }, () => entry({}));
        const begun = performance.now();
        const { accepted } = await call('POST', '/api/floor/entries', { device: `bench ${t}`, sentAt: Date.now() / 1000, entries });
        if (accepted.length !== BATCH) throw new Error('a batch was not taken whole');
        batches.push(performance.now() - begun);
      }
    }),
  );
  const seconds = (performance.now() - from) / 1000;
  return { perSecond: (TERMINALS * BATCHES_EACH * BATCH) / seconds, batches };
}

/** A job with a million entries on four hundred piles: its page, and its balance, as the browser asks for them. */
export async function millionEntries(base, cluster) {
  const { call, job, step } = await onFloor(base);
  cluster.sql(
    'druckerei_bench',
    `with who as (select id from users limit 1), made as (
       insert into piles (id, job, nr, code, step, flow, state, state_at, place, place_at, laid_at)
       select gen_random_uuid(), '${job}', 1000 + n, lpad(n::text, 6, '0'), '${step.step}', '${step.units.gives}', 'good', now(), 'press3', now(), now()
       from generate_series(1, 400) n returning id, nr
     ), entries as (
       insert into floor_log (id, kind, job, step, machine, pile, quantity, reason, who, device, device_at, happened_at, skew_s)
       select gen_random_uuid(), case when n % 10 = 0 then 'waste' else 'good' end, '${job}', '${step.step}', '${step.machine}', m.id,
         1 + n % 7, case when n % 10 = 0 then (array['running','register','torn'])[1 + n / 10 % 3] else '' end, (select id from who), 'bench', now(), now(), 0
       from generate_series(1, ${MILLION}) n join made m on m.nr = 1001 + n % 400
       returning job, step, pile, kind, reason, quantity
     )
     insert into floor_sums (job, step, pile, kind, reason, quantity)
     select job, step, pile::text, kind, reason, sum(quantity) from entries group by 1, 2, 3, 4, 5
     on conflict (job, step, pile, kind, reason) do update set quantity = floor_sums.quantity + excluded.quantity;`,
  );
  cluster.sql('druckerei_bench', 'analyze floor_log; analyze floor_sums; analyze piles;');
  // This process stood still meanwhile: let it notice that the server has closed its idle connections.
  await new Promise((resolve) => setTimeout(resolve, 500));
  const timed = async (path) => {
    const list = [];
    for (let i = 0; i < READS + 10; i++) {
      const from = performance.now();
      await call('GET', path);
      if (i >= 10) list.push(performance.now() - from);
    }
    return list;
  };
  return { page: await timed(`/api/jobs/${job}`), balance: await timed(`/api/jobs/${job}/floor`) };
}

/** Facts of five thousand closed jobs of seven steps, invented. */
export const manyFacts = (jobs = 5_000) =>
  Array.from({ length: jobs }, (_, j) =>
    ['offset', 'offset', 'foil', 'guillotine', 'fold', 'apply', 'pack'].map((process, i) => ({
      job: String(j),
      process,
      machine: `${process}${(j + i) % 3}`,
      expectedSetup: 50,
      setup: 20 + ((j * 31 + i * 17) % 80),
      cycles: 500 + ((j * 97) % 40_000),
      lost: 1 + ((j * 13 + i * 7) % 400),
    })),
  ).flat();
