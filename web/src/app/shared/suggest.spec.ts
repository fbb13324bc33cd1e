import { TestBed } from '@angular/core/testing';
import { Suggest } from './suggest';

const KNOWN = [
  { value: 's1', says: 'Ivory board 300, 700 × 1000', more: 'sheet' },
  { value: 's2', says: 'Cotton 600, 500 × 700', more: 'sheet' },
  { value: 's3', says: 'Label paper 80', more: 'roll' },
];

async function show(inputs: Record<string, unknown> = {}) {
  const f = TestBed.createComponent(Suggest);
  for (const [name, value] of Object.entries({ label: 'Stock', options: KNOWN, ...inputs })) f.componentRef.setInput(name, value);
  const heard: string[] = [];
  f.componentInstance.changed.subscribe((v) => heard.push(v));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const field = host.querySelector('input')!;
  const type = async (text: string): Promise<void> => {
    field.dispatchEvent(new Event('focusin'));
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await f.whenStable();
  };
  const leave = async (): Promise<void> => {
    field.dispatchEvent(new Event('blur'));
    await f.whenStable();
  };
  const listed = (): string[] => [...document.querySelectorAll('mat-option')].map((o) => o.textContent.trim());
  return { f, host, field, type, leave, listed, heard };
}

it('finds what is meant by any words of it, and hands on its value when one is chosen', async () => {
  const { f, type, listed, heard } = await show();
  await type('500 cotton');
  expect(listed()).toEqual(['Cotton 600, 500 × 700 sheet']);
  document.querySelector<HTMLElement>('mat-option')!.click();
  await f.whenStable();
  expect(heard).toEqual(['s2']);
});

it('takes a text of one’s own once it is left, and nothing where nothing was changed', async () => {
  const { type, leave, heard } = await show({ value: 'Hall 2' });
  await leave();
  expect(heard).toEqual([]);
  await type('Side door ');
  await leave();
  expect(heard).toEqual(['Side door']);
});

it('that only the known may be chosen says what is not known, and goes back when it is left', async () => {
  const { host, field, type, leave, heard } = await show({ only: true, value: 's1' });
  expect(field.value).toBe('Ivory board 300, 700 × 1000');
  await type('parchment');
  expect(host.querySelector('[role=alert]')?.textContent).toContain('“parchment” is not known');
  await leave();
  expect(heard).toEqual([]);
  expect(field.value).toBe('Ivory board 300, 700 × 1000');
});
