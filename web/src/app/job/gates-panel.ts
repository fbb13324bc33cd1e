import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Job } from '@druckerei/contract';
import {
  editAt,
  type Edit,
  formatMoment,
  type Gate,
  GATE_KINDS,
  gateKey,
  type JobSpec,
  label,
  type Place,
  type Plan,
  say,
  stoneName,
} from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { EditValue } from '../shared/edit-value';
import { askReason, type ReasonAsk } from '../shared/reason-dialog';
import { InPlace } from '../shared/in-place';

/** What the job waits for: who says yes to which version, by when, and what it holds. Answers are given here and stay on record. */
@Component({
  selector: 'dk-gates-panel',
  imports: [EditValue, MatDialogModule, InPlace, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="top">
      <h2>{{ say('gatesPanel.gates') }}</h2>
      <span class="space"></span>
      @if (!locked()) {
        <button type="button" matButton (click)="add()">{{ say('gatesPanel.anotherGate') }}</button>
      }
    </div>
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    <table class="lines">
      <thead>
        <tr>
          <th>{{ say('gatesPanel.what') }}</th>
          <th>{{ say('gatesPanel.version') }}</th>
          <th>{{ say('gatesPanel.who') }}</th>
          <th>{{ say('gatesPanel.by') }}</th>
          <th>{{ say('gatesPanel.holds') }}</th>
          <th>{{ say('gatesPanel.answer') }}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        @for (g of rows(); track g.id) {
          <tr>
            <td>
              <select
                matNativeControl
                dkInPlace
                [attr.aria-label]="say('gatesPanel.what')"
                [disabled]="locked()"
                (change)="set(g.id, 'kind', $any($event.target).value)"
              >
                @for (k of kinds; track k) {
                  <option [value]="k" [selected]="k === g.gate.kind">{{ word('gate.' + k) }}</option>
                }
              </select>
            </td>
            <td>
              <dk-edit-value
                [label]="say('gatesPanel.version')"
                kind="text"
                [value]="g.gate.version"
                [locked]="locked()"
                (changed)="set(g.id, 'version', $event)"
              />
            </td>
            <td>
              <dk-edit-value
                [label]="say('gatesPanel.who')"
                kind="text"
                [value]="g.gate.who"
                [locked]="locked()"
                (changed)="set(g.id, 'who', $event)"
              />
            </td>
            <td>
              <dk-edit-value
                [label]="say('gatesPanel.by')"
                kind="moment"
                [value]="g.gate.by"
                [locked]="locked()"
                (changed)="set(g.id, 'by', $event)"
              />
            </td>
            <td>
              <select
                matNativeControl
                dkInPlace
                [attr.aria-label]="say('gatesPanel.holds')"
                [disabled]="locked()"
                (change)="set(g.id, 'holds', $any($event.target).value)"
              >
                <option value="release" [selected]="g.gate.holds === 'release'">{{ say('gatesPanel.theRelease') }}</option>
                @for (s of stones(); track s.id) {
                  <option [value]="s.id" [selected]="s.id === g.gate.holds">{{ s.name }}</option>
                }
              </select>
            </td>
            <td>
              <span class="chip" [class]="g.chip">{{ g.says }}</span>
            </td>
            <td class="acts">
              @if (g.state !== 'open' && may()) {
                <button type="button" matButton (click)="answer(g.id, g.gate, 'yes')">{{ say('gatesPanel.yes') }}</button>
              }
              @if (g.state !== 'refused' && may()) {
                <button type="button" matButton (click)="answer(g.id, g.gate, 'no')">{{ say('gatesPanel.no') }}</button>
              }
              @if (!locked()) {
                <button type="button" matButton (click)="remove(g.id)">{{ say('gatesPanel.takeAway') }}</button>
              }
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="7" class="soft">{{ say('gatesPanel.nothingWaits') }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (job().answers.length > 0) {
      <h2>{{ say('gatesPanel.answersSoFar') }}</h2>
      <ul>
        @for (a of answers(); track a.id) {
          <li [class.back]="a.taken">
            {{ a.says }} <span class="soft">{{ a.note ? '“' + a.note + '”' : '' }}</span>
            @if (a.answer !== 'back' && !a.taken && may()) {
              <button type="button" matButton (click)="takeBack(a.id)">{{ say('gatesPanel.takeBack') }}</button>
            }
          </li>
        }
      </ul>
    }`,
  styles: `
    .acts {
      white-space: nowrap;
    }
    .yes {
      background: var(--act-ground);
      color: var(--ink);
    }
    .back {
      text-decoration: line-through;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
  `,
})
export class GatesPanel {
  protected readonly say = say;
  readonly job = input.required<Pick<Job, 'id' | 'shelf' | 'answers' | 'state'>>();
  readonly spec = input.required<JobSpec>();
  readonly plan = input.required<Plan>();
  readonly place = input.required<Place>();
  readonly locked = input(false);
  readonly may = input(true);
  readonly edits = output<Edit[]>();
  readonly changed = output();
  private readonly server = inject(Server);
  private readonly dialog = inject(MatDialog);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly kinds = GATE_KINDS;
  protected readonly word = label;
  protected readonly stones = computed(() => this.plan().stones.map((s) => ({ id: s.id, name: stoneName(s) })));
  protected readonly rows = computed(() =>
    Object.entries(this.spec().gates ?? {}).map(([id, gate]) => {
      const known = this.job().shelf.gates[gateKey(id)];
      const state = known?.state ?? 'waiting';
      const late = state === 'waiting' && known?.by !== undefined && known.by < this.job().shelf.asOf;
      return {
        id,
        gate,
        state,
        says: {
          waiting: late ? say('gatesPanel.late') : say('gatesPanel.waiting'),
          open: say('gatesPanel.saidYes'),
          refused: say('gatesPanel.saidNo'),
        }[state],
        chip: { waiting: late ? 'level-release' : 'level-decide', open: 'yes', refused: 'level-release' }[state],
      };
    }),
  );
  protected readonly answers = computed(() => {
    const all = this.job().answers;
    return all.map((a) => ({
      ...a,
      taken: all.some((b) => b.takesBack === a.id),
      says: say(
        'gatesPanel.saidOn',
        a.by,
        { yes: say('gatesPanel.saidYes'), no: say('gatesPanel.saidNo'), back: say('gatesPanel.tookBack') }[a.answer],
        this.gateName(a.gate),
        a.version,
        formatMoment(a.at, this.place().timeZone),
      ),
    }));
  });

  private gateName(id: string): string {
    const gate = this.spec().gates?.[id];
    return gate ? label(`gate.${gate.kind}`) : id;
  }
  protected set(id: string, key: keyof Gate, value: unknown): void {
    if (typeof value === 'string') this.edits.emit([editAt(this.spec(), ['gates', id, key], key === 'by' ? value.slice(0, 16) : value)]);
  }
  protected add(): void {
    const taken = this.spec().gates ?? {};
    let n = 1;
    while (Object.hasOwn(taken, `g${n}`)) n++;
    const by = Object.values(this.spec().items)[0]?.deliveries[0]?.by ?? '2030-01-01T12:00';
    const gate: Gate = { kind: 'fileProof', version: 'v1', who: say('gatesPanel.theCustomer'), by, holds: 'release' };
    this.edits.emit([editAt(this.spec(), ['gates', `g${n}`], gate)]);
  }
  protected remove(id: string): void {
    this.edits.emit([editAt(this.spec(), ['gates', id], undefined)]);
  }
  protected answer(gate: string, { version }: Gate, answer: 'yes' | 'no'): void {
    const title = say(answer === 'yes' ? 'gatesPanel.yesTo' : 'gatesPanel.noTo', this.gateName(gate), version);
    const ask: ReasonAsk = {
      title,
      says: say('gatesPanel.itStaysOnRecord'),
      button: title,
      label: say('gatesPanel.note'),
      least: answer === 'yes' ? 0 : 3,
    };
    askReason(this.dialog, ask).subscribe((note) => {
      this.send({ gate, version, answer, note });
    });
  }
  protected takeBack(id: number): void {
    const of = this.job().answers.find((a) => a.id === id);
    const ask: ReasonAsk = {
      title: say('gatesPanel.takeTheAnswerBack'),
      says: say('gatesPanel.itStaysOnRecord'),
      button: say('gatesPanel.takeBack'),
    };
    if (of)
      askReason(this.dialog, ask).subscribe((note) => {
        this.send({ gate: of.gate, version: of.version, answer: 'back', takesBack: id, note });
      });
  }
  private send(body: { gate: string; version: string; answer: 'yes' | 'no' | 'back'; takesBack?: number; note: string }): void {
    this.server.send('jobs.answerGate', { params: { id: this.job().id }, body }).subscribe({
      next: () => {
        this.failure.set(null);
        this.changed.emit();
      },
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
}
