import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { OwnPassword } from './own-password';
import { SessionActions, sessionFeature } from './session.feature';

describe('a password of one’s own', () => {
  const open = async (mustChange: boolean) => {
    TestBed.configureTestingModule({ providers: [provideStore({ session: sessionFeature.reducer })] });
    const store = TestBed.inject(Store);
    const me = {
      name: 'tova',
      fullName: 'Tova Brandt',
      initials: 'TB',
      roles: ['press' as const],
      units: 'metric' as const,
      mustChange,
      timeZone: 'Europe/Berlin',
    };
    store.dispatch(SessionActions.signedIn({ me }));
    const asked: unknown[] = [];
    const dispatch = store.dispatch.bind(store);
    jest.spyOn(store, 'dispatch').mockImplementation(((a: never) => (asked.push(a), dispatch(a))) as never);
    const f = TestBed.createComponent(OwnPassword);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const fill = async (...texts: string[]) => {
      for (const [i, input] of [...host.querySelectorAll('input')].entries()) {
        input.value = texts[i] ?? '';
        input.dispatchEvent(new Event('input'));
      }
      await f.whenStable();
    };
    return { host, fill, asked, store, f, submit: () => host.querySelector<HTMLButtonElement>('button[type=submit]')! };
  };

  it('says why it stands before everything, and is sent only when both are alike and long enough', async () => {
    const { host, fill, submit, asked, f } = await open(true);
    expect(host.textContent).toContain('Somebody else set the password');
    await fill('keys-on-a-hook-4', 'short', 'short');
    expect(submit().disabled).toBe(true);
    await fill('keys-on-a-hook-4', 'a-hook-for-keys-5', 'a-hook-for-keys-6');
    expect(submit().disabled).toBe(true);
    await fill('keys-on-a-hook-4', 'a-hook-for-keys-5', 'a-hook-for-keys-5');
    expect(submit().disabled).toBe(false);
    submit().click();
    await f.whenStable();
    expect(asked.at(-1)).toEqual(SessionActions.ownPasswordAsked({ old: 'keys-on-a-hook-4', password: 'a-hook-for-keys-5' }));
  });
  it('says what the server refused, in words', async () => {
    const { host, store, f } = await open(false);
    const failure = { status: 400, title: 'Not understood', fields: [{ path: 'password', says: 'contains your own name' }] };
    store.dispatch(SessionActions.ownPasswordFailed({ failure }));
    await f.whenStable();
    expect(host.querySelector('[role=alert]')?.textContent).toBe('The new password contains your own name.');
  });
});
