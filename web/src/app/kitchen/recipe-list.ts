import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import type { KitchenPage } from '@druckerei/contract';
import { type BaseInk, deltaE2000, formatNumber, type Lab, printedLab, say, screenColour, usualPaper, readNumber } from '@druckerei/core';
import { InPlace } from '../shared/in-place';

/** The house's library: base inks and recipes, found by name or by how near they are to a colour. */
@Component({
  selector: 'dk-recipe-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InPlace, MatInputModule],
  template: `<div class="row">
      <input
        matInput
        dkInPlace
        #words
        type="search"
        [attr.aria-label]="say('kitchen.findRecipe')"
        [placeholder]="say('kitchen.findRecipe')"
        [value]="find()"
        (input)="find.set(words.value)"
      />
      <span class="soft" data-figures>{{ say('kitchen.soManyRecipes', shown().length, recipes().length) }}</span>
    </div>
    <h3>{{ say('kitchen.baseInks') }}</h3>
    <div class="grid">
      @for (b of baseRows(); track b.id) {
        <div class="one" data-figures>
          <span class="patch" [style.background]="b.colour" aria-hidden="true"></span>
          <b>{{ b.name }}</b>
          <span class="soft">{{ b.says }}</span>
        </div>
      }
    </div>
    <h3>{{ say('kitchen.houseRecipes') }}</h3>
    <div class="grid">
      @for (r of shown(); track r.id) {
        <div class="one" data-figures>
          <span class="patch" [style.background]="r.colour" aria-hidden="true"></span>
          <b>{{ r.name }}</b>
          <span class="soft">{{ r.id }} · {{ r.parts }}</span>
        </div>
      }
    </div>`,
  styles: `
    :host {
      display: block;
    }
    .row {
      display: flex;
      gap: 14px;
      align-items: baseline;
    }
    input {
      width: 320px;
    }
    h3 {
      font-size: 14px;
      margin: 12px 0 4px;
    }
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
      gap: 2px 18px;
    }
    .one {
      display: grid;
      grid-template-columns: 44px 1fr;
      gap: 0 10px;
      padding: 5px 0;
      border-bottom: 1px solid var(--line);
      font-size: 13px;
    }
    .patch {
      grid-row: span 2;
      width: 42px;
      height: 32px;
      border-radius: 5px;
      border: 1px solid var(--line);
    }
  `,
})
export class RecipeList {
  protected readonly say = say;
  readonly recipes = input.required<KitchenPage['recipes']>();
  readonly bases = input.required<readonly BaseInk[]>();
  protected readonly find = signal('');
  protected readonly baseRows = computed(() =>
    this.bases().map((b) => ({
      id: b.id,
      name: b.name,
      colour: screenColour(printedLab({ k: b.k, s: b.s, gsm: FILM_GSM }, usualPaper('gloss'))),
      says: [
        say(b.transparent ? 'kitchen.transparent' : 'kitchen.opaque'),
        say('kitchen.tack', b.tack),
        say('kitchen.priceKilo', formatNumber(b.pricePerKg)),
        ...(b.lowMigration ? [] : [say('kitchen.notForFood')]),
      ].join(' · '),
    })),
  );
  /** Three numbers find what is nearest to that colour; words find names. */
  protected readonly shown = computed(() => {
    const wanted = this.find().trim().toLowerCase();
    const lab = wanted.split(/[\s/;]+/).map((t) => readNumber(t));
    const rows = this.recipes().map((r) => ({
      id: r.id,
      name: r.name,
      lab: r.lab,
      colour: screenColour(r.lab),
      parts: r.parts.map((p) => `${p.parts} ${this.bases().find((b) => b.id === p.base)?.name ?? p.base}`).join(', '),
    }));
    if (lab.length === 3 && lab.every((v) => Number.isFinite(v)))
      return rows.sort((a, b) => deltaE2000(a.lab, lab as unknown as Lab) - deltaE2000(b.lab, lab as unknown as Lab)).slice(0, 12);
    return rows.filter((r) => wanted === '' || `${r.id} ${r.name} ${r.parts}`.toLowerCase().includes(wanted));
  });
}
/** Film the swatches of base inks are shown at. */
const FILM_GSM = 1.2;
