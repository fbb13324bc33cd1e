import { TestBed } from '@angular/core/testing';
import type { Scene } from '@druckerei/core';
import { Drawing } from './drawing';

const scene: Scene = {
  title: 't',
  says: 'A sheet with one copy.',
  box: { x: 0, y: 0, w: 100, h: 50 },
  toScale: true,
  shapes: [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w: 100, h: 50 },
    { kind: 'circle', role: 'ink', ink: 'C', cx: 5, cy: 5, r: 2 },
    {
      kind: 'path',
      role: 'lay',
      points: [
        [0, 0],
        [1, 1],
      ],
      closed: true,
    },
    { kind: 'line', role: 'fold', x1: 0, y1: 0, x2: 1, y2: 1 },
    { kind: 'text', role: 'label', x: 1, y: 1, text: '1 <b>', sizeMm: 3 },
  ],
};

describe('Drawing', () => {
  it('draws every shape with its role, tells itself in words, and offers to measure where it is to scale', async () => {
    const f = TestBed.createComponent(Drawing);
    f.componentRef.setInput('scene', scene);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toBe('A sheet with one copy.');
    for (const selector of ['rect.sheet', 'circle.ink', 'path.lay', 'line.fold', 'text.label'])
      expect(host.querySelector(selector)).not.toBeNull();
    expect(host.querySelector('text')?.textContent.trim()).toBe('1 <b>');
    expect(host.textContent).toContain('Measure');
    f.componentRef.setInput('scene', { ...scene, toScale: false });
    await f.whenStable();
    expect(host.textContent).not.toContain('Measure');
  });
});
