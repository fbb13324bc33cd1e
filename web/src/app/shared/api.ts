import { say } from '@druckerei/core/words';
import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { catchError, type Observable, tap, throwError } from 'rxjs';
import type { Api, Problem, Replied, Sent } from '@druckerei/contract';
import { Line } from './line';

/** Method and path of every endpoint: the compiler keeps them equal to the contract; the browser need not carry its schemas. */
const ADDRESSES: { readonly [N in keyof Api]: readonly [Api[N]['method'], Api[N]['path']] } = {
  'session.signIn': ['post', '/api/session'],
  'session.me': ['get', '/api/session'],
  'session.units': ['put', '/api/session/units'],
  'session.password': ['put', '/api/session/password'],
  'session.signOut': ['delete', '/api/session'],
  'plants.current': ['get', '/api/plants/current'],
  'plants.history': ['get', '/api/plants/history'],
  'plants.read': ['get', '/api/plants/:hash'],
  'plants.try': ['post', '/api/plants/try'],
  'plants.accept': ['post', '/api/plants'],
  'people.list': ['get', '/api/people'],
  'people.record': ['get', '/api/people/record'],
  'keeping.read': ['get', '/api/keeping'],
  'today.read': ['get', '/api/today'],
  'people.create': ['post', '/api/people'],
  'people.change': ['put', '/api/people/:id'],
  'customers.list': ['get', '/api/customers'],
  'customers.create': ['post', '/api/customers'],
  'customers.last': ['get', '/api/customers/:id/last'],
  'orders.list': ['get', '/api/orders'],
  'orders.totals': ['get', '/api/orders/totals'],
  'orders.create': ['post', '/api/orders'],
  'orders.read': ['get', '/api/orders/:id'],
  'orders.csv': ['get', '/api/orders.csv'],
  'orders.json': ['get', '/api/orders.json'],
  'jobs.read': ['get', '/api/jobs/:id'],
  'jobs.edit': ['post', '/api/jobs/:id/edits'],
  'jobs.replant': ['post', '/api/jobs/:id/plant'],
  'jobs.release': ['post', '/api/jobs/:id/release'],
  'jobs.revise': ['post', '/api/jobs/:id/revise'],
  'jobs.withdraw': ['post', '/api/jobs/:id/withdraw'],
  'jobs.deliver': ['post', '/api/jobs/:id/deliver'],
  'jobs.answerGate': ['post', '/api/jobs/:id/answers'],
  'jobs.again': ['get', '/api/jobs/:id/again'],
  'jobs.alternatives': ['get', '/api/jobs/:id/alternatives'],
  'jobs.duplicate': ['post', '/api/jobs/:id/alternatives'],
  'jobs.choose': ['post', '/api/jobs/:id/choose'],
  'jobs.differences': ['get', '/api/jobs/:id/differences'],
  'jobs.history': ['get', '/api/jobs/:id/history'],
  'jobs.join': ['post', '/api/jobs/:id/join'],
  'jobs.makeTool': ['post', '/api/jobs/:id/tools'],
  'jobs.planCsv': ['get', '/api/jobs/:id/plan.csv'],
  'jobs.gangCsv': ['get', '/api/jobs/:id/gang.csv'],
  'jobs.pagesCsv': ['get', '/api/jobs/:id/pages.csv'],
  'jobs.pagesJson': ['get', '/api/jobs/:id/pages.json'],
  'jobs.hoppersCsv': ['get', '/api/jobs/:id/hoppers.csv'],
  'jobs.cutsCsv': ['get', '/api/jobs/:id/cuts.csv'],
  'jobs.casePiecesCsv': ['get', '/api/jobs/:id/case-pieces.csv'],
  'jobs.cylindersCsv': ['get', '/api/jobs/:id/cylinders.csv'],
  'jobs.readingsCsv': ['get', '/api/jobs/:id/readings.csv'],
  'jobs.figuresCsv': ['get', '/api/jobs/:id/figures.csv'],
  'jobs.planJson': ['get', '/api/jobs/:id/plan.json'],
  'jobs.specJson': ['get', '/api/jobs/:id/job.json'],
  'stock.read': ['get', '/api/stock'],
  'stock.addLot': ['post', '/api/lots'],
  'stock.moves': ['get', '/api/lots/:id/moves'],
  'stock.move': ['post', '/api/lots/:id/moves'],
  'stock.trim': ['post', '/api/lots/:id/trim'],
  'stock.reserve': ['post', '/api/reservations'],
  'stock.free': ['post', '/api/reservations/:id/free'],
  'stock.order': ['post', '/api/purchases'],
  'stock.cancelOrder': ['post', '/api/purchases/:id/cancel'],
  'floor.board': ['get', '/api/floor'],
  'floor.terminal': ['get', '/api/floor/machines/:id'],
  'floor.people': ['get', '/api/floor/people'],
  'floor.signOn': ['post', '/api/floor/sign-on'],
  'floor.send': ['post', '/api/floor/entries'],
  'floor.job': ['get', '/api/jobs/:id/floor'],
  'floor.csv': ['get', '/api/jobs/:id/log.csv'],
  'floor.scan': ['get', '/api/scan'],
  'floor.flag': ['get', '/api/piles/:id/flag.pdf'],
  'floor.shortage': ['get', '/api/jobs/:id/shortage'],
  'floor.child': ['post', '/api/jobs/:id/children'],
  'floor.learned': ['get', '/api/learned'],
  'dieLines.dxf': ['post', '/api/die-lines.dxf'],
  'dieLines.csv': ['post', '/api/die-lines.csv'],
  'dieLines.read': ['post', '/api/die-lines'],
  'out.drawing': ['post', '/api/drawings.pdf'],
  'out.calendar': ['get', '/api/calendar.ics'],
  'out.deliveryNote': ['get', '/api/jobs/:id/delivery-note.pdf'],
  'out.lots': ['get', '/api/jobs/:id/lots.pdf'],
  'out.jobXml': ['get', '/api/jobs/:id/job.xml'],
  'out.readJobXml': ['post', '/api/job-xml'],
  'logbook.read': ['get', '/api/logbook'],
  'logbook.csv': ['get', '/api/logbook.csv'],
  'board.read': ['get', '/api/board'],
  'board.csv': ['get', '/api/board.csv'],
  'board.ics': ['get', '/api/board.ics'],
  'board.search': ['post', '/api/board/search'],
  'board.take': ['post', '/api/board/take'],
  'board.help': ['get', '/api/board/jobs/:id/help'],
  'board.promise': ['post', '/api/board/promise'],
  'board.try': ['post', '/api/board/try'],
  'board.move': ['post', '/api/board/move'],
  'board.machines': ['get', '/api/board/machines'],
  'board.accept': ['post', '/api/board/accept'],
  'board.tryCopy': ['post', '/api/board/copy/try'],
  'board.takeCopy': ['post', '/api/board/copy/take'],
  'board.readHours': ['post', '/api/board/hours/read'],
  'board.endHours': ['post', '/api/board/hours/:id/end'],
  'board.pin': ['post', '/api/board/pin'],
  'board.back': ['post', '/api/board/back'],
  'tasks.layout': ['post', '/api/tasks/layout'],
  'tasks.import': ['post', '/api/tasks/import'],
  'tasks.read': ['get', '/api/tasks/:id'],
  'tasks.cancel': ['post', '/api/tasks/:id/cancel'],
  'imports.send': ['post', '/api/imports'],
  'tools.list': ['get', '/api/tools'],
  'tools.cards': ['get', '/api/tool-cards'],
  'tools.read': ['get', '/api/tool-cards/:id'],
  'tools.enter': ['post', '/api/tool-cards'],
  'tools.move': ['post', '/api/tool-cards/:id/move'],
  'tools.check': ['post', '/api/tool-cards/:id/check'],
  'tools.remake': ['post', '/api/tool-cards/:id/remake'],
  'tools.image': ['post', '/api/platesetter'],
  'tools.offers': ['get', '/api/jobs/:id/forms'],
  'tools.take': ['post', '/api/jobs/:id/forms'],
  'kitchen.read': ['get', '/api/kitchen'],
  'kitchen.ink': ['get', '/api/kitchen/:job/:ink'],
  'kitchen.sample': ['post', '/api/kitchen/:job/:ink/sample'],
  'kitchen.match': ['post', '/api/kitchen/:job/:ink/match'],
  'kitchen.recipe': ['post', '/api/recipes'],
  'kitchen.batch': ['post', '/api/kitchen/:job/:ink/batches'],
  'kitchen.add': ['post', '/api/batches/:id/additions'],
  'kitchen.simulate': ['post', '/api/batches/:id/simulated-reading'],
  'kitchen.drawDown': ['post', '/api/batches/:id/draw-downs'],
  'kitchen.answer': ['post', '/api/draw-downs/:id/answer'],
  'kitchen.correct': ['post', '/api/draw-downs/:id/correction'],
  'kitchen.pail': ['post', '/api/pails/:id'],
  'kitchen.file': ['post', '/api/kitchen-files'],
  'kitchen.trace': ['get', '/api/ink-lots/:lot'],
  'zones.read': ['get', '/api/jobs/:id/zones/:step'],
  'zones.raster': ['get', '/api/jobs/:id/zones/:step/rasters/:ink'],
  'zones.send': ['post', '/api/separations'],
  'zones.begin': ['post', '/api/tasks/zones'],
  'zones.csv': ['get', '/api/jobs/:id/zones/:step/zones.csv'],
  'zones.log': ['post', '/api/jobs/:id/zones/:step/settings'],
  'register.list': ['get', '/api/register'],
  'register.read': ['get', '/api/register/:id/:step'],
  'register.send': ['post', '/api/register/:id/:step/readings'],
  'register.set': ['post', '/api/register/:id/:step/settings'],
  'register.simulate': ['post', '/api/register/:id/:step/simulated-reading'],
  'register.file': ['post', '/api/register-files'],
  'register.score': ['post', '/api/practice'],
  'register.scores': ['get', '/api/practice'],
  'jobs.ticket': ['get', '/api/jobs/:id/ticket.pdf'],
  'jobs.picture': ['get', '/api/jobs/:id/picture.svg'],
  'events.stream': ['get', '/api/events'],
};

/** What went wrong, in the server's words; status 0: no answer at all. */
export type Failure = Pick<Problem, 'status' | 'title' | 'detail' | 'fields' | 'stale'>;

function failureOf(error: HttpErrorResponse): Failure {
  const said = error.error as Partial<Problem> | null;
  // A terminal's own keeper of the program answers 504 where the line is down.
  if (error.status === 504) return { status: 0, title: say('api.noAnswer'), detail: say('api.theServerDoesNotAnswer') };
  if (error.status === 0 || said === null || typeof said !== 'object' || typeof said.title !== 'string')
    return { status: error.status, title: say('api.noAnswer'), detail: say('api.theServerDoesNotAnswer') };
  return {
    status: error.status,
    title: said.title,
    ...(said.detail !== undefined && { detail: said.detail }),
    ...(said.fields && { fields: said.fields }),
    ...(said.stale && { stale: said.stale }),
  };
}

/** Whether an endpoint only reads. */
export const isRead = (name: keyof Api): boolean => ADDRESSES[name][0] === 'get';

/** The one caller of the server. */
@Injectable({ providedIn: 'root' })
export class ApiCaller {
  private readonly http = inject(HttpClient);
  private readonly line = inject(Line);

  call<N extends keyof Api>(name: N, asked: Sent<Api[N]>): Observable<Replied<Api[N]>> {
    const { method, path, options } = this.request(name, asked);
    return this.heard(this.http.request<Replied<Api[N]>>(method, path, options));
  }
  /** An answer that is a file. */
  file<N extends keyof Api>(name: N, asked: Sent<Api[N]>): Observable<Blob> {
    const { method, path, options } = this.request(name, asked);
    return this.heard(this.http.request(method, path, { ...options, responseType: 'blob' }));
  }

  private request<N extends keyof Api>(name: N, asked: Sent<Api[N]>) {
    const [method, address] = ADDRESSES[name];
    const {
      params = {},
      query = {},
      body,
      file,
    } = asked as { params?: Record<string, string>; query?: Record<string, string>; body?: unknown; file?: Blob };
    const path = address.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    return { method, path, options: { ...(body !== undefined && { body }), ...(file && { body: file }), params: query } };
  }
  private heard<T>(answer: Observable<T>): Observable<T> {
    return answer.pipe(
      tap(() => {
        this.line.answered();
      }),
      catchError((e: HttpErrorResponse) => {
        const failure = failureOf(e);
        if (failure.status === 0) this.line.silent();
        else this.line.answered();
        return throwError(() => failure);
      }),
    );
  }
}
