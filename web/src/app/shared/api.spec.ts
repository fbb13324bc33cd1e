import { HttpClient, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { api as endpoints } from '@druckerei/contract';
import { ApiCaller, type Failure } from './api';
import { Line } from './line';

describe('the caller of the server', () => {
  let http: HttpTestingController;
  let api: ApiCaller;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    api = TestBed.inject(ApiCaller);
  });
  const failing = (answer: () => void): Failure => {
    const heard: Failure[] = [];
    api.call('orders.list', { query: {} }).subscribe({ error: (f: Failure) => heard.push(f) });
    answer();
    return heard[0] as Failure;
  };

  it('knows method and address of every endpoint as the contract has them', () => {
    const request = jest.spyOn(TestBed.inject(HttpClient), 'request');
    for (const [name, { method, path }] of Object.entries(endpoints)) {
      const params = Object.fromEntries([...path.matchAll(/:(\w+)/g)].map((m) => [m[1] as string, 'x']));
      api.call(name as keyof typeof endpoints, { params });
      expect(request).toHaveBeenLastCalledWith(method, path.replace(/:\w+/g, 'x'), expect.anything());
    }
  });
  it('writes what stands in an address so that it cannot leave its place', () => {
    api.call('plants.read', { params: { hash: '../session?x=1' } }).subscribe();
    http.expectOne('/api/plants/..%2Fsession%3Fx%3D1').flush({});
  });
  it('gives the server’s own words where there are some', () => {
    const said = {
      title: 'Not understood',
      status: 400,
      detail: 'Some fields need another look.',
      fields: [{ path: 'find', says: 'is too long' }],
    };
    const f = failing(() => {
      http.expectOne('/api/orders').flush(said, { status: 400, statusText: 'Bad Request' });
    });
    expect(f).toEqual(said);
  });
  it.each([
    ['nothing answers', 0, null],
    ['something else than our server answers', 502, '<html>Bad Gateway</html>'],
    ['an answer has no title', 500, { oops: true }],
  ])('says that what was typed is kept when %s', (_what, status, body) => {
    const f = failing(() => {
      const sent = http.expectOne('/api/orders');
      if (status === 0) sent.error(new ProgressEvent('error'), { status: 0 });
      else sent.flush(body, { status, statusText: 'x' });
    });
    expect(f.status).toBe(status);
    expect(f.detail).toContain('What you typed is kept here');
  });
  it('knows since when nothing came back, until something does: a refusal is an answer', () => {
    const line = TestBed.inject(Line);
    const silent = (): unknown => failing(() => http.expectOne('/api/orders').error(new ProgressEvent('error'), { status: 0 }));
    expect(line.away()).toBeNull();
    silent();
    const since = line.away();
    expect(since).not.toBeNull();
    silent();
    expect(line.away()).toBe(since);
    failing(() => http.expectOne('/api/orders').flush({ title: 'Not allowed', status: 403 }, { status: 403, statusText: 'x' }));
    expect(line.away()).toBeNull();
  });
});
