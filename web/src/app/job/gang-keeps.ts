import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { type GangKeep, type GangRow, say } from '@druckerei/core';

/** What a planner holds to, whoever lays the forms: orders that belong to one form, orders that never lie side by side, places of the die that stay empty. */
@Component({
  selector: 'dk-gang-keeps',
  imports: [MatExpansionModule, MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<mat-expansion-panel [expanded]="isHeld()">
    <mat-expansion-panel-header
      ><mat-panel-title>{{ say('gang.held') }}</mat-panel-title></mat-expansion-panel-header
    >
    <div class="held">
      @if (gang().places !== null) {
        <mat-form-field class="closed">
          <mat-label>{{ say('gang.closedPlaces') }}</mat-label>
          <mat-select
            multiple
            [value]="gang().keep.closed ?? []"
            [placeholder]="say('gang.noPlace')"
            [disabled]="locked()"
            (valueChange)="close($event)"
          >
            @for (nr of places(); track nr) {
              <mat-option [value]="nr">{{ say('gang.placeNr', nr) }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
      }
      @for (m of gang().members; track m.part) {
        @if (gang().forms.length > 1) {
          <mat-form-field>
            <mat-label>{{ say('gang.heldOn', m.product) }}</mat-label>
            <mat-select [value]="gang().keep.on?.[m.part] ?? -1" [disabled]="locked()" (valueChange)="holdOn(m.part, $event)">
              <mat-option [value]="-1">{{ say('gang.anyForm') }}</mat-option>
              @for (f of gang().forms; track f.id; let at = $index) {
                <mat-option [value]="at">{{ say('gang.only', f.name) }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        }
        <mat-form-field>
          <mat-label>{{ say('gang.heldApart', m.product) }}</mat-label>
          <mat-select
            multiple
            [value]="foesOf(m.part)"
            [placeholder]="say('gang.nobody')"
            [disabled]="locked()"
            (valueChange)="holdApart(m.part, $event)"
          >
            @for (o of gang().members; track o.part) {
              @if (o.part !== m.part) {
                <mat-option [value]="o.part">{{ o.product }}</mat-option>
              }
            }
          </mat-select>
        </mat-form-field>
      }
    </div>
  </mat-expansion-panel>`,
  styles: `
    .held {
      display: grid;
      grid-template-columns: repeat(4, minmax(130px, 1fr));
      gap: 4px 12px;
      padding-top: 4px;
    }
    .closed {
      grid-column: 1 / -1;
    }
  `,
})
export class GangKeeps {
  protected readonly say = say;
  readonly gang = input.required<GangRow>();
  readonly locked = input(false);
  readonly held = output<GangKeep>();

  protected readonly isHeld = computed(() => Object.keys(this.gang().keep).length > 0);
  protected readonly places = computed(() => Array.from({ length: this.gang().places ?? 0 }, (_, i) => i + 1));
  protected foesOf(part: string): string[] {
    return (this.gang().keep.apart ?? []).flatMap(([a, b]) => (a === part ? [b] : b === part ? [a] : []));
  }
  protected close(closed: number[]): void {
    this.held.emit({ ...this.gang().keep, closed: [...closed].sort((a, b) => a - b) });
  }
  protected holdOn(part: string, form: number): void {
    const { [part]: _, ...others } = this.gang().keep.on ?? {};
    this.held.emit({ ...this.gang().keep, on: form < 0 ? others : { ...others, [part]: form } });
  }
  protected holdApart(part: string, foes: string[]): void {
    const others = (this.gang().keep.apart ?? []).filter((two) => !two.includes(part));
    this.held.emit({ ...this.gang().keep, apart: [...others, ...foes.map((foe): [string, string] => [part, foe])] });
  }
}
