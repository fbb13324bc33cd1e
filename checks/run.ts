// npm run checks -- [--quick] FILE...: puts published cases through core's public functions. It knows kinds and tolerances, never answers.
// --quick, as npm test runs it, searches a sixth as long where something is searched for, and lets the result be twice as far off.
import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import * as z from 'zod';
import {
  anyLayout,
  bookPage,
  type FoldProgram,
  halvesOf,
  isProved,
  numbered,
  oneFormPlate,
  signatureOf,
  BASIC_SIZES_IN,
  blockMm,
  caliperUm,
  creepMm,
  deltaE2000,
  type CutTree,
  densityKgPerM3,
  gangForms,
  type GangPlan,
  gsmFromBasisWeight,
  guillotineCount,
  isoSize,
  KG_PER_POUND,
  METRE_MASS,
  mWeightPounds,
  pagesPerInch,
  ROLL_LENGTH_BY_DIAMETER,
  ROLL_LENGTH_BY_MASS,
  rollDiameterMm,
  sheetMassKg,
  sheetsInHeight,
  sheetsOfWeb,
  spineMm,
  turnsOnRoll,
} from '@druckerei/core';
import { type JobShop, shortestShop } from '@druckerei/core/board';

const Case = z.object({
  id: z.string(),
  source: z.string(),
  data: z.record(z.string(), z.unknown()),
  answer: z.record(z.string(), z.unknown()),
});
const CheckFile = z.object({ topic: z.string(), cases: z.array(z.unknown()) });
type Case = z.infer<typeof Case>;

/** One expectation of a case: how it is named, what was expected, what core got, and how near is near enough (0: exact). */
interface Compared {
  what: string;
  expected: unknown;
  got: unknown;
  relative: number;
  /** Near enough by so much, whatever is expected. */
  absolute?: number;
}
type Kind = (data: Record<string, unknown>, answer: Record<string, unknown>) => Compared[];

const n = z.number();
const near = (what: string, expected: unknown, got: unknown): Compared => ({ what, expected, got, relative: 1e-4 });
const exact = (what: string, expected: unknown, got: unknown): Compared => ({ what, expected, got, relative: 0 });
/** Compares only what the case asks for: other fields of its answer are the source's own notes. */
const asked = (answer: Record<string, unknown>, all: Record<string, () => Compared>): Compared[] =>
  Object.entries(all)
    .filter(([key]) => key in answer)
    .map(([, make]) => make());

const isQuick = process.argv.includes('--quick');
/** Moves of a search of a job shop: about 20 s on two cores, or 3. */
const SHOP_MOVES = isQuick ? 500_000 : 3_000_000;
/** Up to so many operations the optimum is wanted; up to so many, so near to it; beyond, the gap is only shown. */
const [SMALL_SHOP, MIDDLE_SHOP, SHOP_GAP] = [36, 150, isQuick ? 0.04 : 0.02];

const KINDS: Record<string, Kind> = {
  'jobshop/jobshop': (data, answer) => {
    const operations: JobShop = z.array(z.array(z.tuple([n, n]))).parse(data['operations']);
    const optimum = n.parse(answer['optimalMakespan']);
    const size = operations.reduce((sum, job) => sum + job.length, 0);
    const { starts } = shortestShop(operations, 1, SHOP_MOVES);
    const makespan = madeBy(operations, starts);
    const gap = size <= SMALL_SHOP ? 0 : size <= MIDDLE_SHOP ? SHOP_GAP : Infinity;
    return [
      { what: 'optimalMakespan', expected: optimum, got: makespan, relative: gap },
      exact('none is shorter', true, makespan >= optimum),
    ];
  },
  'paper/size': (data, answer) => {
    const size = isoSize(z.string().parse(data['name']));
    return [exact('widthMm', answer['widthMm'], size?.widthMm), exact('heightMm', answer['heightMm'], size?.heightMm)];
  },
  'paper/basisWeight': (data, answer) => {
    const { grade, pounds, basicSizeIn, reamSheets } = z
      .object({ grade: z.string(), pounds: n, basicSizeIn: z.tuple([n, n]).optional(), reamSheets: n.optional() })
      .parse(data);
    const known = BASIC_SIZES_IN[grade];
    if (!known) throw new Error(`unknown paper class ${grade}`);
    // A case may state its own basic size and ream: the definition holds for those as well.
    const [w, h] = basicSizeIn ?? known;
    const gsm = gsmFromBasisWeight(grade, pounds) * ((known[0] * known[1]) / (w * h)) * (500 / (reamSheets ?? 500));
    return asked(answer, {
      gsm: () => near('gsm', answer['gsm'], gsm),
      gsmRounded1: () => exact('gsmRounded1', answer['gsmRounded1'], Math.round(gsm * 10) / 10),
      factorGsmPerLb: () => near('factorGsmPerLb', answer['factorGsmPerLb'], gsm / pounds),
    });
  },
  'paper/mWeight': (data, answer) => {
    const { grade, pounds, sheetIn } = z.object({ grade: z.string(), pounds: n, sheetIn: z.tuple([n, n]) }).parse(data);
    const lb = mWeightPounds(grade, pounds, sheetIn);
    return asked(answer, {
      poundsPer1000: () => near('poundsPer1000', answer['poundsPer1000'], lb),
      kgPer1000: () => near('kgPer1000', answer['kgPer1000'], lb * KG_PER_POUND),
    });
  },
  'paper/caliper': (data, answer) => {
    const { gsm, bulkCm3PerG } = z.object({ gsm: n, bulkCm3PerG: n }).parse(data);
    const um = caliperUm({ gsm, bulkCm3PerG });
    return asked(answer, {
      caliperMicron: () => near('caliperMicron', answer['caliperMicron'], um),
      densityKgM3: () => near('densityKgM3', answer['densityKgM3'], densityKgPerM3(bulkCm3PerG)),
      pagesPerInch: () => near('pagesPerInch', answer['pagesPerInch'], pagesPerInch(um)),
    });
  },
  'paper/mass': (data, answer) => {
    const t = z.object({ gsm: n, widthMm: n, heightMm: n, sheets: n }).parse(data);
    return [near('kg', answer['kg'], sheetMassKg(t))];
  },
  'geometry/rollLength': (data, answer) => {
    const t = z.object({ outerDiameterMm: n, coreDiameterMm: n, caliperMicron: n }).parse(data);
    const roll = { diameterMm: t.outerDiameterMm, coreMm: t.coreDiameterMm, caliperUm: t.caliperMicron };
    return asked(answer, {
      lengthM: () => near('lengthM', answer['lengthM'], ROLL_LENGTH_BY_DIAMETER.of(roll)),
      turnsApprox: () => near('turnsApprox', answer['turnsApprox'], turnsOnRoll(roll)),
    });
  },
  'geometry/rollDiameter': (data, answer) => {
    const t = z.object({ lengthM: n, coreDiameterMm: n, caliperMicron: n }).parse(data);
    const diameter = rollDiameterMm({ lengthM: t.lengthM, coreMm: t.coreDiameterMm, caliperUm: t.caliperMicron });
    return [near('outerDiameterMm', answer['outerDiameterMm'], diameter)];
  },
  'geometry/lengthFromMass': (data, answer) => {
    const { massKg, gsm, webWidthM } = z.object({ massKg: n, gsm: n, webWidthM: n }).parse(data);
    const length = ROLL_LENGTH_BY_MASS.of({ rollKg: massKg, coreKg: 0, gsm, widthMm: webWidthM * 1000 });
    return [near('lengthM', answer['lengthM'], length)];
  },
  'geometry/rollMass': (data, answer) => {
    const t = z.object({ outerDiameterMm: n, coreDiameterMm: n, webWidthM: n, gsm: n, bulkCm3PerG: n }).parse(data);
    const lengthM = ROLL_LENGTH_BY_DIAMETER.of({
      diameterMm: t.outerDiameterMm,
      coreMm: t.coreDiameterMm,
      caliperUm: caliperUm({ gsm: t.gsm, bulkCm3PerG: t.bulkCm3PerG }),
    });
    return asked(answer, {
      lengthM: () => near('lengthM', answer['lengthM'], lengthM),
      massKg: () => near('massKg', answer['massKg'], lengthM * METRE_MASS.of({ gsm: t.gsm, widthMm: t.webWidthM * 1000 })),
    });
  },
  'geometry/spine': (data, answer) => {
    const t = z.object({ pages: n, gsm: n, bulkCm3PerG: n, coverCaliperMm: n }).parse(data);
    const block = blockMm(t.pages, caliperUm(t));
    return asked(answer, {
      blockMm: () => near('blockMm', answer['blockMm'], block),
      spineMm: () => near('spineMm', answer['spineMm'], spineMm({ block, coverCaliperMm: t.coverCaliperMm })),
    });
  },
  'geometry/creep': (data, answer) => {
    const t = z.object({ nestedSheets: n.int(), gsm: n, bulkCm3PerG: n }).parse(data);
    const um = caliperUm(t);
    const calipersUm = Array.from({ length: t.nestedSheets }, () => um);
    const pushed = (level: number, school?: 'round'): number => creepMm({ calipersUm, level, ...(school && { school }) });
    const last = t.nestedSheets - 1;
    return asked(answer, {
      caliperMm: () => near('caliperMm', answer['caliperMm'], um / 1000),
      flatModelTotalMm: () => near('flatModelTotalMm', answer['flatModelTotalMm'], pushed(last)),
      flatModelPerSheetMm: () => {
        const each = z.array(n).parse(answer['flatModelPerSheetMm']);
        const off = each.filter((mm, k) => Math.abs(mm - pushed(k)) > 1e-4 * Math.max(mm, 1e-9)).length;
        return exact('flatModelPerSheetMm, off', 0, each.length === t.nestedSheets ? off : NaN);
      },
      halfCircleTotalMm: () => near('halfCircleTotalMm', answer['halfCircleTotalMm'], pushed(last, 'round')),
    });
  },
  'geometry/pile': (data, answer) => {
    const t = z.object({ pileHeightMm: n, gsm: n, bulkCm3PerG: n }).parse(data);
    const um = caliperUm(t);
    return asked(answer, {
      caliperMm: () => near('caliperMm', answer['caliperMm'], um / 1000),
      sheets: () => exact('sheets', answer['sheets'], sheetsInHeight(t.pileHeightMm, um)),
    });
  },
  'geometry/cutoffs': (data, answer) => {
    const t = z.object({ webLengthM: n, cutoffM: n, wasteFraction: n }).parse(data);
    const sheets = sheetsOfWeb({ webM: t.webLengthM, cutOffM: t.cutoffM, wastePpm: t.wasteFraction * 1e6 });
    return [exact('sheets', answer['sheets'], sheets)];
  },
  'ciede2000/ciede2000': (data, answer) => {
    const lab = z.tuple([n, n, n]);
    const optional = n.default(1);
    const { lab1, lab2, kL, kC, kH } = z.object({ lab1: lab, lab2: lab, kL: optional, kC: optional, kH: optional }).parse(data);
    const absolute = z.number().parse(answer['tolerance'] ?? 1e-4);
    return [{ what: 'deltaE00', expected: answer['deltaE00'], got: deltaE2000(lab1, lab2, { kL, kC, kH }), relative: 0, absolute }];
  },
  'pallet-loading/any layout': (data, answer) => {
    const { L, W, l, w, rotate90 = true } = z.object({ L: n, W: n, l: n, w: n, rotate90: z.boolean().optional() }).parse(data);
    const found = anyLayout({ width: L, height: W, pieceWidth: l, pieceHeight: w, mayTurn: rotate90, iterations: SEARCH_ITERATIONS });
    return [
      exact('maxBoxes', answer['maxBoxes'], found.count),
      exact('laid inside, none over another', found.count, laid(found.places, L, W, l, w)),
    ];
  },
  'pallet-loading/guillotine': (data, answer) => {
    const { L, W, l, w, rotate90 = true } = z.object({ L: n, W: n, l: n, w: n, rotate90: z.boolean().optional() }).parse(data);
    const layout = guillotineCount({ width: L, height: W, pieceWidth: l, pieceHeight: w, mayTurn: rotate90 });
    return [
      exact('maxBoxesGuillotine', answer['maxBoxesGuillotine'], layout.count),
      exact('cuttable', layout.count, cuttable(layout.tree, L, W, l, w)),
    ];
  },
  'fold-and-imposition/signature': (data, answer) => {
    const program = programOf(data);
    const made = signatureOf(program);
    return [
      exact('front', answer['front'], made.front),
      exact('back', answer['back'], made.back),
      exact('folds', answer['foldsInOrder'] ?? program.steps.length, program.steps.length),
      exact('reads in order', true, isProved(made, program)),
    ];
  },
  'fold-and-imposition/work-and-turn': (data, answer) => oneForm('turn', data, answer),
  'fold-and-imposition/work-and-tumble': (data, answer) => oneForm('tumble', data, answer),
  'fold-and-imposition/sections': (data, answer) => {
    const { mode, totalPages, pagesPerSection } = z
      .object({ mode: z.enum(['nested', 'gathered']), totalPages: n, pagesPerSection: n })
      .parse(data);
    const nested = mode === 'nested';
    const made = signatureOf(programOf(data));
    const sections = Array.from({ length: totalPages / pagesPerSection }, (_, i) =>
      numbered(made, (k) =>
        bookPage({ k, sectionPages: pagesPerSection, outside: (i * pagesPerSection) / (nested ? 2 : 1), bookPages: totalPages, nested }),
      ),
    );
    return [exact('sections', answer['sections'], sections)];
  },
  'template-design/least pressings': (data, answer) => {
    const { slotsPerTemplate, demands } = z.object({ slotsPerTemplate: n, demands: z.array(n) }).parse(data);
    const asked = z.record(z.string(), n).parse(answer['minPressings']);
    const items = demands.map((needed, i) => ({ id: String(i), needed, most: null }));
    const mostForms = Math.max(...Object.keys(asked).map(Number));
    const range = z.tuple([n, n]).optional().parse(answer['threeTemplatesRange']);
    const found = gangForms({ items, places: slotsPerTemplate, mostForms: range ? 3 : mostForms, cost: pressings });
    const least = (forms: number): number => Math.min(...found.byForms.slice(0, forms).map((p) => (p ? pressings(p.runs) : Infinity)));
    const met = found.byForms.every((p) => p === null || meetsAll(p, items, slotsPerTemplate));
    // Beyond nine designs half a per cent above is near enough.
    const relative = demands.length > 9 ? 0.005 : 0;
    const three = range ? [exact('three in range', true, least(3) >= range[0] && least(3) <= range[1])] : [];
    return [
      ...Object.entries(asked).map(([forms, expected]) => ({ what: `${forms} forms`, expected, got: least(Number(forms)), relative })),
      ...three,
      exact('demands met', true, met),
    ];
  },
  'template-design/least cost': (data, answer) => {
    const { slotsPerTemplate, demands, costPerTemplate, costPerThousandPressings, maxTemplates } = z
      .object({ slotsPerTemplate: n, demands: z.array(n), costPerTemplate: n, costPerThousandPressings: n, maxTemplates: n })
      .parse(data);
    const items = demands.map((needed, i) => ({ id: String(i), needed, most: null }));
    const cost = (runs: readonly number[]): number => costPerTemplate * runs.length + costPerThousandPressings * pressings(runs);
    const found = gangForms({ items, places: slotsPerTemplate, mostForms: maxTemplates, cost });
    return [
      exact('templates', answer['templates'], found.best?.runs.length),
      near('totalCost', answer['totalCost'], found.best?.cost),
      exact('proved', true, found.proved),
    ];
  },
};

const fold = z.object({
  axis: z.enum(['V', 'H']),
  line: n,
  move: z.enum(['left', 'right', 'top', 'bottom']),
  dir: z.enum(['over', 'under']),
});
/** The program of a case: its sheet may be one of several on the plate. */
function programOf(data: Case['data']): FoldProgram {
  const read = z
    .object({ rows: n.optional(), cols: n.optional(), signatureRows: n.optional(), signatureCols: n.optional(), folds: z.array(fold) })
    .parse(data);
  const steps = read.folds.map((f): FoldProgram['steps'][number] => ({ do: 'fold', ...f }));
  return { rows: read.rows ?? read.signatureRows ?? 0, cols: read.cols ?? read.signatureCols ?? 0, steps };
}
/** One plate for both sides: laid out, printed on both sides, cut apart, and every half folded and read. */
function oneForm(style: 'turn' | 'tumble', data: Case['data'], answer: Case['answer']): Compared[] {
  const program = programOf(data);
  const form = oneFormPlate(signatureOf(program), style);
  return [
    exact('plate', answer['plate'], form),
    exact('copies a sheet', answer['copiesPerSheet'], halvesOf(form, style).length),
    exact(
      'each half reads in order',
      true,
      halvesOf(form, style).every((half) => isProved(half, program)),
    ),
  ];
}

const pressings = (runs: readonly number[]): number => runs.reduce((sum, r) => sum + r, 0);
/** Whether everybody has enough and no form more copies than places. */
const meetsAll = (plan: GangPlan, items: readonly { id: string; needed: number }[], places: number): boolean =>
  items.every(({ id, needed }) => plan.runs.reduce((sum, r, f) => sum + r * (plan.copies[id]?.[f] ?? 0), 0) >= needed) &&
  plan.runs.every((_, f) => items.reduce((sum, i) => sum + (plan.copies[i.id]?.[f] ?? 0), 0) <= places);

/** States of the search for any layout: a few seconds on one core for the hardest published instances. */
const SEARCH_ITERATIONS = 60_000;

/** Really lies: how many pieces there are, if each is inside and none over another; NaN else. */
function laid(places: readonly { x: number; y: number; turned: boolean }[], width: number, height: number, l: number, w: number): number {
  const boxes = places.map((p) => ({ x: p.x, y: p.y, w: p.turned ? w : l, h: p.turned ? l : w }));
  const inside = boxes.every((b) => b.x >= -1e-9 && b.y >= -1e-9 && b.x + b.w <= width + 1e-9 && b.y + b.h <= height + 1e-9);
  const over = boxes.some((a, i) =>
    boxes.slice(i + 1).some((b) => a.x < b.x + b.w - 1e-9 && b.x < a.x + a.w - 1e-9 && a.y < b.y + b.h - 1e-9 && b.y < a.y + a.h - 1e-9),
  );
  return inside && !over ? boxes.length : NaN;
}

/** The end of a schedule of a job shop that holds: every job in its order, nothing over another on a machine. NaN: it does not. */
function madeBy(shop: JobShop, starts: readonly (readonly number[])[]): number {
  const all = shop.flatMap((job, j) =>
    job.map(([machine, duration], o) => ({
      machine,
      from: starts[j]?.[o] ?? NaN,
      to: (starts[j]?.[o] ?? NaN) + duration,
      after: o > 0 ? (starts[j]?.[o - 1] ?? NaN) + (job[o - 1]?.[1] ?? 0) : 0,
    })),
  );
  const holds = all.every(
    (a, i) => a.from >= a.after && all.slice(i + 1).every((b) => a.machine !== b.machine || a.to <= b.from || b.to <= a.from),
  );
  return holds ? Math.max(...all.map((a) => a.to)) : NaN;
}

/** Really cuts: walks the cuts, checks that every cut lies inside its rectangle and every block in what is left, and counts the pieces. */
function cuttable(tree: CutTree, width: number, height: number, l: number, w: number): number {
  if (tree.kind === 'waste') return 0;
  if (tree.kind === 'block') {
    const [a, b] = tree.turned ? [w, l] : [l, w];
    return tree.nx * a <= width + 1e-9 && tree.ny * b <= height + 1e-9 ? tree.nx * tree.ny : NaN;
  }
  const { across, at, first, second } = tree;
  if (!(at > 0 && at < (across === 'x' ? width : height))) return NaN;
  return across === 'x'
    ? cuttable(first, at, height, l, w) + cuttable(second, width - at, height, l, w)
    : cuttable(first, width, at, l, w) + cuttable(second, width, height - at, l, w);
}

const agrees = ({ expected, got, relative, absolute = 0 }: Compared): boolean =>
  typeof expected === 'number' && typeof got === 'number'
    ? Math.abs(got - expected) <= Math.max(relative * Math.abs(expected), absolute)
    : JSON.stringify(expected) === JSON.stringify(got);

/** The parts of a case: its sub-kind, or the halves of a topic that asks two things. */
function partsOf(topic: string, c: Case): string[] {
  if (topic === 'pallet-loading') return ['guillotine', 'any layout'];
  if (topic === 'template-design') return ['minPressings' in c.answer ? 'least pressings' : 'least cost'];
  return [typeof c.data['kind'] === 'string' ? c.data['kind'] : topic];
}

let passed = 0;
let failed = 0;
const print = (verdict: string, id: string, expected: string, got: string, ms: number, source: string): void => {
  process.stdout.write(`${verdict.padEnd(8)} ${id.padEnd(34)} expected ${expected}  got ${got}  ${ms.toFixed(2)} ms  ${source}\n`);
};

function runPart(topic: string, part: string, c: Case): void {
  const kind = KINDS[`${topic}/${part}`];
  const id = topic === 'pallet-loading' ? `${c.id} ${part}` : c.id;
  if (!kind) {
    failed++;
    return print('not yet', id, '–', `core does not do “${topic}/${part}”`, 0, c.source);
  }
  const from = performance.now();
  try {
    const compared = kind(c.data, c.answer);
    const ms = performance.now() - from;
    if (compared.length === 0) throw new Error('the case asks nothing this kind knows');
    const good = compared.every(agrees);
    good ? passed++ : failed++;
    print(
      good ? 'ok' : 'FAIL',
      id,
      compared.map((x) => `${x.what} ${JSON.stringify(x.expected)}`).join(', '),
      compared.map((x) => JSON.stringify(x.got)).join(', '),
      ms,
      c.source,
    );
  } catch (error) {
    failed++;
    print(
      'FAIL',
      id,
      JSON.stringify(c.answer).slice(0, 80),
      `unreadable: ${error instanceof Error ? error.message.replace(/\s+/g, ' ').slice(0, 160) : String(error)}`,
      performance.now() - from,
      c.source,
    );
  }
}

const files = process.argv.slice(2).filter((arg) => arg !== '--quick');
if (files.length === 0) {
  process.stderr.write('usage: npm run checks -- FILE...\n');
  process.exit(1);
}
for (const file of files) {
  try {
    const { topic, cases } = CheckFile.parse(JSON.parse(readFileSync(file, 'utf8')));
    for (const [i, raw] of cases.entries()) {
      const c = Case.safeParse(raw);
      if (!c.success) {
        failed++;
        print('FAIL', `${file} case ${i + 1}`, '–', 'the case cannot be read', 0, '');
        continue;
      }
      for (const part of partsOf(topic, c.data)) runPart(topic, part, c.data);
    }
  } catch (error) {
    failed++;
    print('FAIL', file, '–', `the file cannot be read: ${error instanceof Error ? error.message.slice(0, 200) : String(error)}`, 0, '');
  }
}
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exit(failed > 0 ? 1 : 0);
