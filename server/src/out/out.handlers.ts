import type { out } from '@druckerei/contract';
import { CAUTIONS, formatMoment, formatNumber, jobElements, label, type Plan, readJobElements } from '@druckerei/core';
import { many } from '../db/rows';
import { invalid, notFound } from '../errors';
import type { Handlers } from '../implement';
import { findJob, homeOf, type JobFound, planOf } from '../jobs/find-job';
import { momentOf } from '../plants/calendar';
import { plantInForce } from '../plants/read-plant';
import { PURCHASES } from '../stock/stock.queries';
import { GATES_SHUT } from '../today/today.queries';
import { calendarOf, type Dated } from './calendar';
import { drawingPdf } from './drawing-pdf';
import { fileName } from './file-name';
import { readXml, writeXml } from './job-xml';
import { NotePaper } from './note-paper';
import { DELIVERIES_DUE, INK_LOTS_OF_JOB, LOTS_OF_JOB } from './out.queries';

/** Dates that are sent at most, the next first. */
const MOST_DATES = 2_000;

export const outHandlers: Handlers<typeof out> = {
  'out.drawing': async ({ body }, ctx) => ({
    mime: 'application/pdf',
    name: `${fileName(body.title)}.pdf`,
    attached: true,
    bytes: await drawingPdf(body, ctx.now()),
  }),

  'out.calendar': async (_asked, ctx) => {
    const { plant } = await plantInForce(ctx.db);
    const due = await many(ctx.db, DELIVERIES_DUE, [MOST_DATES]);
    const jobs = new Map(due.map((d) => [d.job, d]));
    const gates = await many(ctx.db, GATES_SHUT, [[...jobs.keys()]]);
    const coming = await many(ctx.db, PURCHASES);
    const on = (local: string): number => momentOf(local, plant.timeZone) ?? 0;
    const dates: Dated[] = [
      ...due.map((d) => ({
        uid: `delivery-${d.job}-${d.item}-${d.nr}@druckerei`,
        title: `${d.number} ${d.title}: deliver ${formatNumber(d.quantity)}`,
        says: `${d.customer}. Ready as planned ${formatMoment(d.readyAt, plant.timeZone)}.`,
        place: d.address,
        at: d.due,
      })),
      ...[...jobs.values()].map((d) => ({
        uid: `ready-${d.job}@druckerei`,
        title: `${d.number} ${d.title}: ready`,
        says: `${d.customer}. As planned; it moves with the plan.`,
        at: d.readyAt,
      })),
      ...gates.map((g) => ({
        uid: `gate-${g.job}-${g.gate}-${g.version}@druckerei`,
        title: `${jobs.get(g.job)?.number ?? ''} ${jobs.get(g.job)?.title ?? ''}: ${label(`gate.${g.gate}`)} ${g.version}`.trim(),
        says: `Answer of ${g.who}.`,
        at: on(g.by),
      })),
      ...coming.map((p) => ({
        uid: `purchase-${p.id}@druckerei`,
        title: `${plant.stocks[p.stock]?.name ?? p.stock}: ${formatNumber(p.quantity)} come`,
        says: p.note,
        at: on(`${p.comesOn}T00:00`),
        allDay: true,
      })),
    ];
    return {
      mime: 'text/calendar; charset=utf-8',
      name: 'druckerei.ics',
      attached: true,
      bytes: Buffer.from(calendarOf(plant.name, dates.filter((d) => d.at > 0).slice(0, MOST_DATES), ctx.now())),
    };
  },

  'out.deliveryNote': async ({ params, query }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const item = Object.hasOwn(job.spec.items, query.item) ? job.spec.items[query.item] : undefined;
    const delivery = item?.deliveries[query.nr - 1];
    if (!item || !delivery) throw notFound('This delivery');
    const { plan } = await planOf(ctx.db, job, ctx.now());
    const pieces = Object.values(delivery.share).reduce((sum, n) => sum + n, 0);
    const paper = headed(job, `Delivery note ${job.number}-${query.nr}`, ctx.now());
    paper.fact('To', delivery.to || '–');
    paper.fact('By', delivery.by.replace('T', ' '));
    paper.fact('Customer', job.customer);
    paper.table(
      ['what', 'pieces'],
      Object.entries(delivery.share).map(([version, n]) => [
        [job.spec.name, Object.keys(item.versions).length > 1 ? (item.versions[version]?.name ?? version) : ''].filter(Boolean).join(', '),
        formatNumber(n),
      ]),
      [140, 30],
      [1],
    );
    const [perCarton, perLayer] = [rowValue(plan, 'perCarton'), rowValue(plan, 'perLayer')];
    if (perCarton > 0) {
      const cartons = Math.ceil(pieces / perCarton);
      paper.fact(
        'Cartons',
        `${formatNumber(cartons)} of ${formatNumber(perCarton)} pieces; the last holds ${formatNumber(pieces - (cartons - 1) * perCarton)}`,
      );
      if (perLayer > 0) paper.fact('A layer', `${formatNumber(perLayer)} cartons`);
    }
    paper.blanks('Cartons and pallets handed over', 'Received in good order, name', 'Date and signature');
    return { mime: 'application/pdf', name: `delivery-${job.number}-${query.nr}.pdf`, bytes: await paper.bytes() };
  },

  'out.lots': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const { plant } = await plantInForce(ctx.db);
    const home = homeOf(job);
    const [lots, inks] = [await many(ctx.db, LOTS_OF_JOB, [home]), await many(ctx.db, INK_LOTS_OF_JOB, [home])];
    const paper = headed(job, `Declaration of lots, job ${job.number}`, ctx.now());
    paper.fact('Product', job.spec.name);
    paper.fact('Customer', job.customer);
    paper.heading('Paper and goods');
    if (lots.length === 0) paper.text('No lot is on record for this job.', '#8A5E00');
    else
      paper.table(
        ['lot', 'what', 'whose', 'issued', 'taken in'],
        lots.map((l) => [
          l.lot,
          plant.stocks[l.stock ?? '']?.name ?? l.stock ?? 'not in the store',
          l.owner === null ? '–' : label(l.owner),
          l.issued > 0 ? formatNumber(l.issued) : '–',
          l.taken > 0 ? formatNumber(l.taken) : '–',
        ]),
        [36, 68, 26, 20, 20],
        [3, 4],
      );
    paper.heading('Inks mixed for it');
    if (inks.length === 0) paper.text('No ink was mixed for this job.');
    else
      paper.table(
        ['batch', 'ink', 'base', 'lot of the base', 'kg'],
        inks.map((i) => [String(i.batch), i.ink, i.base, i.lot || 'not noted', formatNumber(i.kg, 3)]),
        [18, 42, 50, 40, 20],
        [4],
      );
    paper.text(
      `As the works’ records stood on ${formatMoment(ctx.now(), plant.timeZone)}. It names lots; whether they suit a use is for those to say who answer for it under the law in force. ${CAUTIONS['defers'] ?? ''}`,
      '#676257',
    );
    paper.blanks('For the works, name', 'Date and signature');
    return { mime: 'application/pdf', name: `lots-${job.number}.pdf`, bytes: await paper.bytes() };
  },

  'out.jobXml': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return {
      mime: 'application/xml; charset=utf-8',
      name: `job-${job.number}.xml`,
      attached: true,
      bytes: Buffer.from(writeXml(jobElements(job.spec, { number: job.number, customer: job.customer }))),
    };
  },

  'out.readJobXml': ({ file }) => {
    const read = readJobElements(readXml(file));
    if (!read.ok) throw invalid(read.issues);
    const { spec, own, differences } = read;
    return Promise.resolve({ spec, own, differences });
  },
};

const headed = (job: JobFound, title: string, at: number): NotePaper =>
  new NotePaper(title, `${job.plantDocument.name} · ${job.number} · ${job.customer}`, at);

/** What a stone's panel says under a label; 0 where none does. */
function rowValue(plan: Plan, name: string): number {
  const id = plan.stones.flatMap((s) => s.panel).find((r) => r.label === name && r.figure !== undefined)?.figure;
  return (id === undefined ? undefined : plan.figures[id]?.value) ?? 0;
}
