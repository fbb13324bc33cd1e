import { ROOT } from './run.mjs';

/** Who logs what: the press, finishing and the store, each at a terminal of their own. */
const PEOPLE = { store: 'ilse', rollstore: 'ilse', press3: 'odo', press5: 'odo', press1: 'odo', imager: 'odo', toner1: 'odo' };
const FINISHER = 'mika';
const BATCH = 400;
/** Pieces a pile holds before the next is begun. */
const PILE = 2_500;

/**
 * Runs steps of a demo job through the floor: setup, pile in, counts, waste and stops by the simulated counter, piles laid, the end. Entries go through the
 * API like a terminal's; their times lie back as the scenario says.
 */
export async function floorRuns({ call, jobs, firstStart, now }, { order, seed, steps }) {
  const { simulatedRun } = await import(`${ROOT}/server/dist/simulated-counter.js`);
  const job = jobs.get(order);
  const { figures } = await call('GET', `/api/jobs/${job}/plan.json`);
  const tokens = new Map();
  const people = await call('GET', '/api/floor/people');
  const tokenOf = async (machine) => {
    const name = PEOPLE[machine] ?? FINISHER;
    const device = `terminal ${machine}`;
    if (!tokens.has(device)) {
      const { fullName, pin } = firstStart.people.find((p) => p.name === name);
      const person = people.find((p) => p.fullName === fullName).id;
      tokens.set(device, (await call('POST', '/api/floor/sign-on', { person, pin, device })).token);
    }
    return { by: tokens.get(device), device };
  };
  for (const [i, { key, side, hoursAgo, losses = 1, part = 1 }] of steps.entries()) {
    const floor = await call('GET', `/api/jobs/${job}/floor`);
    const step = floor.steps.find((s) => s.stone.endsWith(`.${key}`) && (side === undefined || s.step.includes(`.${side}`)));
    const { by, device } = await tokenOf(step.machine);
    const begin = now - hoursAgo * 3600;
    const entries = [];
    const say = (kind, at, more = {}) =>
      entries.push({
        id: crypto.randomUUID(),
        kind,
        machine: step.machine,
        job,
        step: step.step,
        pile: null,
        other: null,
        quantity: null,
        reason: '',
        note: '',
        witness: '',
        at: Math.min(at, now),
        release: step.release,
        by,
        ...more,
      });
    say('setupStart', begin);
    say('setupEnd', begin + step.setupS * 0.96);
    const run = begin + step.setupS;
    say('runStart', run);
    let clock = run + step.runS;
    if (step.units.unit !== null) {
      const piles = floor.piles.filter((p) => p.flow === step.units.takes && p.inHand > 0);
      let taken = 0;
      for (const p of piles) {
        say('take', run, { pile: p.id, quantity: p.inHand });
        taken += p.inHand;
      }
      if (piles.length === 0) {
        taken = Math.ceil(step.run * step.units.takesPer);
        say('take', run, { quantity: taken, reason: 'L-1061' });
      }
      const setup = Math.round((figures[`${step.step}.lost.setup`]?.value ?? 0) * Math.min(losses, 1.4));
      if (setup > 0) say('waste', run, { quantity: setup * step.units.perCycle, reason: 'setup' });
      const cycles = Math.max(Math.ceil(taken / step.units.takesPer - 1e-9) - setup, 0);
      // A last carton is part-filled: no more pieces come out than went in.
      let left = step.units.whole ? Infinity : (taken * step.units.givesPer) / step.units.takesPer;
      let pile = null;
      let held = 0;
      let done = 0;
      const machine = {
        seed: seed + i,
        perHour: step.perHour,
        runningPpm: step.runningPpm * losses,
        stopsPerHour: 1.2,
        stopS: 240,
        wasteReasons: ['running', 'running', 'register', 'dirt', 'feeder'],
        stopReasons: ['feeder', 'colourCheck', 'blanket', 'waitPile'],
      };
      for (const e of simulatedRun(machine, cycles, 60)) {
        if (done >= part * cycles || run + e.at > now) break;
        clock = run + e.at;
        done += e.quantity;
        const quantity = Math.min(Math.round(e.quantity * (e.kind === 'good' ? step.units.givesPer : step.units.perCycle)), left);
        left -= quantity;
        if (e.kind === 'good' && (pile === null || held >= PILE)) {
          pile = crypto.randomUUID();
          held = 0;
          say('pile', clock, { pile });
        }
        held += e.kind === 'good' ? quantity : 0;
        say(e.kind, clock, {
          reason: e.reason,
          note: 'simulated counter',
          ...(e.quantity > 0 && { quantity }),
          ...((e.kind === 'good' || e.kind === 'waste') && { pile }),
        });
      }
    }
    if (part === 1) say('runEnd', clock + 60);
    for (let from = 0; from < entries.length; from += BATCH) {
      const { refused } = await call('POST', '/api/floor/entries', { device, sentAt: now, entries: entries.slice(from, from + BATCH) });
      if (refused.length > 0) throw new Error(`the demo's floor was refused: ${refused[0].says}`);
    }
  }
}

/** A word left for the next shift. */
export async function demoHandover({ call, firstStart, now }, { machine, by, note }) {
  const device = `terminal ${machine}`;
  const { fullName, pin } = firstStart.people.find((p) => p.name === by);
  const person = (await call('GET', '/api/floor/people')).find((p) => p.fullName === fullName).id;
  const { token } = await call('POST', '/api/floor/sign-on', { person, pin, device });
  const entry = {
    id: crypto.randomUUID(),
    kind: 'handover',
    machine,
    job: null,
    step: null,
    pile: null,
    other: null,
    quantity: null,
    reason: '',
    note,
    witness: '',
    at: now,
    release: null,
    by: token,
  };
  await call('POST', '/api/floor/entries', { device, sentAt: now, entries: [entry] });
}
