// npm run bench: medians and 95th percentiles against their targets, as a table. Never part of a test.
import { Agent, get } from 'node:http';
import { createRequire } from 'node:module';
import { gzipSync } from 'node:zlib';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { bigImport, fiftyEditors } from './lib/bench-desk.mjs';
import { manyEntries, manyFacts, millionEntries, onFloor } from './lib/bench-floor.mjs';
import { fullHouse } from './lib/bench-load.mjs';
import { largePng, largeTiff, readLarge } from './lib/bench-pressroom.mjs';
import { bundle } from './lib/bundle.mjs';
import { Cluster } from './lib/cluster.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { loadDemo } from './lib/demo.mjs';
import { manyOrders } from './lib/many-orders.mjs';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { freePort, ROOT } from './lib/run.mjs';
import { main } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const rows = [];
const quantile = (list, q) => [...list].sort((a, b) => a - b)[Math.min(Math.floor(list.length * q), list.length - 1)];
const row = (what, list, target, unit, which = 0.95) =>
  rows.push({ what, median: quantile(list, 0.5), p95: quantile(list, 0.95), target, ratio: quantile(list, which) / target, unit });

/** Only the parts named on the command line: core, board, pressroom, browser, desk, floor, orders, load. */
const parts = process.argv.slice(2);
const wanted = (part) => parts.length === 0 || parts.includes(part);

await main(async () => {
  ensurePackages();
  const executablePath = ensureChromium();
  ensureBuilt();
  if (wanted('core')) await benchCore();
  if (wanted('board')) await benchBoard();
  if (wanted('pressroom')) await benchPressroom();
  if (wanted('browser')) await onDemo((base, memory) => benchBrowser(executablePath, base, memory));
  if (wanted('desk')) await onDemo((base) => benchDesk(base));
  if (wanted('floor')) await onDemo((base, _memory, cluster) => benchFloor(base, cluster));
  if (wanted('orders')) await onDemo((base, _memory, cluster, urls) => benchOrders(base, cluster, urls));
  if (wanted('load')) await onDemo((base, _memory, cluster, urls) => benchLoad(base, cluster, urls));
  const n = (x) => (x < 10 ? x.toFixed(2) : x.toFixed(0));
  process.stdout.write(
    `\n| what | median | p95 | target | measured / target |\n| --- | ---: | ---: | ---: | ---: |\n${rows.map((r) => `| ${r.what} | ${n(r.median)} ${r.unit} | ${n(r.p95)} ${r.unit} | ${Number.isNaN(r.target) ? '– | –' : `${r.target} ${r.unit} | ${r.ratio.toFixed(2)}`} |`).join('\n')}\n`,
  );
});

async function benchCore() {
  const out = `${ROOT}/server/dist/bench-core.mjs`;
  await bundle({
    stdin: {
      contents: `export * from './core/src/index'; export * from './core/src/planning'; export * from './core/src/plan/line-1.fixture'; export * from './core/src/plan/line-3.fixture'; export * from './core/src/plan/line-4.fixture'; export * from './core/src/plan/line-6.fixture'; export * from './core/src/plan/line-7.fixture'; export * from './core/src/plan/line-15.fixture'; export * from './core/src/plan/line-12.fixture'; export * from './core/src/plan/line-5.fixture'; export * from './core/src/layout/blank-nest'; export * from './core/src/layout/nest-search'; export * from './core/src/plan/toys/toy-book.fixture';`,
      resolveDir: ROOT,
    },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: out,
    tsconfig: `${ROOT}/tsconfig.base.json`,
  });
  const core = await import(out);
  const timed = (times, warm, work) => {
    const list = [];
    for (let i = 0; i < times + warm; i++) {
      const t = performance.now();
      work(i);
      if (i >= warm) list.push(performance.now() - t);
    }
    return list;
  };
  const line1 = timed(1000, 300, (i) => core.plan(core.cardSpec(5_000 + i * 7), core.LINDMOOR, core.SHELF));
  row('plan() of line 1, another quantity each time: median against its target', line1, 4, 'ms', 0.5);
  row('the same: p95 against its target', line1, 6, 'ms');
  for (const [sections, up, target] of [
    [13, 1, 12],
    [25, 2, 16],
  ]) {
    const book = (i) => core.plan(core.bookSpec(3_000 + i * 7, up), core.BOOK_PLANT, core.SHELF, core.BOOK);
    row(`plan() of a toy book of ${sections} sections`, timed(300, 100, book), target, 'ms', 0.5);
    row('the same plan as JSON', [JSON.stringify(book(0)).length / 1000], 300, 'kB');
  }
  row(
    'ten proposals of line 1, planned and compared',
    timed(30, 5, (i) => {
      const spec = core.cardSpec(5_000 + i * 7);
      const ten = [];
      for (const proposal of core.propose(spec, core.LINDMOOR, core.SHELF)) {
        ten.push(core.comparedWith(proposal, spec, core.LINDMOOR, core.SHELF));
        if (ten.length === 10) break;
      }
    }),
    300,
    'ms',
  );
  benchCartons(core, timed);
  benchSections(core, timed);
  const facts = manyFacts();
  row(
    'losses learned from 5,000 jobs of 7 steps',
    timed(10, 2, () => core.learnedLosses(facts)).map((ms) => ms / 1000),
    1,
    's',
  );
  const { cases } = JSON.parse(readFileSync(`${ROOT}/checks/pallet-loading.json`, 'utf8'));
  row(
    'exact guillotine count, published instances',
    cases.flatMap(({ data }) =>
      timed(20, 5, () => core.guillotineCount({ width: data.L, height: data.W, pieceWidth: data.l, pieceHeight: data.w, mayTurn: true })),
    ),
    5,
    'ms',
  );
  row(
    'guillotine count, 28 card sizes on 1010 × 690',
    Array.from({ length: 28 }, (_, i) => [40 + i * 9.5, 30 + i * 7.5]).flatMap(([w, h]) =>
      timed(3, 1, () => core.guillotineCount({ width: 1010, height: 690, pieceWidth: w, pieceHeight: h, mayTurn: true })),
    ),
    5,
    'ms',
  );
}

/** The board on made-up plants (core/src/schedule/random-board.fixture.ts): the first board, and what a search makes of the best dispatch rule in so many seconds. */
async function benchBoard() {
  const out = `${ROOT}/server/dist/bench-board.mjs`;
  await bundle({
    stdin: {
      contents: `export * from './core/src/board'; export * from './core/src/schedule/random-board.fixture';`,
      resolveDir: ROOT,
    },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: out,
    tsconfig: `${ROOT}/tsconfig.base.json`,
  });
  const core = await import(out);
  for (const { what, size, seeds, seconds, firstMs, share } of [
    {
      what: '40 jobs × 6 steps × 12 machines',
      size: { jobs: 40, steps: 6, machines: 12, load: 1, tightness: 0.6 },
      seeds: 8,
      seconds: 5,
      firstMs: 200,
      share: 75,
    },
    {
      what: '500 × 8 × 25',
      size: { jobs: 500, steps: 8, machines: 25, load: 0.9, tightness: 1.2 },
      seeds: 4,
      seconds: 20,
      firstMs: 2_000,
      share: 85,
    },
  ]) {
    const [first, left, leftUsual, moves, readings, promises, effects, replans, kept, moved] = [[], [], [], [], [], [], [], [], [], []];
    for (let seed = 1; seed <= seeds; seed++) {
      const problem = core.randomBoard({ ...size, seed });
      const from = performance.now();
      const pieces = core.piecesOf(problem);
      const laying = core.layingOf(pieces, problem);
      const rules = core.dispatchBest(laying);
      const best = Math.min(...rules.map((r) => r.total));
      const usual = Math.min(...rules.filter((r) => r.rule in core.USUAL_RULES).map((r) => r.total));
      first.push(performance.now() - from);
      const begun = performance.now();
      const { done } = core.improve(laying, 1, 1e9, () => performance.now() - begun < seconds * 1000);
      left.push((100 * laying.total) / best);
      leftUsual.push((100 * laying.total) / usual);
      moves.push(done / seconds / 1000);
      const { bars } = core.judged(problem, pieces, laying.list);
      const order = [...bars].sort((a, b) => a.runAt - b.runAt).map((b) => b.work);
      const on = Object.fromEntries(bars.map((b) => [b.work, b.machine]));
      const again = performance.now();
      core.judge(problem, order, on, bars);
      readings.push(performance.now() - again);
      // A job that nobody released: promised into the others' gaps, and a bar moved with what follows it.
      const job = problem.work[order[order.length >> 1]].job;
      const others = order.filter((id) => problem.work[id].job !== job);
      const asked = performance.now();
      core.promise(problem, { order: others, on }, job);
      promises.push(performance.now() - asked);
      const stand = core.layingOf(core.piecesOf(problem), problem);
      stand.layAll(core.inOrder(stand.list.slice(), order, on));
      const piece = stand.list.find((x) => x.prev && !x.prev.running && x.prev.job !== x.job && x.start > 86_400);
      const dragged = performance.now();
      core.moveWithFollowers(stand, piece, piece.prev, 'before');
      effects.push(performance.now() - dragged);
      const { ms, inOrder, bettered } = replanned(core, breakdown(problem, bars), { order, on, bars });
      replans.push(ms);
      kept.push(inOrder);
      moved.push(bettered);
    }
    row(`first board, ${what}`, first, firstMs, 'ms');
    row(`money after ${seconds} s, of what the best of the usual rules comes to, ${what}`, leftUsual, share, '%', 0.5);
    row(`the same, of the best of all thirteen, with which it begins, ${what}`, left, NaN, '%', 0.5);
    row(`thousand moves a second, ${what}`, moves, NaN, 'k');
    row(`an accepted board read and judged, ${what}`, readings, NaN, 'ms');
    row(`a date promised, ${what}`, promises, 50, 'ms');
    row(`a move with what follows it, on a board that is laid, ${what}`, effects, 50, 'ms');
    row(`another plan after a breakdown of three hours, ${what}`, replans, 5_000, 'ms');
    row(`bars moved where the order is kept, ${what}`, kept, NaN, '');
    row(`bars moved by the other plan, ${what}`, moved, NaN, '');
  }
}
/** The machine with the most to do stands for three hours, from the first bar it begins a shift after now. */
function breakdown(problem, bars) {
  const work = new Map();
  for (const bar of bars) work.set(bar.machine, [...(work.get(bar.machine) ?? []), bar]);
  const [machine, mine] = [...work].sort(([, a], [, b]) => b.length - a.length)[0];
  const from = Math.min(...mine.map((b) => b.start).filter((at) => at > problem.asOf + 8 * 3_600));
  const until = from + 3 * 3_600;
  const lane = problem.lanes[machine];
  const open = lane.open.flatMap(([a, b]) =>
    [
      [a, Math.min(b, from)],
      [Math.max(a, until), b],
    ].filter(([x, y]) => y > x),
  );
  return { ...problem, lanes: { ...problem.lanes, [machine]: { ...lane, open } } };
}
/** The accepted order laid on what then is, and bettered for four seconds with a price on every bar that moves; what it moves, beside what keeping the order moves. */
function replanned(core, down, { order, on, bars }) {
  const was = Object.fromEntries(bars.map(({ work, machine, start }) => [work, { machine, start }]));
  const from = performance.now();
  const pieces = core.piecesOf(down, was);
  const laying = core.layingOf(pieces, down);
  laying.layAll(core.inOrder(pieces.pieces, order, on));
  const stirred = () => core.judged(down, pieces, laying.list).bars.filter((b) => core.isMoved(was[b.work], b.machine, b.start)).length;
  const kept = stirred();
  core.improve(laying, 1, 1e9, () => performance.now() - from < 4_000);
  const ms = performance.now() - from;
  return { ms, inOrder: kept, bettered: stirred() };
}

/** Bound products: a booklet planned, sections of a thick book, and a sheet of 128 pages laid out and proved. */
function benchSections(core, timed) {
  row(
    'plan() of a booklet of three sections',
    timed(200, 100, (i) => core.plan(core.ferryTimetable({}, {}, 12_000 + i * 7), core.LINDMOOR, core.SHELF)),
    12,
    'ms',
  );
  row(
    'plan() of a softcover book of 13 sections, one by one',
    timed(40, 10, (i) => core.plan(core.shortNovel({ pages: 384, twoUp: 'none' }, {}, 6_000 + i * 7), core.LINDMOOR, core.SHELF)),
    12,
    'ms',
  );
  row(
    'plan() of a softcover book of 18 sections and an insert, two-up',
    timed(40, 10, (i) => core.plan(core.shortNovel({}, {}, 6_000 + i * 7), core.LINDMOOR, core.SHELF)),
    16,
    'ms',
  );
  row(
    'plan() of a sewn hardcover of 8 sections on two sheets',
    timed(40, 10, (i) => core.plan(core.pocketHerbal({}, {}, 2_000 + i * 7), core.LINDMOOR, core.SHELF)),
    12,
    'ms',
  );
  row(
    'plan() of five printing cylinders',
    timed(100, 20, (i) => core.plan(core.drawerCylinders({ firstTurnMm: 500 + (i % 40) / 100 }), core.LINDMOOR, core.SHELF)),
    6,
    'ms',
  );
  row(
    'plan() of rolls in two designs',
    timed(100, 20, (i) => core.plan(core.drawerPaper({ lengthM: 2 + (i % 40) / 100 }), core.LINDMOOR, core.SHELF)),
    6,
    'ms',
  );
  row(
    'sections for a book of 1,200 pages',
    timed(200, 20, (i) => core.sectionPlans({ pages: 1_200 - (i % 40), sizes: [32, 24, 16, 12, 8, 4], placesASide: 16, perfected: false })),
    200,
    'ms',
  );
  const slit = [
    { do: 'slit', axis: 'V', line: 4, move: 'right' },
    { do: 'slit', axis: 'H', line: 4, move: 'bottom' },
  ];
  const program = { rows: 8, cols: 8, steps: [...slit, ...core.SCHEMES.p32.steps] };
  row(
    'a sheet of 128 pages laid out and proved',
    timed(500, 100, () => core.isProved(core.signatureOf(program), program)),
    20,
    'ms',
  );
}

/** Cartons: die line, nest, plan, fold-up, and a gang of twelve orders. */
function benchCartons(core, timed) {
  row(
    'plan() of a carton, another quantity each time',
    timed(500, 200, (i) => core.plan(core.cartonSpec(60_000 + i * 7), core.LINDMOOR, core.SHELF)),
    6,
    'ms',
    0.5,
  );
  const ask = (i) => ({ style: 'reverse', lengthMm: 60 + i / 10, widthMm: 40 + i / 20, heightMm: 110 + i / 10, caliperMm: 0.44 });
  const boxed = (i) => {
    const [w, h] = core.pathBox(core.cartonDieLine(ask(i)).outline);
    return core.latticeNest(
      [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ],
      3,
      [1_048, 642],
    );
  };
  row('die line and its boxes on a sheet', timed(100, 20, boxed), 30, 'ms');
  const tray = core.cartonDieLine({ ...ask(0), style: 'tray', heightMm: 30 }).outline;
  row(
    'nest of one outline on one sheet, 60,000 states',
    timed(5, 1, (i) => core.nestSearch({ outline: tray, turns: [0], gapMm: 3, room: [1_048, 642], iterations: 120, seed: i })).map(
      (ms) => ms / 1000,
    ),
    2,
    's',
  );
  const model = core.foldModel(core.cartonDieLine(ask(0)));
  row(
    'fold-up, the faces of a frame',
    timed(500, 100, (i) => core.foldedFaces(model, (i % 100) / 100)),
    16,
    'ms',
  );
  const random = core.seeded(11);
  const items = Array.from({ length: 12 }, (_, i) => {
    const needed = 400 + Math.round(random() * 6_000);
    return { id: `i${i}`, needed, most: Math.floor(1.1 * needed) };
  });
  const cost = (runs) => 250 * runs.length + 0.26 * runs.reduce((sum, r) => sum + r, 0);
  row(
    'gang of 12 orders on up to 3 forms, 10 % over',
    timed(3, 0, () => core.gangForms({ items, places: 12, mostForms: 3, cost })).map((ms) => ms / 1000),
    10,
    's',
  );
  // The house's own targets: as fast as six jobs, and as the gang of twelve.
  row(
    'plan() of six sleeves on two forms, another quantity each time',
    timed(100, 40, (i) => core.plan(core.sleeveSpec(undefined, { ...core.RADIO_PLAYS, mill: 3_000 + i * 7 }), core.LINDMOOR, core.SHELF)),
    36,
    'ms',
  );
  const { gangs } = core.sleeveSpec().choices;
  const found = { ...core.sleeveSpec(), choices: { ...core.sleeveSpec().choices, gangs: { plays: { parts: gangs.plays.parts } } } };
  row(
    'forms of six sleeves, solved and planned',
    timed(3, 1, () => core.solveGang(found, core.LINDMOOR, core.SHELF, 'plays')).map((ms) => ms / 1000),
    10,
    's',
  );
}

/** Terminals that send, and a job with a million entries. Entries a second: the target is a least, so its ratio is target over what was reached. */
async function benchFloor(base, cluster) {
  const { perSecond, batches } = await manyEntries(base);
  rows.push({
    what: 'entries accepted durably, 4 terminals, batches of 200',
    median: perSecond,
    p95: perSecond,
    target: 2_000,
    ratio: 2_000 / perSecond,
    unit: '/s',
  });
  row('… a batch of 200', batches, 1_000, 'ms');
  const { page, balance } = await millionEntries(base, cluster);
  row('job page of a job with a million entries', page, 100, 'ms');
  row('its reconciliation, 400 piles', balance, 200, 'ms');
}

/** Fifty editors, the news of their saves, and an import. */
async function benchDesk(base) {
  const { spec } = JSON.parse(readFileSync(`${ROOT}/demo/orders.json`, 'utf8'))[0];
  const { saves, events } = await fiftyEditors(base, spec);
  row('a save, 50 editors on 50 jobs', saves, 150, 'ms');
  row('… until another browser hears of it', events, 500, 'ms');
  const { seconds, told } = await bigImport(base);
  row(`import of 10,000 orders from a CSV, told ${told} times how far`, [seconds], 20, 's');
}

/** Works on the demo, served from a database of its own, by a server started anew after the demo was entered. */
async function onDemo(work) {
  const cluster = await new Cluster('bench', 0).start();
  cluster.dropDatabase('druckerei_bench');
  const urls = cluster.database('druckerei_bench');
  const port = await freePort();
  const env = {
    PORT: String(port),
    DATABASE_URL: urls.app,
    OWNER_DATABASE_URL: urls.owner,
    FIRST_START: `${ROOT}/demo/first-start.json`,
    DEMO: '1',
    LOG_LEVEL: 'error',
  };
  let server = startServer(env);
  try {
    await server.ready;
    const base = `http://127.0.0.1:${port}`;
    await loadDemo(base);
    await new Promise((r) => setTimeout(r, 5_000));
    const worked = residentMb(server.child.pid);
    await server.stop();
    server = startServer(env);
    await server.ready;
    await new Promise((r) => setTimeout(r, 5_000));
    await work(base, { idle: residentMb(server.child.pid), worked }, cluster, urls);
  } finally {
    await server.stop();
    cluster.stop();
  }
}

/** Ink, register and separations: what the desks before the press reckon. */
async function benchPressroom() {
  const out = `${ROOT}/server/dist/bench-pressroom.mjs`;
  await bundle({
    stdin: { contents: `export * from './core/src/index'; export * from './core/src/planning';`, resolveDir: ROOT },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: out,
    tsconfig: `${ROOT}/tsconfig.base.json`,
  });
  const core = await import(out);
  const timed = (times, warm, work) => {
    const list = [];
    for (let i = 0; i < times + warm; i++) {
      const t = performance.now();
      work(i);
      if (i >= warm) list.push(performance.now() - t);
    }
    return list;
  };
  const stock = core.usualPaper('gloss');
  const ask = (bases, lab, most) => ({ bases, target: { lab }, stock, filmGsm: 1.2, most, wish: 1, leftOverShare: 0, neededKg: 5 });
  const forty = core.randomBases(40, 5);
  row(
    'recipe match over 40 base inks, 4 in a recipe',
    timed(20, 3, (i) => core.matchRecipes(ask(forty, [35 + 2 * i, 20 - 2 * i, i], 4))),
    300,
    'ms',
  );
  row(
    'recipe match over 10 base inks, 3 in a recipe, all looked at',
    timed(5, 1, (i) => core.matchRecipes(ask(core.INVENTED_BASES.slice(0, 10), [50 + 3 * i, 10, 20], 3))),
    8_000,
    'ms',
  );
  const sheet = [1000, 700];
  const random = core.seeded(3);
  const marks = Array.from({ length: 200 }, (_, i) => ({ id: `m${i}`, xMm: 1000 * random(), yMm: 700 * random() }));
  const readings = marks.map((m) => ({
    mark: m.id,
    dxMm: 0.1 + 0.02 * (random() - 0.5),
    dyMm: 0.05 + (0.1 * m.xMm) / 1000 + 0.02 * (random() - 0.5),
  }));
  row(
    'register fit of 200 marks',
    timed(200, 40, () => core.fitRegister(marks, readings, sheet)),
    5,
    'ms',
  );
  const colours = ['C', 'M', 'Y'].map((ink) => ({ ink, readings: readings.slice(0, 8) }));
  row(
    'vector and loupe drawing, reckoned',
    timed(
      200,
      40,
      () => (
        core.vectorScene(marks.slice(0, 8), colours, sheet, { toleranceMm: 0.08, aside: [] }),
        core.loupeScene('K', [{ ink: 'C', dxMm: 0.1, dyMm: 0.2 }])
      ),
    ),
    8,
    'ms',
  );
  const dir = mkdtempSync(`${tmpdir()}/bench-`);
  try {
    for (const [what, bytes, inks, s, mb] of [
      ['separation of 100 megapixels, PNG', largePng(10_000), 1, 3, 150],
      ['separation of 100 megapixels, TIFF, plain strips', largeTiff(10_000), 1, 3, 300],
      // A target of our own.
      ['four plates of a PDF page of 1.8 megapixels', readFileSync(`${ROOT}/demo/separations/menu.pdf`), 4, 5, 400],
    ]) {
      writeFileSync(`${dir}/separation`, bytes);
      const runs = [];
      for (let i = 0; i < 5; i++) runs.push(await readLarge(`${dir}/separation`, ['K', 'C', 'M', 'Y'].slice(0, inks)));
      row(
        what,
        runs.map((r) => r.s),
        s,
        's',
      );
      row(
        `${what}: memory`,
        runs.map((r) => r.mb),
        mb,
        'MB',
      );
    }
  } finally {
    rmSync(dir, { recursive: true });
  }
}

function residentMb(pid) {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
}

async function benchBrowser(executablePath, base, { idle, worked }) {
  row('server idle, resident memory', [idle], 200, 'MB');
  row('… after it entered the demo, a PDF among it', [worked], 500, 'MB');
  const { chromium } = createRequire(`${ROOT}/e2e/package.json`)('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] });
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  let scripts = new Set();
  page.on('response', (r) => {
    if (/\.js$/.test(new URL(r.url()).pathname)) scripts.add(new URL(r.url()).pathname);
  });
  await page.goto(base);
  await page.getByLabel('Name').fill('anselm');
  await page.getByLabel('Password').fill('paper-river-24');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('link', { name: 'Winter concert card' }).waitFor();
  const weigh = () =>
    [...scripts].reduce((sum, p) => sum + gzipSync(readFileSync(`${ROOT}/web/dist/browser${p}`), { level: 9 }).length / 1024, 0);
  row('first load: scripts to the list of orders, gzip', [weigh()], 400, 'kB');
  await page.getByRole('link', { name: 'Winter concert card' }).click();
  await page.getByRole('button', { name: /^Quantity,/ }).click();
  row('scripts once a job is open (plan worker too), gzip', [weigh()], 400, 'kB');
  const input = page.getByRole('textbox', { name: 'Quantity' });
  const redraws = [];
  for (let i = 0; i < 60; i++) {
    await input.evaluate(
      (el, text) => {
        const band = document.querySelector('path.band');
        const sheets = document.querySelector('footer dk-figure');
        window.redrawn = new Promise((resolve) => {
          const from = performance.now();
          const seen = new MutationObserver(() => {
            seen.disconnect();
            requestAnimationFrame(() => resolve(performance.now() - from));
          });
          seen.observe(band, { attributes: true });
          seen.observe(sheets, { subtree: true, characterData: true, childList: true });
          el.value = text;
          el.dispatchEvent(new Event('input'));
        });
      },
      String(9_000 + i * 131),
    );
    redraws.push(await page.evaluate(() => window.redrawn));
    await page.waitForTimeout(60);
  }
  row('key press to redrawn river, Chromium', redraws.slice(10), 100, 'ms');
  await drawingFrames(page);
  await boardFrames(page);
  await browser.close();
}

/** The browser's own counter of main-thread work, ms since it was begun. */
async function busyOf(page) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable', { timeDomain: 'threadTicks' });
  return async () => 1000 * (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration').value;
}

/** Main-thread work of a redrawn loupe, and of the vectors when the desk opens another reading: what the browser's own counter says between two clicks. */
async function drawingFrames(page) {
  const busyMs = await busyOf(page);
  await page.goto(`${new URL(page.url()).origin}/register/practice`);
  await page.getByRole('button', { name: 'Shifts only' }).click();
  const marks = page.getByRole('group', { name: 'Mark' }).getByRole('button');
  const clicked = async (of) => {
    const frames = [];
    for (let i = 0; i < 60; i++) {
      const before = await busyMs();
      await of(i).evaluate((el) => el.click());
      await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
      frames.push((await busyMs()) - before);
    }
    return frames.slice(10);
  };
  // A click on a heading redraws nothing: what asking the browser costs.
  const asking = (await clicked(() => page.locator('h1').first())).sort((a, b) => a - b)[25];
  const frames = await clicked((i) => marks.nth(i % 8));
  row(
    'loupe redrawn: main-thread work with style, layout and paint, Chromium',
    frames.map((f) => f - asking),
    8,
    'ms',
  );
}

/** Frames of a board of 3,000 bars in a month's view while it is scrolled: from each to the next, and main-thread work in each. */
async function boardFrames(page) {
  const busyMs = await busyOf(page);
  // The demo's bars again and again, a little later each time.
  await page.route(/\/api\/board($|\?)/, async (route) => {
    const reply = await route.fetch();
    const board = await reply.json();
    const many = Array.from({ length: 3_000 }, (_, i) => {
      const bar = board.bars[i % board.bars.length];
      const round = Math.floor(i / board.bars.length);
      const by = round * 5_400;
      const moments = Object.fromEntries(['start', 'makeReadyAt', 'runAt', 'end'].map((key) => [key, bar[key] + by]));
      return { ...bar, ...moments, work: round === 0 ? bar.work : `${bar.work} ${round}` };
    });
    await route.fulfill({ response: reply, json: { ...board, bars: many } });
  });
  await page.goto(`${new URL(page.url()).origin}/board`);
  await page.getByRole('radio', { name: 'Month' }).click();
  await page.waitForTimeout(1_000);
  const before = await busyMs();
  const apart = await page.evaluate(
    () =>
      new Promise((resolve) => {
        const scroll = document.querySelector('dk-board-drawing .scroll');
        const frames = [];
        let last = null;
        const frame = (at) => {
          if (last !== null) frames.push(at - last);
          last = at;
          if (frames.length === 120) return resolve(frames);
          scroll.scrollLeft = (frames.length * 7) % 400;
          scroll.scrollTop = (frames.length * 5) % 300;
          requestAnimationFrame(frame);
        };
        requestAnimationFrame(frame);
      }),
  );
  row('board of 3,000 bars scrolled: from frame to frame, Chromium without a graphics card', apart, 33, 'ms');
  row('… main-thread work in each', [((await busyMs()) - before) / apart.length], 33, 'ms');
  await page.unroute(/\/api\/board($|\?)/);
}

/** A hundred users at their pages, with a hundred thousand orders in the list. */
async function benchLoad(base, cluster, urls) {
  manyOrders(cluster, 'druckerei_bench');
  const { orders, pool, places } = await inTheList(urls);
  const { rows: demo } = await pool.query(`select j.id from jobs j join specs s on s.job = j.id and s.version = j.version where j.alt = 0`);
  await pool.end();
  const { call, entry } = await onFloor(base);
  // Terminals stand at machines, each with a job of its own.
  const { machines } = await call('GET', '/api/floor');
  const atMachines = machines.flatMap(({ step, next }) =>
    [step, next].filter((s) => s !== null).map(({ job, step: id, machine }) => ({ job, step: id, machine })),
  );
  const { took, perSecond } = await fullHouse(base, {
    spec: JSON.parse(readFileSync(`${ROOT}/demo/orders.json`, 'utf8'))[0].spec,
    planner: { name: 'anselm', password: 'paper-river-24' },
    jobs: demo.map((j) => j.id),
    places: places.slice(0, -2).map((at) => orders.cursorOf(at.key, at.number)),
    floor: (n) => {
      const here = atMachines[n % atMachines.length];
      return { device: `load ${here.machine}`, sentAt: Date.now() / 1000, entries: [entry(here), entry(here)] };
    },
  });
  row('100 users, 69 requests a second: all', Object.values(took).flat(), 200, 'ms');
  for (const [kind, list] of Object.entries(took)) row(`… ${kind}`, list, 200, 'ms');
  rows.push({ what: '… the most it answers', median: perSecond, p95: perSecond, target: 150, ratio: perSecond / 150, unit: '/s' });
}

/** Places all over the long list, so that the deep pages are in a figure, and the program's own words for a page. */
async function inTheList(urls) {
  const out = `${ROOT}/server/dist/bench-orders.mjs`;
  await bundle({
    stdin: {
      contents: `export * from './server/src/orders/orders.queries'; export * from './server/src/orders/order-list';`,
      resolveDir: ROOT,
    },
    bundle: true,
    platform: 'node',
    format: 'esm',
    external: ['zod', 'pg'],
    outfile: out,
    tsconfig: `${ROOT}/tsconfig.base.json`,
  });
  const pg = createRequire(`${ROOT}/server/package.json`)('pg');
  const pool = new pg.Pool({ connectionString: urls.app, max: 10 });
  const { rows: places } = await pool.query(`select due_at::text as key, number from jobs where number % 997 = 0 order by due_at, number`);
  return { orders: await import(out), pool, places };
}

/** A page of 100 out of 100,000 orders through the API, against the same statement through pg alone. */
async function benchOrders(base, cluster, urls) {
  manyOrders(cluster, 'druckerei_bench');
  const { orders, pool, places } = await inTheList(urls);
  const { ORDER_PAGES, chosenBy, cursorOf } = orders;
  const signIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' },
    body: JSON.stringify({ name: 'anselm', password: 'paper-river-24' }),
  });
  const cookie = signIn.headers.getSetCookie()[0].split(';')[0];
  // A plain client that keeps its connections: what is measured is the server, not the client's conveniences.
  const agent = new Agent({ keepAlive: true, maxSockets: 16 });
  const ask = (path) =>
    new Promise((resolve, reject) => {
      get(`${base}${path}`, { agent, headers: { cookie, 'accept-encoding': 'gzip' } }, (res) => {
        if (res.statusCode !== 200) reject(new Error(`${path} answered ${res.statusCode}`));
        res.resume().on('end', resolve);
      }).on('error', reject);
    });
  const ways = {
    api: (at) => ask(`/api/orders?after=${cursorOf(at.key, at.number)}`),
    pg: async (at) => {
      const { rows } = await pool.query(ORDER_PAGES.due(chosenBy({})).sql, [...chosenBy({}), at.key, at.number, 100]);
      JSON.stringify(rows);
    },
  };
  // A server that has been up for a while: the first pages are slower until its code is compiled.
  for (let i = 0; i < 400; i++) await ways.api(places[i % (places.length - 2)]);
  for (const clients of [1, 16]) {
    const p95 = {};
    for (const [name, read] of Object.entries(ways)) {
      const took = [];
      await Promise.all(
        Array.from({ length: clients }, async (_, c) => {
          for (let i = 0; i < 320 / clients + 10; i++) {
            const from = performance.now();
            await read(places[(c * 37 + i * 11) % (places.length - 2)]);
            if (i >= 10) took.push(performance.now() - from);
          }
        }),
      );
      p95[name] = quantile(took, 0.95);
      row(
        `page of 100 orders of 100,000, ${clients} at once, ${name === 'api' ? 'through the API' : 'the statement alone, as JSON'}`,
        took,
        50,
        'ms',
      );
    }
    rows.push({
      what: `… the API above the statement, ${clients} at once`,
      median: p95.api - p95.pg,
      p95: p95.api - p95.pg,
      target: 8,
      ratio: (p95.api - p95.pg) / 8,
      unit: 'ms',
    });
  }
  const took = [];
  for (const find of ['find=concert', 'find=part%2099', 'state=blocked', 'find=choir&sort=customer', 'find=part&sort=newest'])
    for (let i = 0; i < 20; i++) {
      const from = performance.now();
      await ask(`/api/orders?${find}`);
      took.push(performance.now() - from);
    }
  row('finding and choosing among 100,000 orders, a page of 100', took, 50, 'ms');
  const sums = [];
  for (let i = 0; i < 20; i++) {
    const from = performance.now();
    await ask('/api/orders/totals');
    sums.push(performance.now() - from);
  }
  row('sums over 100,000 orders', sums, 200, 'ms');
  await pool.end();
  agent.destroy();
}
