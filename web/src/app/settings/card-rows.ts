import { CARD_WORDS, type CardField, type Plant } from '@druckerei/core';
import { type EditKind, typedFrom } from '../shared/edit-value';
import type { CardRow } from './card-fields';

const UNITS: Partial<Record<EditKind, string>> = { minutes: 'min', seconds: 's', hours: 'h', percent: '%' };

/** What stands at a place of a document; undefined where there is nothing. */
export const at = (document: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((o, key) => (o !== null && typeof o === 'object' ? (o as Record<string, unknown>)[key] : undefined), document);

export interface RowContext {
  plant: Plant;
  inForce: Plant;
  refused: Readonly<Record<string, string>>;
}

/** A field of a card as a row: its text as it is typed, and whether it differs from what is in force. */
export function cardRow(cx: RowContext, below: readonly string[], field: CardField, unit = UNITS[field.kind] ?? ''): CardRow {
  const path = [...below, ...field.at];
  const value = at(cx.plant, path);
  return {
    at: path,
    label: CARD_WORDS[field.key] ?? field.key,
    kind: field.kind,
    text:
      typeof value === 'number'
        ? typedFrom(field.kind, value)
        : typeof value === 'string' || typeof value === 'boolean'
          ? String(value)
          : '',
    unit,
    changed: JSON.stringify(value) !== JSON.stringify(at(cx.inForce, path)),
    refused: cx.refused[path.join('.')] ?? null,
  };
}
