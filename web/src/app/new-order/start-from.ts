import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Api, Replied } from '@druckerei/contract';
import { formatNumber, type JobSpec, JobSpecSchema, label, say, readNumber } from '@druckerei/core';
import { movedSays } from '../shared/moved-says';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

type Again = Replied<Api['jobs.again']>;
interface Start {
  job: string;
  number: number;
  title: string;
  says: string;
}

/** Where a new order starts from, besides a product picture: an old job, a tool, what the customer had last, a file. */
@Component({
  selector: 'dk-start-from',
  imports: [RouterLink, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="ways">
      <form (submit)="$event.preventDefault(); find(words.value)">
        <mat-form-field
          ><mat-label>{{ say('startFrom.anOldJobOrTool') }}</mat-label
          ><input matInput #words type="search" [attr.aria-label]="say('startFrom.numberNameOrTool')" /></mat-form-field
        ><button type="submit" matButton="outlined">{{ say('startFrom.find') }}</button>
      </form>
      @if (customer()) {
        <button type="button" matButton (click)="last()">{{ say('startFrom.whatThisCustomerHadLast') }}</button>
      }
      <label class="choose"
        >{{ say('startFrom.aJobFile')
        }}<input #file class="said" type="file" accept=".json,.xml,application/json,application/xml" (change)="read(file)"
      /></label>
      <a matButton routerLink="/orders/import">{{ say('startFrom.manyOrdersFromACsv') }}</a>
    </div>
    @if (failure(); as f) {
      <p class="fail" role="alert">
        {{ f.detail ?? f.title }}
        @for (x of f.fields ?? []; track $index) {
          <span>{{ x.path }} {{ x.says }}. </span>
        }
      </p>
    }
    @for (t of told(); track $index) {
      <p class="chip level-know" role="status" data-figures>{{ t }}</p>
    }
    @if (starts(); as list) {
      <ul role="status">
        @for (s of list; track s.job + s.says) {
          <li>
            <button type="button" matButton (click)="again(s.job)">{{ s.number }} {{ s.title }}</button>
            <span class="soft">{{ s.says }}</span>
          </li>
        } @empty {
          <li class="soft">{{ say('startFrom.nothingFound') }}</li>
        }
      </ul>
    }
    @if (from(); as a) {
      <div class="again" role="status">
        <p>
          <b>{{ say('startFrom.sameAgainAs', a.number) }}</b>
          <mat-form-field
            ><mat-label>{{ say('startFrom.times') }}</mat-label
            ><input matInput #times class="times" inputmode="decimal" [value]="factor()" (change)="more(times.value)"
          /></mat-form-field>
        </p>
        <p>{{ say('startFrom.kept', kept(a)) }}</p>
        @for (w of a.worn; track w.tool) {
          <p class="chip level-decide">{{ worn(w) }}</p>
        }
        @for (g of a.gone; track g.id) {
          <p class="chip level-release">{{ say('startFrom.isGone', g.id) }}</p>
        }
        @if (moved(a).length > 0) {
          <p>{{ say('startFrom.changedSince', moved(a).join(' · ')) }}</p>
        }
      </div>
    }`,
  styles: `
    :host {
      display: block;
      padding: 0 16px 8px;
    }
    :host([hidden]) {
      display: none;
    }
    .ways {
      display: flex;
      gap: 20px;
      align-items: end;
      flex-wrap: wrap;
    }
    form {
      display: flex;
      gap: 10px;
      align-items: end;
    }
    form mat-form-field {
      width: 240px;
    }
    ul {
      margin: 6px 0;
      padding-left: 18px;
    }
    .again {
      background: var(--act-ground);
      border-radius: 7px;
      padding: 8px 12px;
      margin-top: 8px;
    }
    .again p {
      margin: 2px 0;
    }
    .again mat-form-field {
      margin-left: 16px;
    }
  `,
})
export class StartFrom {
  protected readonly say = say;
  readonly customer = input('');
  /** When a new order would be due: what a reprint takes. */
  readonly by = input.required<string>();
  readonly zone = input('UTC');
  readonly currency = input('EUR');
  readonly started = output<{ spec: JobSpec; customer: string | null }>();
  private readonly server = inject(Server);
  protected readonly starts = signal<Start[] | null>(null);
  protected readonly from = signal<Again | null>(null);
  protected readonly factor = signal('1');
  protected readonly failure = signal<Failure | null>(null);
  /** What reading a file found. */
  protected readonly told = signal<string[]>([]);
  private job = '';

  protected find(words: string): void {
    const wanted = words.trim();
    if (wanted === '') return;
    this.failure.set(null);
    this.server.send('tools.list', { query: { id: wanted.slice(0, 40) } }).subscribe({
      next: (tools) => {
        const ofTool = tools
          .filter((t) => t.id.toLowerCase() === wanted.toLowerCase())
          .flatMap((t) => t.jobs.map((j) => ({ ...j, says: say('startFrom.usedTool', t.id, t.spec) })));
        if (ofTool.length > 0) this.starts.set(ofTool);
        else this.findJobs(wanted);
      },
      error: this.failed,
    });
  }
  private findJobs(find: string): void {
    const rows = (state: 'all' | 'delivered') => this.server.send('orders.list', { query: { find, state, sort: 'newest', rows: '8' } });
    rows('all').subscribe({
      next: (open) => {
        rows('delivered').subscribe({
          next: (done) => {
            this.starts.set(
              [...open.rows, ...done.rows].map((r) => ({
                job: r.job,
                number: r.number,
                title: r.title,
                says: `${r.customer} · ${formatNumber(r.quantity)}`,
              })),
            );
          },
          error: this.failed,
        });
      },
      error: this.failed,
    });
  }
  protected last(): void {
    this.server.send('customers.last', { params: { id: this.customer() } }).subscribe({
      next: (jobs) => {
        this.starts.set(jobs.map((j) => ({ ...j, says: formatNumber(j.quantity) })));
      },
      error: this.failed,
    });
  }
  /** Same again: what is kept, worn and changed is shown; the form takes the specification. */
  again(job: string): void {
    this.job = job;
    const times = readNumber(this.factor());
    this.server
      .send('jobs.again', { params: { id: job }, query: { by: this.by(), times: String(Number.isFinite(times) && times > 0 ? times : 1) } })
      .subscribe({
        next: (again) => {
          this.starts.set(null);
          this.failure.set(null);
          this.from.set(again);
          this.started.emit({ spec: again.spec, customer: again.customer });
        },
        error: this.failed,
      });
  }
  protected more(times: string): void {
    this.factor.set(times);
    if (this.job !== '') this.again(this.job);
  }
  /** A specification as a file: every fault is named with its place. */
  protected read(from: HTMLInputElement): void {
    const file = from.files?.[0];
    from.value = '';
    if (file?.name.toLowerCase().endsWith('.xml')) return this.readXml(file);
    void file?.text().then((text) => {
      let document: unknown;
      try {
        document = JSON.parse(text);
      } catch {
        this.failure.set({ status: 0, title: say('startFrom.thisIsNoJobFile') });
        return;
      }
      const parsed = JobSpecSchema.safeParse(document);
      if (!parsed.success) {
        const fields = parsed.error.issues.slice(0, 10).map((i) => ({ path: i.path.join('.'), says: i.message }));
        this.failure.set({ status: 0, title: say('startFrom.theFileNeedsAnotherLook'), fields });
        return;
      }
      this.take(parsed.data);
    });
  }
  /** A job of the open standard: the server reads it and says where its elements contradict the specification in it. */
  private readXml(file: File): void {
    this.server.send('out.readJobXml', { file }).subscribe({
      next: ({ spec, own, differences }) => {
        this.take(spec);
        this.told.set([
          say(own ? 'startFrom.ownXml' : 'startFrom.otherXml'),
          ...differences.map((d) => say('startFrom.xmlDiffers', d.place, d.file, d.ours)),
        ]);
      },
      error: this.failed,
    });
  }
  private take(spec: JobSpec): void {
    this.failure.set(null);
    this.from.set(null);
    this.told.set([]);
    const items = Object.fromEntries(Object.entries(spec.items).map(([id, item]) => [id, { ...item, orderLine: null }]));
    this.started.emit({ spec: { ...spec, items, decisions: {} }, customer: null });
  }

  protected kept(a: Again): string {
    return a.kept.map((k) => `${label(`kept.${k.code}`)} ${k.what}`).join(' · ');
  }
  protected worn(w: Again['worn'][number]): string {
    return w.why === 'life'
      ? say('startFrom.toolIsWorn', w.tool, formatNumber(w.left), formatNumber(w.need))
      : say(w.why === 'out' ? 'startFrom.toolIsOut' : 'startFrom.isGone', w.tool);
  }
  protected moved(a: Again): string[] {
    return movedSays(a.moved, { timeZone: this.zone(), currency: this.currency(), units: 'metric' });
  }
  private readonly failed = (f: Failure): void => {
    this.failure.set(f);
  };
}
