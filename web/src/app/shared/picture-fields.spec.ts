import { TestBed } from '@angular/core/testing';
import type { Scene } from '@druckerei/core';
import { type PictureField, PictureFields } from './picture-fields';

const scene: Scene = {
  title: 'sheet',
  says: 'A sheet.',
  box: { x: -10, y: -20, w: 200, h: 100 },
  toScale: true,
  shapes: [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w: 180, h: 60 },
    { kind: 'line', role: 'dimension', x1: 0, y1: -10, x2: 180, y2: -10, ref: 'width' },
    { kind: 'text', role: 'label', x: 0, y: 70, text: 'net 8000', sizeMm: 6 },
  ],
};
const field = (key: string): PictureField => ({ key, label: key, kind: 'length', text: '180', display: '180', refused: null });

describe('PictureFields', () => {
  const show = async (fields: PictureField[], locked = false) => {
    const f = TestBed.createComponent(PictureFields);
    for (const [k, v] of Object.entries({ scene, fields, locked })) f.componentRef.setInput(k, v);
    const sent: unknown[] = [];
    f.componentInstance.changed.subscribe((v) => sent.push(v));
    await f.whenStable();
    return { host: f.nativeElement as HTMLElement, sent, settle: () => f.whenStable() };
  };
  it('puts a field at the middle of the line that carries its key', async () => {
    const { host } = await show([field('width')]);
    const on = host.querySelector<HTMLElement>('.on');
    // (0 + 180) / 2 = 90 on a box from −10, 200 wide: 50 %; −10 on a box from −20, 100 high: 10 %; by hand
    expect([on?.style.left, on?.style.top]).toEqual(['50%', '10%']);
  });
  it('keeps a field without a line in the corner, where it can still be reached', async () => {
    const { host } = await show([field('units')]);
    expect(host.querySelector<HTMLElement>('.on')?.style.left).toBe('85%');
  });
  it('draws shapes and words, and tells itself to who cannot see', async () => {
    const { host } = await show([]);
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toBe('A sheet.');
    expect(host.querySelector('svg text')?.textContent.trim()).toBe('net 8000');
    expect(host.querySelectorAll('rect, line')).toHaveLength(2);
  });
  it('sends what was typed with its key; locked, nothing can be typed', async () => {
    const { host, sent, settle } = await show([field('width')]);
    host.querySelector('button')?.click();
    await settle();
    const input = host.querySelector('input') as HTMLInputElement;
    input.value = '190';
    input.dispatchEvent(new Event('input'));
    expect(sent).toEqual([{ key: 'width', value: 190 }]);
    expect((await show([field('width')], true)).host.querySelector('button')?.disabled).toBe(true);
  });
});
