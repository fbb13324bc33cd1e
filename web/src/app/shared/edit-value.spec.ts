import { TestBed } from '@angular/core/testing';
import { EditValue, parseTyped } from './edit-value';

describe('what a typed text means', () => {
  test.each([
    ['count', '10 000', 10_000],
    ['count', '10\u2009000', 10_000],
    ['count', '1.5', null],
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
});
