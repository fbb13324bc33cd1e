import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { BehaviorSubject } from 'rxjs';
import { JobFile } from './job-file';

@Component({ changeDetection: ChangeDetectionStrategy.OnPush, imports: [JobFile], template: `<a dkJobFile="pages.csv" job="j1">list</a>` })
class Page {}

/** A link to a list beside a job that is in such a state of saving, and how often its file was asked for. */
async function linked(now: string) {
  const save = new BehaviorSubject(now);
  const store = { select: () => save, selectSignal: () => () => save.value };
  TestBed.configureTestingModule({ providers: [{ provide: Store, useValue: store }] });
  const f = TestBed.createComponent(Page);
  await f.whenStable();
  const link = (f.nativeElement as HTMLElement).querySelector('a')!;
  let asked = 0;
  f.nativeElement.addEventListener('click', (e: Event) => {
    if (!e.defaultPrevented) asked++;
    e.preventDefault();
  });
  document.body.append(f.nativeElement);
  return { save, link, f, asked: () => asked };
}

describe('a list of a job as a file', () => {
  it('is asked for at once where all is saved', async () => {
    const { link, asked } = await linked('saved');
    expect(link.getAttribute('href')).toBe('/api/jobs/j1/pages.csv');
    link.click();
    expect(asked()).toBe(1);
  });
  it('waits for what was just changed to be saved, and is then asked for once', async () => {
    const { link, save, asked } = await linked('saving');
    link.click();
    save.next('kept');
    expect(asked()).toBe(0);
    save.next('saved');
    save.next('saving');
    save.next('saved');
    expect(asked()).toBe(1);
  });
  it('is forgotten with its page', async () => {
    const { link, save, f, asked } = await linked('saving');
    link.click();
    f.destroy();
    save.next('saved');
    expect(asked()).toBe(0);
  });
});
