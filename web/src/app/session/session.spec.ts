import { TestBed } from '@angular/core/testing';
import { provideMockActions } from '@ngrx/effects/testing';
import { provideStore } from '@ngrx/store';
import { type Observable, of, Subject, throwError } from 'rxjs';
import { ApiCaller, type Failure } from '../shared/api';
import * as effects from './session.effects';
import { SessionActions, sessionFeature, type SessionState } from './session.feature';
import { SECURE, SignIn } from './sign-in';

const me = {
  name: 'anselm',
  fullName: 'Anselm Hardt',
  initials: 'AH',
  roles: ['planner' as const],
  units: 'metric' as 'metric' | 'imperial',
  mustChange: false,
  timeZone: 'Europe/Berlin',
};
const after = (...actions: Parameters<typeof sessionFeature.reducer>[1][]): SessionState =>
  actions.reduce<SessionState>((s, a) => sessionFeature.reducer(s, a), sessionFeature.reducer(undefined, { type: 'start' }));

describe('the session', () => {
  test.each<[string, Parameters<typeof sessionFeature.reducer>[1][], Partial<SessionState>]>([
    ['knows nobody at first', [], { me: null, known: false }],
    ['knows who signed in', [SessionActions.signedIn({ me })], { me, known: true, expired: false }],
    [
      'keeps the person when the session ends, so that the screen stays',
      [SessionActions.signedIn({ me }), SessionActions.sessionExpired()],
      { me, expired: true },
    ],
    [
      'goes on after signing in again',
      [SessionActions.signedIn({ me }), SessionActions.sessionExpired(), SessionActions.signedIn({ me })],
      { me, expired: false },
    ],
    [
      'shows the units that were chosen at once',
      [SessionActions.signedIn({ me }), SessionActions.unitsChosen({ units: 'imperial' })],
      { me: { ...me, units: 'imperial' } },
    ],
    ['forgets the person on signing out', [SessionActions.signedIn({ me }), SessionActions.signedOut()], { me: null, known: true }],
  ])('%s', (_name, actions, expected) => {
    expect(after(...actions)).toMatchObject(expected);
  });

  const heard = (effect: () => Observable<unknown>, action: unknown, answer: Observable<unknown>): unknown[] => {
    const actions = new Subject<never>();
    TestBed.configureTestingModule({
      providers: [provideMockActions(() => actions), { provide: ApiCaller, useValue: { call: () => answer } }],
    });
    const list: unknown[] = [];
    TestBed.runInInjectionContext(effect).subscribe((a) => list.push(a));
    actions.next(action as never);
    return list;
  };
  const refused: Failure = { status: 401, title: 'Not signed in' };
  const silent: Failure = { status: 0, title: 'No answer' };

  test.each([
    ['somebody', of(me), SessionActions.signedIn({ me })],
    ['nobody', throwError(() => refused), SessionActions.nobodySignedIn()],
    ['a server that is silent', throwError(() => silent), SessionActions.signInFailed({ failure: silent })],
  ])('finds out at the start: %s', (_name, answer, expected) => {
    expect(heard(() => effects.findOut(), SessionActions.appOpened(), answer)).toEqual([expected]);
  });

  test.each([
    ['right', of(me), SessionActions.signedIn({ me })],
    ['wrong', throwError(() => refused), SessionActions.signInFailed({ failure: refused })],
  ])('signs in with a password that is %s', (_name, answer, expected) => {
    expect(heard(() => effects.signIn(), SessionActions.signInAsked({ name: 'a', password: 'b' }), answer)).toEqual([expected]);
  });
});

describe('SignIn', () => {
  it('asks for both words, sends them, and says what was wrong', async () => {
    TestBed.configureTestingModule({ imports: [SignIn], providers: [provideStore({ [sessionFeature.name]: sessionFeature.reducer })] });
    const f = TestBed.createComponent(SignIn);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const submit = host.querySelector<HTMLButtonElement>('button[type=submit]');
    expect(submit?.disabled).toBe(true);
    for (const input of host.querySelectorAll('input')) {
      input.value = 'x';
      input.dispatchEvent(new Event('input'));
    }
    await f.whenStable();
    expect(submit?.disabled).toBe(false);
    submit?.click();
    await f.whenStable();
    expect(submit?.textContent).toContain('Signing in');
  });
  it.each([
    [false, true],
    [true, false],
  ])('says that it needs https where the browser holds the address for unsafe: secure %s', async (secure, says) => {
    TestBed.configureTestingModule({
      imports: [SignIn],
      providers: [provideStore({ [sessionFeature.name]: sessionFeature.reducer }), { provide: SECURE, useValue: secure }],
    });
    const f = TestBed.createComponent(SignIn);
    await f.whenStable();
    expect((f.nativeElement as HTMLElement).textContent.includes('plain http from another machine')).toBe(says);
  });
});
