import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { cutOuts, formatNumber, say } from '@druckerei/core';
import { type MetreField, MetreFields, metresOf } from './metre-fields';

/** What a cut-out cost, in lengths, and where it lay. */
export interface CutOutLost {
  lengths: number;
  note: string;
}

/** A fault on a reel that is wound off backwards: metres as the press counted them; where it lies from the outside, and what it costs, stands beneath. */
@Component({
  selector: 'dk-cut-out',
  imports: [MatButton, MetreFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: `
    form {
      display: grid;
      gap: 8px;
    }
    p {
      margin: 0;
    }
  `,
  template: `<form (submit)="$event.preventDefault(); write()">
    <dk-metre-fields [fields]="fields" />
    <p role="status" data-figures [class.fail]="isWrong()">{{ says() }}</p>
    <button type="submit" matButton="filled" [disabled]="found() === null">{{ say('terminal.writeItDown') }}</button>
  </form>`,
})
export class CutOutDesk {
  protected readonly say = say;
  readonly lengthM = input.required<number>();
  readonly lost = output<CutOutLost>();
  protected readonly fields: readonly MetreField[] = [
    { label: 'terminal.reelFrom', text: signal('') },
    { label: 'terminal.reelTo', text: signal('') },
    { label: 'terminal.faultFrom', text: signal('') },
    { label: 'terminal.faultTo', text: signal('') },
  ];

  /** What is typed, as numbers; null: something is missing or none. */
  private readonly typed = computed(() => {
    const [fromM = NaN, toM = NaN, faultFrom = NaN, faultTo = NaN] = this.fields.map(({ text }) => metresOf(text()));
    return [fromM, toM, faultFrom, faultTo].every((m) => m >= 0) ? { reel: { fromM, toM }, fault: [faultFrom, faultTo] as const } : null;
  });
  private readonly backwards = computed(() => {
    const typed = this.typed();
    return typed !== null && (typed.reel.toM <= typed.reel.fromM || typed.fault[1] < typed.fault[0]);
  });
  protected readonly found = computed(() => {
    const typed = this.typed();
    return typed === null || this.backwards() ? null : (cutOuts([typed.reel], typed.fault, this.lengthM())[0] ?? null);
  });
  protected readonly isWrong = computed(() => this.typed() !== null && this.found() === null);
  protected readonly says = computed(() => {
    const found = this.found();
    if (found) return say('terminal.cutOutLies', ...[found.fromM, found.toM, found.afterLengths, found.lostM].map((m) => formatNumber(m)));
    return this.typed() === null ? '' : say(this.backwards() ? 'terminal.cutOutBackwards' : 'terminal.cutOutNone');
  });

  protected write(): void {
    const [found, typed] = [this.found(), this.typed()];
    if (!found || !typed) return;
    const { reel, fault } = typed;
    const note = say('terminal.cutOutNote', ...[reel.fromM, reel.toM, ...fault, found.fromM, found.toM].map((m) => formatNumber(m)));
    this.lost.emit({ lengths: found.lostM / this.lengthM(), note });
  }
}
