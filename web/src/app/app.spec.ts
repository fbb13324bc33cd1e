import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideStore, Store } from '@ngrx/store';
import type { Me } from '@druckerei/contract';
import { App } from './app';
import { SessionActions, sessionFeature } from './session/session.feature';
import { Units } from './shared/units';

const me = (roles: Me['roles'], units: Me['units'] = 'metric'): Me => ({
  name: 'a',
  fullName: 'Anselm Hardt',
  initials: 'AH',
  roles,
  units,
  mustChange: false,
  timeZone: 'Europe/Berlin',
});

describe('the frame', () => {
  const open = async (who: Me | null) => {
    TestBed.configureTestingModule({
      imports: [App],
      providers: [provideRouter([]), provideStore({ [sessionFeature.name]: sessionFeature.reducer })],
    });
    const f = TestBed.createComponent(App);
    const store = TestBed.inject(Store);
    store.dispatch(who ? SessionActions.signedIn({ me: who }) : SessionActions.nobodySignedIn());
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const menu = async (): Promise<string[]> => {
      host.querySelector<HTMLButtonElement>('.who')?.click();
      await f.whenStable();
      return [...document.querySelectorAll('.mat-mdc-menu-item')].map((i) => i.textContent.trim());
    };
    return { host, store, menu, settle: () => f.whenStable() };
  };
  afterEach(() => {
    document.querySelectorAll('.cdk-overlay-container').forEach((o) => {
      o.remove();
    });
  });
  it('asks who is there before it shows anything', async () => {
    const { host } = await open(null);
    expect(host.querySelector('dk-sign-in')).not.toBeNull();
    expect(host.querySelector('header')).toBeNull();
  });
  it('keeps what was on screen behind the sign-in when the session ends', async () => {
    const { host, store, settle } = await open(me(['planner']));
    store.dispatch(SessionActions.sessionExpired());
    await settle();
    expect(host.querySelector('dk-sign-in')).not.toBeNull();
    expect(host.querySelector('header')?.parentElement?.hidden).toBe(true);
  });
  it('shows nothing but the form for an own password where somebody else set it', async () => {
    const { host } = await open({ ...me(['planner']), mustChange: true });
    expect(host.querySelector('dk-own-password')).not.toBeNull();
    expect(host.querySelector('header')).toBeNull();
  });
  it.each([
    ['offers settings to who keeps them', ['planner', 'admin'] as Me['roles'], true],
    ['does not offer them to others', ['planner'] as Me['roles'], false],
  ])('%s', async (_name, roles, offered) => {
    const { menu } = await open(me(roles));
    expect((await menu()).includes('Settings')).toBe(offered);
  });
  it('marks the units in use, and changes them for the whole screen', async () => {
    const { menu, store } = await open(me(['press'], 'imperial'));
    const items = await menu();
    expect(items).toContain('Inches, pounds and points ✓');
    expect(items).toContain('Millimetres and kilograms');
    const units = TestBed.inject(Units);
    expect(units.system()).toBe('imperial');
    store.dispatch(SessionActions.unitsChosen({ units: 'metric' }));
    expect(units.system()).toBe('metric');
  });
});
