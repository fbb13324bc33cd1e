import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Shortcuts } from './shortcuts';
import { Theme } from './theme';

const ran: string[] = [];
@Component({ selector: 'dk-keys', changeDetection: ChangeDetectionStrategy.OnPush, template: '<input /><a href="#"><b>there</b></a>' })
class Keys {
  constructor() {
    inject(Shortcuts).use([
      { keys: 'n', shown: 'N', says: 'New', run: () => ran.push('new') },
      { keys: 'Shift+?', also: '?', shown: '?', says: 'Keys', run: () => ran.push('keys') },
      { keys: 'Escape', shown: 'Esc', says: 'Close', run: () => ran.push('close'), inFields: true },
      { keys: 'Enter', shown: 'Enter', says: 'Open', run: () => ran.push('open') },
      { keys: '$mod+Enter', shown: 'Ctrl Enter', says: 'Send', run: () => ran.push('send') },
    ]);
  }
}

describe('keys of a screen', () => {
  const press = (key: string, on: EventTarget = window): KeyboardEvent => {
    const e = new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true });
    on.dispatchEvent(e);
    return e;
  };
  beforeEach(() => {
    ran.length = 0;
  });
  it('work while the screen is open, on either keyboard, and not after', () => {
    const f = TestBed.createComponent(Keys);
    press('n');
    press('?');
    expect(ran).toEqual(['new', 'keys']);
    expect(
      TestBed.inject(Shortcuts)
        .shown()
        .map((s) => s.says),
    ).toEqual(['New', 'Keys', 'Close', 'Open', 'Send']);
    f.destroy();
    press('n');
    expect(ran).toHaveLength(2);
    expect(TestBed.inject(Shortcuts).shown()).toEqual([]);
  });
  it('leave Enter to the link it presses', () => {
    const f = TestBed.createComponent(Keys);
    const host = f.nativeElement as HTMLElement;
    document.body.append(host);
    press('Enter', host.querySelector('b')!);
    expect(ran).toEqual([]);
    press('Enter');
    expect(ran).toEqual(['open']);
    // With Ctrl it is a key of the screen, also where a value has the focus.
    host
      .querySelector('b')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', code: 'Enter', ctrlKey: true, bubbles: true, cancelable: true }));
    expect(ran).toEqual(['open', 'send']);
    f.destroy();
  });
  it('leave letters to a field that is typed in, but for those that say so', () => {
    const f = TestBed.createComponent(Keys);
    document.body.append(f.nativeElement as HTMLElement);
    const field = (f.nativeElement as HTMLElement).querySelector('input') as HTMLInputElement;
    expect(press('n', field).defaultPrevented).toBe(false);
    expect(press('Escape', field).defaultPrevented).toBe(true);
    expect(ran).toEqual(['close']);
    (f.nativeElement as HTMLElement).remove();
  });
  it('stay quiet behind a dialog', () => {
    TestBed.createComponent(Keys);
    const behind = Object.assign(document.createElement('div'), { className: 'cdk-overlay-backdrop' });
    document.body.append(behind);
    press('n');
    expect(ran).toEqual([]);
    behind.remove();
  });
});

describe('the theme', () => {
  it('is kept in this browser, and the system’s again where that is chosen', () => {
    const theme = TestBed.inject(Theme);
    theme.choose('dark');
    expect([document.documentElement.dataset['theme'], localStorage.getItem('druckerei.theme')]).toEqual(['dark', 'dark']);
    theme.choose('system');
    expect(document.documentElement.dataset['theme']).toBeUndefined();
    expect(theme.choice()).toBe('system');
  });
});
