import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import { EditValue, parseTyped, typedFrom } from './edit-value';
import { Typing } from './typing';
import { Units } from './units';

describe('what a typed text means', () => {
  test.each([
    ['count', '10 000', 10_000],
    ['count', '10\u2009000', 10_000],
    ['count', '1.5', null],
    ['count', '7,500', 7_500],
    ['count', '7.500', 7_500],
    ['percent', '1,200', null],
    ['length', '1,200 mm', null],
    ['length', '1.200 mm', 1.2],
    ['count', 'x', null],
    ['count', '', undefined],
    ['percent', '1,5 %', 15_000],
    ['percent', '0.3', 3000],
    ['hours', '36', 129_600],
    ['seconds', '2.5', 2.5],
    ['length', '5 1/2 in', 139.7],
    ['length', '14x', null],
    ['text', ' foil ', 'foil'],
  ] as const)('%s “%s”', (kind, text, value) => {
    const got = parseTyped(kind, text);
    if (typeof value === 'number') expect(got).toBeCloseTo(value, 6);
    else expect(got).toBe(value);
  });
});

describe('EditValue', () => {
  it('becomes an input in place, sends what it understands, keeps what it does not, and Escape goes back', async () => {
    const f = TestBed.createComponent(EditValue);
    f.componentRef.setInput('label', 'Quantity');
    f.componentRef.setInput('kind', 'count');
    f.componentRef.setInput('value', '500');
    const sent: unknown[] = [];
    f.componentInstance.changed.subscribe((v) => sent.push(v));
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    host.querySelector('button')?.click();
    await f.whenStable();
    const input = host.querySelector('input') as HTMLInputElement;
    const type = async (text: string): Promise<void> => {
      input.value = text;
      input.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    await type('70x');
    expect(sent).toEqual([]);
    expect(host.textContent).toContain('Type a whole number.');
    await type('700');
    expect(sent).toEqual([700]);
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await f.whenStable();
    expect(sent).toEqual([700, 500]);
    expect(host.querySelector('input')).toBeNull();
  });
  it('keeps what is typed while it is typed, whatever is made of it', async () => {
    const f = TestBed.createComponent(EditValue);
    for (const [k, v] of Object.entries({ label: 'Inks', kind: 'text', value: 'K' })) f.componentRef.setInput(k, v);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    host.querySelector('button')?.click();
    await f.whenStable();
    const input = host.querySelector('input') as HTMLInputElement;
    input.value = 'CMY';
    input.dispatchEvent(new Event('input'));
    f.componentRef.setInput('value', 'C, M, Y');
    await f.whenStable();
    expect(input.value).toBe('CMY');
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await f.whenStable();
    expect(host.textContent.trim()).toBe('C, M, Y');
  });
  it('is being typed into from the focus to Enter, which leaves the focus on the value', async () => {
    const typing = TestBed.inject(Typing);
    const f = TestBed.createComponent(EditValue);
    document.body.append(f.nativeElement as HTMLElement);
    for (const [k, v] of Object.entries({ label: 'Quantity', kind: 'count', value: '500' })) f.componentRef.setInput(k, v);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const soon = () => new Promise((done) => setTimeout(done));
    host.querySelector('button')?.click();
    await f.whenStable();
    await soon();
    expect(typing.field).not.toBeNull();
    host.querySelector('input')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await f.whenStable();
    await soon();
    expect(typing.field).toBeNull();
    expect(document.activeElement).toBe(host.querySelector('button'));
    host.remove();
  });
});

describe('units of a person', () => {
  const show = async (system: 'metric' | 'imperial', value: string) => {
    TestBed.configureTestingModule({ providers: [{ provide: Units, useValue: { system: signal(system) } }] });
    const f = TestBed.createComponent(EditValue);
    for (const [k, v] of Object.entries({ label: 'Open width', kind: 'length', value })) f.componentRef.setInput(k, v);
    const sent: unknown[] = [];
    f.componentInstance.changed.subscribe((v) => sent.push(v));
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const type = async (text: string): Promise<void> => {
      host.querySelector('button')?.click();
      await f.whenStable();
      const input = host.querySelector('input') as HTMLInputElement;
      input.value = text;
      input.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    return { host, sent, type };
  };
  it.each([
    ['metric', '139.7', '139.7 mm'],
    ['imperial', '139.7', '5 1/2 in'],
    ['imperial', '', 'set'],
  ] as const)('shows a length in %s', async (system, value, shown) => {
    expect((await show(system, value)).host.textContent.trim()).toBe(shown);
  });
  it('takes a number without a unit in the person’s own', async () => {
    const { sent, type } = await show('imperial', '139.7');
    await type('8 1/2');
    expect(sent[0]).toBeCloseTo(215.9, 9);
    await type('100 mm');
    expect(sent[1]).toBe(100);
  });
  it.each([
    ['minutes', 1500, '25'],
    ['percent', 15_000, '1.5'],
    ['hours', 5400, '1.5'],
    ['number', 0.12, '0.12'],
  ] as const)('types back what is stored in %s', (kind, stored, text) => {
    expect(typedFrom(kind, stored)).toBe(text);
    expect(parseTyped(kind, text)).toBeCloseTo(stored, 9);
  });
});
