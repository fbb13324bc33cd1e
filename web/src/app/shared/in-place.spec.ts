import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatInputModule } from '@angular/material/input';
import { InPlace } from './in-place';

@Component({
  imports: [InPlace, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<input matInput dkInPlace [wrong]="wrong" value="12" (input)="heard.push('input')" />
    <select matNativeControl dkInPlace (change)="heard.push('change')">
      <option>a</option>
      <option>b</option>
    </select>`,
})
class Page {
  wrong = true;
  heard: string[] = [];
}

describe('a value in place', () => {
  it('is taken back by Escape to what it was when the focus came, and whoever listens hears it', async () => {
    const f = TestBed.createComponent(Page);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    for (const field of host.querySelectorAll<HTMLInputElement | HTMLSelectElement>('input, select')) {
      const before = field.value;
      field.dispatchEvent(new Event('focus'));
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
      field.value = field instanceof HTMLSelectElement ? 'b' : '13';
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
      expect(field.value).toBe(before);
    }
    expect(f.componentInstance.heard).toEqual(['input', 'change']);
  });
  it('tells who cannot see it that what stands in it cannot be taken', async () => {
    const f = TestBed.createComponent(Page);
    await f.whenStable();
    const input = (f.nativeElement as HTMLElement).querySelector('input');
    expect([input?.getAttribute('aria-invalid'), input?.classList.contains('wrong')]).toEqual(['true', true]);
  });
});
