import { TestBed } from '@angular/core/testing';
import { type Observable, of, throwError } from 'rxjs';
import type { Scene } from '@druckerei/core';
import { ApiCaller } from '../shared/api';
import { TakeOut } from './take-out';

const SCENE: Scene = {
  ...{ title: 'copies on the sheet', says: 'A sheet.', box: { x: 0, y: 0, w: 720, h: 520 }, toScale: true },
  shapes: [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w: 720, h: 520 }],
};

async function show(answer: () => Observable<Blob>) {
  const asked: unknown[] = [];
  const file = (name: string, sent: unknown) => {
    asked.push([name, sent]);
    return answer();
  };
  TestBed.configureTestingModule({ providers: [{ provide: ApiCaller, useValue: { file } }] });
  const kept: { name: string; blob: Blob }[] = [];
  let blob = new Blob();
  URL.createObjectURL = (of) => ((blob = of as Blob), 'blob:x');
  URL.revokeObjectURL = () => undefined;
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    kept.push({ name: this.download, blob });
  });
  const f = TestBed.createComponent(TakeOut);
  f.componentRef.setInput('scene', SCENE);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const press = async (name: string): Promise<void> => {
    [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name)!.click();
    await f.whenStable();
  };
  return { host, press, kept, asked };
}
const textOf = (blob: Blob): Promise<string> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => {
      resolve(reader.result as string);
    };
    reader.readAsText(blob);
  });

it('gives the drawing as SVG with its size in millimetres', async () => {
  const { press, kept } = await show(() => of(new Blob()));
  await press('SVG');
  expect(kept[0]?.name).toBe('copies-on-the-sheet.svg');
  expect(await textOf(kept[0]!.blob)).toContain('width="720mm" height="520mm" viewBox="0 0 720 520"');
});

it('asks the server for the PDF, and says why there is none', async () => {
  const { press, kept, asked } = await show(() => of(new Blob(['%PDF-'])));
  await press('PDF');
  expect(asked).toEqual([['out.drawing', { body: SCENE }]]);
  expect(kept[0]?.name).toBe('copies-on-the-sheet.pdf');
  TestBed.resetTestingModule();
  const refused = await show(() => throwError(() => ({ status: 422, title: 'x', detail: 'Take it as SVG.' })));
  await refused.press('PDF');
  expect(refused.host.textContent).toContain('Take it as SVG.');
  expect(refused.kept).toEqual([]);
});
