import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import {
  editAt,
  type Edit,
  type Family,
  type FamilyId,
  familyOf,
  type JobSpec,
  type Plant,
  type WishField,
  inkColour,
  isFromTheDrum,
  isMixedInk,
  label,
  readInks,
  say,
} from '@druckerei/core';
import { MatChipsModule } from '@angular/material/chips';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { mdiClose } from '@mdi/js';
import { EditValue } from '../shared/edit-value';
import { type PictureField, PictureFields } from '../shared/picture-fields';
import { InPlace } from '../shared/in-place';
import { Icon } from '../shared/icon';
import { type Moved, PlaceThings } from './place-things';

interface Made {
  id: string;
  family: Family<FamilyId>;
  wish: Readonly<Record<string, unknown>>;
}
interface Row {
  field: WishField;
  label: string;
  text: string;
  options: { value: string; says: string }[];
  /** Of a list: its things. */
  items: Item[];
}
interface Item {
  id: string;
  values: Record<string, string>;
}

/** What the customer wants: sizes on the picture of the finished product, the rest beside it, each edited in place. */
@Component({
  selector: 'dk-product-form',
  imports: [EditValue, MatChipsModule, PictureFields, PlaceThings, InPlace, MatButton, MatCheckbox, MatInputModule, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './product-form.html',
  styleUrl: './product-form.scss',
})
export class ProductForm {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly closeIcon = mdiClose;
  readonly spec = input.required<JobSpec>();
  readonly plant = input.required<Plant>();
  readonly refused = input<Record<string, string>>({});
  readonly locked = input(false);
  readonly edits = output<Edit[]>();

  /** Every product the job makes. */
  protected readonly products = computed((): Made[] =>
    Object.entries(this.spec().products).flatMap(([id, p]) =>
      p.kind === 'made' ? [{ id, family: familyOf(p.family), wish: p.wish }] : [],
    ),
  );
  /** As chosen, while the job makes it; else the first. */
  protected readonly chosen = linkedSignal<string[], string>({
    source: () => this.products().map((p) => p.id),
    computation: (ids, before) => (before && ids.includes(before.value) ? before.value : (ids[0] ?? '')),
  });
  protected readonly made = computed(() => this.products().find((p) => p.id === this.chosen()) ?? null);
  protected readonly words = computed(() => this.made()?.family.words.fields ?? {});
  protected readonly picture = computed(() => {
    const made = this.made();
    return made?.family.picture(made.wish, this.plant()) ?? null;
  });

  protected readonly placing = computed(() => {
    const made = this.made();
    return made?.family.placing?.(made.wish, this.plant()) ?? null;
  });

  protected readonly rows = computed((): Row[] => {
    const made = this.made();
    if (!made) return [];
    return made.family.fields
      .filter((f) => !f.onPicture)
      .map((field) => ({
        field,
        label: made.family.words.fields[field.key] ?? field.key,
        text: this.textOf(field, made.wish[field.key]),
        options: field.options?.(this.plant()) ?? [],
        items: field.list ? itemsOf(made.wish[field.key]) : [],
      }));
  });

  protected readonly onPicture = computed((): PictureField[] => {
    const made = this.made();
    return (made?.family.fields ?? [])
      .filter((f) => f.onPicture)
      .map((field) => {
        const text = this.textOf(field, made?.wish[field.key]);
        return {
          key: field.key,
          label: made?.family.words.fields[field.key] ?? field.key,
          kind: field.kind === 'length' ? 'length' : 'count',
          text,
          display: text,
          refused: this.why(field.key),
        };
      });
  });

  protected set(key: string, value: unknown): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key], value)]);
  }
  protected setIn(key: string, id: string, prop: string, value: unknown): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, id, prop], value)]);
  }
  protected place(key: string, { id, xMm, yMm }: Moved): void {
    const made = this.made();
    const at = (prop: string): string[] => ['products', made?.id ?? '', 'wish', key, id, prop];
    if (made) this.edits.emit([editAt(this.spec(), at('xMm'), xMm), editAt(this.spec(), at('yMm'), yMm)]);
  }
  protected drop(key: string, id: string): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, id], undefined)]);
  }
  protected setInks(key: string, text: string | number | undefined): void {
    this.set(key, readInks(String(text ?? '')));
  }

  /** The inks of a side as they were understood: letters and names, each with its colour and what kind it is. */
  protected inksOf(key: string): { ink: string; colour: string; says: string }[] {
    const inks = this.made()?.wish[key];
    return (Array.isArray(inks) ? (inks as string[]) : []).map((ink) => ({
      ink,
      colour: inkColour(ink),
      says: isFromTheDrum(ink) ? label('ink.drum') : isMixedInk(ink) ? label('ink.spot') : '',
    }));
  }
  protected why(key: string): string | null {
    const made = this.made();
    const at = `products.${made?.id ?? ''}.wish.${key}`;
    return Object.entries(this.refused()).find(([path]) => path === at || path.startsWith(`${at}.`))?.[1] ?? null;
  }

  /** One more of a list, under a free id. */
  protected add({ key, list }: WishField): void {
    const made = this.made();
    if (!made || !list) return;
    const there = Object.keys((made.wish[key] as Record<string, unknown> | undefined) ?? {});
    let n = there.length + 1;
    while (there.includes(`${list.prefix}${n}`)) n++;
    this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, `${list.prefix}${n}`], list.fresh(there.length + 1))]);
  }

  private textOf(field: WishField, value: unknown): string {
    if (Array.isArray(value)) return value.join(', ');
    if (typeof value === 'number') return String(value);
    return typeof value === 'string' ? value : '';
  }
}

/** The things of a list, each with its values as text. */
const itemsOf = (list: unknown): Item[] =>
  Object.entries((list ?? {}) as Record<string, Record<string, unknown>>).map(([id, thing]) => ({
    id,
    values: Object.fromEntries(
      Object.entries(thing).flatMap(([key, v]) => (typeof v === 'string' || typeof v === 'number' ? [[key, String(v)]] : [])),
    ),
  }));
