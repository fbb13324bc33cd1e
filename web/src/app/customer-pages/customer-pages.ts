import { ChangeDetectionStrategy, Component, computed, input, type OnDestroy, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import {
  type PagesAsked,
  pagesAskedOf,
  type PdfFinding,
  pdfFindings,
  type PdfPage,
  type Plan,
  type Plant,
  say,
  type Shelf,
  shiftsOf,
  sidesToFill,
} from '@druckerei/core';
import { keepFile } from '../shared/keep-file';
import type { PdfAnswer, PdfAsk, ReadPdf, TrimBox } from './pdf-pages';
import { spawnPdfReader } from './pdf-pages.spawn';

/** Larger files are not opened: a browser would run out of memory. */
const MOST_BYTES = 600 * 1024 * 1024;

type State =
  | { kind: 'idle' }
  | { kind: 'reading'; name: string }
  | { kind: 'refused'; name: string; why: 'locked' | 'broken' | 'empty' | 'large' | 'notPdf' }
  | { kind: 'read'; name: string; pages: PdfPage[]; trims: TrimBox[]; file: File };

/** A customer's PDF dropped on the job: read in the browser, its pages held against the order. It is kept nowhere. */
@Component({
  selector: 'dk-customer-pages',
  imports: [MatButton, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './customer-pages.html',
  styleUrl: './customer-pages.scss',
})
export class CustomerPages implements OnDestroy {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  /** Whose pages they are. */
  readonly product = input.required<string>();
  readonly plant = input.required<Plant>();
  readonly shelf = input.required<Shelf>();
  /** What was read; null: nothing, or no more. */
  readonly pdf = output<ReadPdf | null>();

  protected readonly state = signal<State>({ kind: 'idle' });
  protected readonly over = signal(false);
  protected readonly placing = signal(false);
  /** Upright pages that fit the order may be placed on its sheets. */
  protected readonly mayPlace = computed(() => {
    const state = this.state();
    return state.kind === 'read' && this.found()?.length === 0 && state.pages.every((p) => !p.isTurned);
  });
  protected readonly asked = computed((): PagesAsked | null => pagesAskedOf(this.plan(), this.product()));
  /** What is wrong with the pages as the order stands now; null: none were read. */
  protected readonly found = computed((): string[] | null => {
    const [state, asked] = [this.state(), this.asked()];
    return state.kind === 'read' && asked ? pdfFindings(state.pages, asked).map((f) => findingSays(f, asked)) : null;
  });
  protected readonly refused = computed((): string => {
    const state = this.state();
    return state.kind === 'refused' ? say(REFUSED[state.why], state.name) : '';
  });
  private worker: Worker | null = null;

  ngOnDestroy(): void {
    this.stop();
  }

  protected dragged(event: DragEvent): void {
    event.preventDefault();
    this.over.set(true);
  }
  protected dropped(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    const [file] = event.dataTransfer?.files ?? [];
    if (file) this.read(file);
  }
  protected chosen(input: HTMLInputElement): void {
    const [file] = input.files ?? [];
    if (file) this.read(file);
    input.value = '';
  }
  /** Printed sides at true size with the pages in their places, as a file. */
  protected place(): void {
    const state = this.state();
    if (state.kind !== 'read') return;
    const shifts = new Map<string, ReadonlyMap<number, number>>();
    const sides = sidesToFill(this.plan(), this.product(), state.pages.length, (form, page) => {
      const own = shifts.get(form.id) ?? shiftsOf(form, this.plan(), this.plant(), this.shelf());
      shifts.set(form.id, own);
      return own.get(page) ?? 0;
    });
    this.placing.set(true);
    this.ask({ kind: 'place', file: state.file, sides }, (answer) => {
      this.placing.set(false);
      if (answer.kind === 'placed') keepFile(new Blob([answer.bytes], { type: 'application/pdf' }), say('customerPages.sheets'), 'pdf');
      else this.state.set({ kind: 'refused', name: state.name, why: 'broken' });
    });
  }
  protected cancel(): void {
    this.stop();
    this.placing.set(false);
    this.state.set({ kind: 'idle' });
  }

  private read(file: File): void {
    this.stop();
    const { name } = file;
    if (!/\.pdf$/i.test(name)) return this.state.set({ kind: 'refused', name, why: 'notPdf' });
    if (file.size > MOST_BYTES) return this.state.set({ kind: 'refused', name, why: 'large' });
    this.pdf.emit(null);
    this.state.set({ kind: 'reading', name });
    this.ask({ kind: 'read', file }, (answer) => {
      if (answer.kind === 'read') {
        this.state.set({ name, file, ...answer });
        this.pdf.emit({ file, trims: answer.trims });
      } else if (answer.kind === 'refused') this.state.set({ name, ...answer });
    });
  }
  private ask(question: PdfAsk, then: (answer: PdfAnswer) => void): void {
    this.stop();
    const worker = spawnPdfReader();
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<PdfAnswer>) => {
      this.stop();
      then(data);
    };
    worker.onerror = () => {
      this.stop();
      then({ kind: 'refused', why: 'broken' });
    };
    worker.postMessage(question);
  }
  private stop(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}

const REFUSED = {
  locked: 'customerPages.locked',
  broken: 'customerPages.broken',
  empty: 'customerPages.empty',
  large: 'customerPages.large',
  notPdf: 'customerPages.notPdf',
} as const;

const mm = (value: number): string => String(Math.round(value * 10) / 10);
/** A finding in words, with what the order says. */
function findingSays(finding: PdfFinding, { widthMm, heightMm }: PagesAsked): string {
  switch (finding.code) {
    case 'count':
      return say('customerPages.count', String(finding.pages), finding.wanted);
    case 'size':
      return say(
        'customerPages.size',
        finding.pages,
        `${mm(finding.widthMm)} × ${mm(finding.heightMm)}`,
        `${mm(widthMm)} × ${mm(heightMm)}`,
      );
    case 'noTrim':
      return say('customerPages.noTrim', finding.pages);
    case 'bleed':
      return say('customerPages.bleed', finding.pages, mm(finding.leastMm));
  }
}
