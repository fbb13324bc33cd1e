import { toSVG } from 'bwip-js/node';
import svgToPdf from 'svg-to-pdfkit';
import {
  CAUTIONS,
  earlyThings,
  findingKey,
  findingTitle,
  formatDuration,
  formatFigure,
  formatMoment,
  formatNumber,
  type Item,
  type JobSpec,
  label,
  orderedQuantity,
  type PanelRow,
  paperScale,
  type Plant,
  type Scene,
  sceneSvg,
  type Shelf,
  stoneName,
  type TicketPage,
  ticketPages,
} from '@druckerei/core';
import { type Planned } from '@druckerei/core/planning';
import { type Font, MM, openPdf } from './open-pdf';

const PAGE = { left: 15, right: 195, top: 12, bottom: 282 };
const DRAWING = { x: 15, y: 62, w: 108, h: 86 };
/** Height of a line to fill in by hand. */
const BLANK_MM = 7.4;
/** How far down a page may be written on: above the caution, and where there is none. */
const FOOT = { withCaution: 252, plain: 278 } as const;

/** Widths of a table's columns, 180 mm in all, by the longest text of each; none narrower than its head's longest word. */
function widthsFor(head: readonly string[], rows: readonly (readonly string[])[]): number[] {
  const longest = head.map((h, i) => {
    const word = Math.max(...h.split(' ').map((w) => w.length), 3);
    return Math.min(Math.max(word, ...rows.map((r) => (r[i] ?? '').length)), 34) + 2;
  });
  const all = longest.reduce((a, b) => a + b, 0);
  return longest.map((n) => (180 * n) / all);
}

export interface TicketOf {
  number: number;
  version: number;
  customer: string;
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  planned: Planned;
  /** Null: a draft, and every page says so. Of parts: only those are set free, and every page says that. */
  release: { nr: number; at: number; by: string; reason: string; scope: string[] | null } | null;
}

/** The job ticket: A4, a page per department, drawings to a stated scale with a check bar, selectable text, a code to scan, cautions. Same input, same bytes. */
export async function ticketPdf(of: TicketOf): Promise<Uint8Array> {
  const { doc, bytes } = openPdf({ title: `Ticket ${of.number} ${of.spec.name}`, at: of.release?.at ?? of.shelf.asOf, sizeMm: 'A4' });
  const paper = new Paper(doc, of);
  const pages = ticketPages(of.planned);
  paper.cover();
  // What is released early is bought and made before the rest: its paper is the cover with the list.
  if (of.release?.scope) paper.early(of.release.scope);
  else for (const page of pages) paper.department(page);
  paper.numberPages();
  return bytes();
}

class Paper {
  private readonly place: { timeZone: string; currency: string };

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly of: TicketOf,
  ) {
    this.place = { timeZone: of.plant.timeZone, currency: of.plant.currency };
  }

  private text(
    s: string,
    xMm: number,
    yMm: number,
    sizePt: number,
    more: { font?: Font; width?: number; align?: 'left' | 'right' | 'center'; colour?: string } = {},
  ): void {
    const { font = 'Sans', width, align = 'left', colour = '#1F1E1B' } = more;
    this.doc
      .font(font)
      .fontSize(sizePt)
      .fillColor(colour)
      .text(s, xMm * MM, yMm * MM, { ...(width !== undefined && { width: width * MM }), align, lineBreak: width !== undefined });
  }

  private line(x1: number, y1: number, x2: number, y2: number, colour = '#DFD9CB', widthPt = 0.6): void {
    this.doc
      .moveTo(x1 * MM, y1 * MM)
      .lineTo(x2 * MM, y2 * MM)
      .lineWidth(widthPt)
      .strokeColor(colour)
      .stroke();
  }

  private figure(id: string): string {
    const f = this.of.planned.plan.figures[id];
    if (!f) return '–';
    const shown = formatFigure(f.value, f.unit, this.place);
    return `${shown.number}${shown.unit ? ` ${shown.unit}` : ''}`;
  }

  /** Items a page is about: those of its stone's product; all, where the orders still share their sheet. */
  private itemsOf(page: TicketPage | null): Item[] {
    const all = Object.values(this.of.spec.items);
    const own = all.filter((i) => i.product === page?.stone.product);
    return own.length > 0 ? own : all;
  }
  private isOfSeveral = (): boolean => new Set(Object.values(this.of.spec.items).map((i) => i.product)).size > 1;
  private wantedSays(items: readonly Item[]): string {
    const percent = (ppm: number): string => formatNumber(ppm / 10_000, 1);
    const [only, ...others] = items;
    const sum = formatNumber(items.reduce((n, i) => n + orderedQuantity(i), 0));
    if (!only || others.length > 0) return `${items.length} orders, ${sum} wanted`;
    const whose = this.isOfSeveral() ? `${only.product}: ` : '';
    return `${whose}${sum} wanted, −${percent(only.overs.underPpm)} / +${percent(only.overs.overPpm)} %`;
  }

  /** What every page carries: job, version, wanted and tolerance, code to scan; DRAFT across it before release. */
  private head(title: string, code: string): void {
    const { doc, of } = this;
    doc.addPage({ size: 'A4', margin: 0 });
    const across = of.release === null ? 'DRAFT' : of.release.scope ? 'PART' : null;
    if (across !== null) {
      doc.save().rotate(-52, { origin: [105 * MM, 150 * MM] });
      doc
        .font('Strong')
        .fontSize(150)
        .fillColor('#B4371F')
        .opacity(0.1)
        .text(across, 20 * MM, 125 * MM, { width: 170 * MM, align: 'center', lineBreak: false });
      doc.restore().opacity(1);
      this.text(across === 'DRAFT' ? 'DRAFT – not released' : 'Released in part only: what the list names, nothing else', PAGE.left, 8, 9, {
        font: 'Strong',
        colour: '#B4371F',
      });
    }
    this.text(`${of.number} · ${of.customer}`, PAGE.left, PAGE.top, 9.5, { colour: '#676257' });
    this.text(of.spec.name, PAGE.left, PAGE.top + 4.5, 17, { font: 'Serif', width: 140 });
    const wanted = this.wantedSays(this.itemsOf(this.on.page));
    this.text(`${wanted} · version ${of.version}`, PAGE.left, PAGE.top + 17, 9.5);
    const qr = toSVG({ bcid: 'qrcode', text: code, scale: 2 });
    svgToPdf(doc, qr, 172 * MM, 10 * MM, { width: 23 * MM, height: 23 * MM, assumePt: false });
    this.text(title, PAGE.left, 40, 15, { font: 'Serif' });
    this.line(PAGE.left, 38, PAGE.right, 38, '#1F1E1B', 0.9);
  }

  /** First page: the route at a glance, deliveries, what was decided. */
  cover(): void {
    const { of } = this;
    const { plan } = of.planned;
    this.begin('The route', `${of.number}/v${of.version}`);
    let y = 52;
    y = this.table(
      ['stone', 'machine', 'in', 'out', 'setup + run', 'starts', 'ends'],
      plan.stones.map((s) => [
        stoneName(s),
        s.machineName,
        s.in ? this.figure(s.in) : '–',
        s.out ? this.figure(s.out) : '–',
        formatDuration((plan.figures[s.setupS]?.value ?? 0) + (plan.figures[s.runS]?.value ?? 0)),
        this.figure(s.startAt),
        this.figure(s.endAt),
      ]),
      y,
      [28, 30, 24, 24, 26, 24, 24],
    );
    const totals = (Object.keys(plan.totals) as (keyof typeof plan.totals)[])
      .filter((k) => k !== 'chance')
      .map((k) => [label(`total.${k}`), this.figure(plan.totals[k] ?? '')]);
    y = this.table(['in all', ''], totals, this.room(y + 8, 20), [50, 50]);
    const deliveries = Object.values(of.spec.items).flatMap((i) =>
      i.deliveries.map((d) => [
        d.by.replace('T', ' '),
        formatNumber(Object.values(d.share).reduce((a, b) => a + b, 0)),
        d.to,
        ...(this.isOfSeveral() ? [i.product] : []),
      ]),
    );
    const columns = ['deliver by', 'pieces', 'to', ...(this.isOfSeveral() ? ['what'] : [])];
    if (deliveries.length > 0) y = this.table(columns, deliveries, y + 8, this.isOfSeveral() ? [34, 26, 80, 40] : [34, 26, 120]);
    const findings = plan.findings
      .filter((f) => f.level !== 'know')
      .map((f) => {
        const d = of.spec.decisions[findingKey(f)];
        return [findingTitle(f.code, f.args), d ? `${d.by}: ${d.reason}` : 'open'];
      });
    if (findings.length > 0) y = this.table(['finding', 'decided'], findings, y + 8, [80, 100]);
    this.text(
      of.release === null
        ? `Planned for ${formatMoment(of.shelf.asOf, this.place.timeZone)}; steps one after another, nobody else in the way.`
        : `Release ${of.release.nr}, ${formatMoment(of.release.at, this.place.timeZone)} by ${of.release.by}${of.release.reason ? `: ${of.release.reason}` : ''}.`,
      PAGE.left,
      this.room(y + 6, 10),
      9,
      { colour: '#676257', width: 180 },
    );
  }

  /** What is released before the rest: to buy and to make, what takes longest first. */
  early(scope: readonly string[]): void {
    this.begin('Released early', `${this.of.number}/v${this.of.version}/early`);
    const things = earlyThings(this.of.planned.plan, this.of.plant).filter((t) => scope.includes(t.id));
    this.table(
      ['what', 'how much', 'days to come'],
      things.map((t) => [t.name, `${formatNumber(t.amount)} ${t.unit}`, t.leadDays === 0 ? 'here' : formatNumber(t.leadDays, 1)]),
      52,
      [110, 40, 30],
    );
  }

  department(page: TicketPage): void {
    const title = `${label(`dept.${page.department}`)} – ${stoneName(page.stone)}`;
    this.begin(title, `${this.of.number}/v${this.of.version}/${page.stone.id}/${page.department}`, page);
    const right = page.drawings.length > 0 ? 128 : PAGE.left;
    const frameMm = page.drawings.length > 1 ? DRAWING.h * 0.62 : DRAWING.h;
    const drawn = page.drawings.reduce((y, scene) => this.drawing(scene, y, frameMm) + 4, DRAWING.y);
    let y = DRAWING.y;
    for (const row of [...this.counts(page), ...page.rows.map((r) => [this.rowLabel(r), this.rowValue(r)] as const)])
      y = this.row(row[0], row[1], right, page.drawings.length > 0 ? [29, 38] : [60, 118], y);
    y = Math.max(y, page.drawings.length > 0 && !this.on.continued ? drawn : y) + 5;
    for (const list of page.lists) {
      y = this.room(y, 16);
      this.text(label(list.title), PAGE.left, y, 11, { font: 'Serif' });
      y = this.table(list.head, list.rows, y + 6, widthsFor(list.head, list.rows)) + 6;
    }
    if (page.department === 'packing') y = this.deliveries(page, y);
    // What is to be filled in stays together: a page with one line to fill in is overlooked.
    y = this.room(y, page.blanks.length * BLANK_MM);
    for (const blank of page.blanks) {
      this.text(blank, PAGE.left, y, 9.5, { colour: '#676257' });
      this.line(PAGE.left + 75, y + 4.5, PAGE.right, y + 4.5);
      y += BLANK_MM;
    }
  }

  /** What a page says, and says again where it goes on: title, code, and of a department where its work goes and what to beware of. */
  private on: { title: string; code: string; page: TicketPage | null; continued: boolean } = {
    title: '',
    code: '',
    page: null,
    continued: false,
  };
  private begin(title: string, code: string, page: TicketPage | null = null, continued = false): void {
    this.on = { title, code, page, continued };
    this.head(continued ? `${title}, continued` : title, code);
    if (!page) return;
    this.text(
      `Machine ${page.stone.machineName} · next ${page.next ?? 'dispatch'}${page.waitUntil ? ` · next step not before ${this.figure(page.waitUntil)}` : ''}`,
      PAGE.left,
      48,
      10,
      { width: 180 },
    );
    this.cautions(page.stone.cautions);
  }
  /** The height to write at: here where so much room is left, else on a page that goes on. */
  private room(y: number, needMm: number): number {
    const { title, code, page } = this.on;
    if (y + needMm <= (page ? FOOT.withCaution : FOOT.plain)) return y;
    this.begin(title, code, page, true);
    return page ? DRAWING.y : 52;
  }
  /** A label and its value; both may wrap, and the next row begins below the longer one. */
  private row(name: string, value: string, x: number, [labelMm, valueMm]: [number, number], top: number): number {
    const high = (s: string, font: Font, mm: number): number =>
      this.doc
        .font(font)
        .fontSize(9.5)
        .heightOfString(s, { width: mm * MM }) / MM;
    const height = Math.max(high(name, 'Sans', labelMm), high(value, 'Strong', valueMm - 1), 4.4) + 1;
    const y = this.room(top, height);
    // On a page that goes on there is no drawing beside: rows take its whole width.
    const at = y === top ? x : PAGE.left;
    this.text(name, at, y, 9.5, { colour: '#676257', width: labelMm });
    this.text(value, at + labelMm + 1, y, 9.5, { font: 'Strong', width: valueMm - 1, align: x > PAGE.left && at === x ? 'right' : 'left' });
    return y + height;
  }

  private counts(page: TicketPage): [string, string][] {
    const { plan } = this.of.planned;
    const rows: [string, string][] = [];
    if (page.stone.in) rows.push(['Comes in', this.figure(page.stone.in)]);
    const [reserve] = page.stone.reserve;
    if (reserve) rows.push(['Of it reserve', `${this.figure(reserve.figure)}: bring back what is not needed`]);
    if (page.stone.out) rows.push(['Stop at', `${this.figure(page.stone.out)} good`]);
    const time = (plan.figures[page.stone.setupS]?.value ?? 0) + (plan.figures[page.stone.runS]?.value ?? 0);
    rows.push(
      ['Setup and run', formatDuration(time)],
      ['Starts', this.figure(page.stone.startAt)],
      ['Ends', this.figure(page.stone.endAt)],
    );
    return rows;
  }

  private rowLabel = (r: PanelRow): string => (r.figure !== undefined && r.text ? `${label(r.label)}, ${label(r.text)}` : label(r.label));
  private rowValue = (r: PanelRow): string => {
    if (r.figure === undefined) return label(r.text ?? '');
    const by = this.of.planned.plan.figures[r.figure]?.instead;
    return by ? `${this.figure(r.figure)} (set by hand, ${by.by}: ${by.reason})` : this.figure(r.figure);
  };

  private deliveries(page: TicketPage, y: number): number {
    const rows = this.itemsOf(page).flatMap((i) =>
      i.deliveries.map((d) => [
        d.by.replace('T', ' '),
        formatNumber(Object.values(d.share).reduce((a, b) => a + b, 0)),
        d.to,
        this.isOfSeveral() ? `${this.of.spec.name}: ${i.product}` : this.of.spec.name,
      ]),
    );
    if (rows.length === 0) return y;
    const top = this.room(y, 16);
    this.text(label('deliveries'), PAGE.left, top, 11, { font: 'Serif' });
    return this.table(['by', 'pieces', 'to', 'label text'], rows, top + 6, [30, 24, 76, 50]) + 6;
  }

  /** A drawing at the largest ISO 5455 scale that fits its frame; a bar of 100 mm (full size, or what it stands for) to check the printer by. Gives where it ends. */
  private drawing(scene: Scene, top: number, heightMm: number): number {
    const { doc } = this;
    const frame = { widthMm: DRAWING.w, heightMm };
    const scale = scene.toScale
      ? paperScale({ widthMm: scene.box.w, heightMm: scene.box.h }, frame)
      : Math.max(scene.box.w / frame.widthMm, scene.box.h / frame.heightMm);
    const [w, h] = [scene.box.w / scale, scene.box.h / scale];
    svgToPdf(doc, sceneSvg(scene, 0.25 * scale), DRAWING.x * MM, top * MM, {
      width: w * MM,
      height: h * MM,
      preserveAspectRatio: 'xMinYMin meet',
      assumePt: false,
      fontCallback: () => 'Sans',
    });
    if (!scene.toScale) return top + h;
    const y = top + h + 4;
    this.line(DRAWING.x, y, DRAWING.x + 100, y, '#1F1E1B', 1);
    for (const x of [0, 50, 100]) this.line(DRAWING.x + x, y - 1.5, DRAWING.x + x, y + 1.5, '#1F1E1B', 1);
    this.text(`Scale 1:${scale} · this bar is 100 mm on paper, ${formatNumber(100 * scale)} mm in the drawing`, DRAWING.x, y + 2, 8, {
      colour: '#676257',
    });
    return y + 7;
  }

  /** A table; what does not fit goes on on the next page, under its head again. No row is left out. */
  private table(head: readonly string[], rows: readonly (readonly string[])[], top: number, widths: readonly number[]): number {
    let y = top;
    const high = (row: readonly string[]): number =>
      Math.max(
        ...row.map(
          (cell, i) =>
            this.doc
              .font('Sans')
              .fontSize(9)
              .heightOfString(cell || ' ', { width: ((widths[i] ?? 20) - 1.5) * MM }) / MM,
        ),
      );
    const cells = (row: readonly string[], colour: string): void => {
      let x = PAGE.left;
      row.forEach((cell, i) => {
        if (cell !== '') this.text(cell, x, y, 9, { colour, width: (widths[i] ?? 20) - 1.5 });
        x += widths[i] ?? 20;
      });
      y += high(row) + 0.6;
    };
    cells(head, '#676257');
    for (const row of rows) {
      const at = this.room(y, high(row) + 2);
      if (at !== y) {
        y = at;
        cells(head, '#676257');
      }
      this.line(PAGE.left, y, PAGE.right, y);
      y += 0.8;
      cells(row, '#1F1E1B');
    }
    this.line(PAGE.left, y, PAGE.right, y);
    return y;
  }

  private cautions(ids: readonly string[]): void {
    if (ids.length === 0) return;
    this.line(PAGE.left, 254, PAGE.right, 254, '#8A5E00', 1);
    this.text('Caution', PAGE.left, 256, 10.5, { font: 'Strong', colour: '#8A5E00' });
    this.text(`${ids.map((id) => CAUTIONS[id] ?? id).join(' ')} ${CAUTIONS['defers']}`, PAGE.left + 20, 256, 9.5, { width: 158 });
  }

  numberPages(): void {
    const { start, count } = this.doc.bufferedPageRange();
    for (let i = start; i < start + count; i++) {
      this.doc.switchToPage(i);
      this.text(`Page ${i - start + 1} of ${count}`, PAGE.left, 285, 8.5, { width: 180, align: 'right', colour: '#676257' });
      this.text(this.of.plant.name, PAGE.left, 285, 8.5, { colour: '#676257' });
    }
  }
}
