import { readFileSync } from 'node:fs';
import { ROOT } from './run.mjs';

const key = () => crypto.randomUUID();
const SHEETS_A_PULL = 15;

/** What the demo's tool store, ink kitchen, register desk and zones have seen: entered through the API, read by the simulated devices. */
export async function demoDesks(desk, { plates, inks, register, zones, practice }) {
  for (const of of plates) await platesOf(desk, of);
  for (const of of inks) await inkOf(desk, of);
  for (const of of register) await registerOf(desk, of);
  for (const of of zones) await zonesOf(desk, of);
  for (const of of practice) await practised(desk, of);
}

/** Plates imaged by the simulated platesetter, checked by their wedge, and brought where they stand. */
async function platesOf({ call, jobs }, { order, to, place }) {
  const job = jobs.get(order);
  const cards = async () => (await call('GET', `/api/tool-cards?job=${job}`)).cards.filter((c) => c.kind === 'plate');
  for (let again = 0; again < 4; again++) {
    const waiting = (await cards()).filter((c) => c.state === 'planned');
    if (waiting.length === 0) break;
    const queue = (await call('GET', '/api/tool-cards')).queue;
    const { imaged } = await call('POST', '/api/platesetter', { key: key(), plates: Math.min(queue.length, 50) });
    for (const { id, bad, steps } of imaged) {
      const card = await call('POST', `/api/tool-cards/${id}/check`, {
        key: key(),
        scratches: bad === 'scratch',
        smallestUm: 20,
        steps,
        registerHoles: 'three, 6 mm',
      });
      if (card.state === 'spoilt')
        await call('POST', `/api/tool-cards/${id}/remake`, {
          key: key(),
          reason: bad === 'scratch' ? 'scratched when it was taken out' : 'wedge too weak',
        });
    }
  }
  const move = async (from, next, more = {}) => {
    for (const c of (await cards()).filter((x) => x.state === from))
      await call('POST', `/api/tool-cards/${c.id}/move`, { key: key(), was: from, to: next, reason: '', ...more });
  };
  if (to === 'checked') return;
  await move('checked', 'onPress');
  if (to === 'stored') await move('onPress', 'stored', { place });
}

/** A mixed ink: sample, the best recipe, a batch weighed as told, draw-downs by the simulated instrument, corrected until it is inside. */
async function inkOf({ call, jobs }, { order, ink, lab, tolerance, mix, answer, leftOver }) {
  const at = `/api/kitchen/${jobs.get(order)}/${encodeURIComponent(ink)}`;
  const measured = { lab, mode: 'M1', backing: 'white', from: 'typed' };
  await call('POST', `${at}/sample`, { id: key(), measured, tolerance });
  if (!mix) return;
  const { neededKg } = await call('GET', at);
  const { found } = await call('POST', `${at}/match`, { most: 4, wish: 1, leftOverShare: 0 });
  const recipe = found[0].parts;
  const weighed = recipe.map((p) => ({
    base: p.base,
    kg: Math.round(((neededKg * p.parts) / 100) * 1e4) / 1e4,
    lot: `${p.base.slice(0, 2).toUpperCase()}-114`,
  }));
  let desk = await call('POST', `${at}/batches`, { id: key(), recipe, weighed, pails: 1, place: 'kitchen, shelf 2' });
  const [batch] = desk.batches;
  for (let n = 1; n <= 4; n++) {
    const reading = await call('POST', `/api/batches/${batch.id}/simulated-reading`, { reading: n });
    desk = await call('POST', `/api/batches/${batch.id}/draw-downs`, { id: key(), measured: reading.measured });
    if (!answer) return;
    const [last] = desk.drawDowns;
    if (last.verdict.deltaE <= tolerance / 2 || (n === 4 && last.verdict.inside)) {
      await call('POST', `/api/draw-downs/${last.id}/answer`, { answer, reason: '' });
      break;
    }
    await call('POST', `/api/draw-downs/${last.id}/answer`, { answer: 'adjust', reason: '' });
    const { add } = await call('POST', `/api/draw-downs/${last.id}/correction`, { mostShare: 0.4, allBases: true });
    if (add.length > 0)
      desk = await call('POST', `/api/batches/${batch.id}/additions`, {
        id: key(),
        weighed: add.map((a) => ({
          base: a.base,
          kg: Math.max(Math.round(a.kg * 1e4) / 1e4, 0.0001),
          lot: `${a.base.slice(0, 2).toUpperCase()}-115`,
        })),
        reason: `after draw-down ${n}`,
      });
  }
  if (leftOver) await call('POST', `/api/pails/${desk.batches[0].pails[0].id}`, { kg: leftOver, place: 'left-overs', free: true });
}

/** Turns of a make-ready by the simulated camera: read, set as told, read again; `open`: the last reading waits to be set. */
async function registerOf({ call, jobs }, { order, side, turns, open }) {
  const job = jobs.get(order);
  const row = (await call('GET', `/api/jobs/${job}/floor`)).steps.find((s) => s.step.endsWith(`.print.${side}`));
  const at = `/api/register/${job}/${row.step}`;
  let desk = await call('GET', at);
  for (let turn = 0; turn < turns; turn++) {
    const [reference] = desk.inks;
    const { colours } = await call('POST', `${at}/simulated-reading`, { marks: desk.marks, reference });
    desk = await call('POST', `${at}/readings`, {
      id: key(),
      reference,
      marks: desk.marks,
      colours,
      // What a run that is done wasted was counted at its machine.
      sheets: open ? SHEETS_A_PULL : 0,
      sheet: null,
      from: 'simulated',
    });
    const last = desk.turns.at(-1).colours;
    if (last.every((c) => c.advice.inside) || (open && turn === turns - 1)) break;
    const settings = Object.fromEntries(last.filter((c) => c.advice.settings.length > 0).map((c) => [c.ink, c.advice.settings]));
    desk = await call('POST', `${at}/settings`, { id: key(), settings });
  }
}

/** A file of a pass laid on its copies: the separation of an ink, or a PDF for all of them. */
async function zonesOf({ call, jobs }, { order, side, ink, file: name }) {
  const job = jobs.get(order);
  const step = (await call('GET', `/api/jobs/${job}/floor`)).steps.find((s) => s.step.endsWith(`.print.${side}`)).step;
  const { file } = await call('POST', '/api/separations', readFileSync(`${ROOT}/demo/separations/${name}`));
  const id = key();
  await call('POST', '/api/tasks/zones', { id, job, step, ink, file, name, page: 1, inkIsDark: true });
  for (let i = 0; i < 200; i++) {
    const { state, says } = await call('GET', `/api/tasks/${id}`);
    if (state === 'failed') throw new Error(`the demo's separation was refused: ${says}`);
    if (state === 'done') return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('the demo’s separation was not read in time');
}

/** A game on the practice press, set by the press's own ideal. */
async function practised({ as }, { who, seed, level }) {
  const call = await as(who);
  const { ideal } = await call('POST', '/api/practice', { id: key(), seed, level, turns: [{}] });
  await call('POST', '/api/practice', { id: key(), seed, level, turns: [{}, ...ideal.turns.map((t) => t.settings)] });
}
