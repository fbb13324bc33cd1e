import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { type Folded, foldStates } from '../../signature/fold-model';
import { placeOf } from '../../signature/imposition';
import type { LaidSection } from '../../signature/sheet-pages';
import type { ConsumeContext } from '../process';

const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);

/** The page that looks up at a place of a folded sheet, and whether its head stands down. */
function topPage(section: LaidSection, pile: Folded[number][number]): { text: string; down: boolean } {
  const [leaf] = pile;
  if (!leaf) return { text: '', down: false };
  const { line, at } = placeOf(section.signature, leaf, leaf.frontUp);
  const cell = line[at];
  const page = cell?.page == null ? null : section.pages[cell.page - 1];
  return { text: page == null ? 'blank' : String(page), down: (cell?.head === 'down') !== leaf.reversed };
}

/** A section flat and after every fold, side by side to one scale: the page that looks up at each place, how many leaves lie there, where it folds next. */
export function sectionFolds(section: LaidSection): Scene {
  const { program } = section;
  const shapes: Shape[] = [];
  const text = sum(section.columnsMm) / 16;
  let [columns, rows] = [section.columnsMm, section.rowsMm];
  let x0 = 0;
  for (const [i, [sheet]] of foldStates(program).entries()) {
    const before = program.steps[i - 1];
    if (before) {
      const isFirst = before.move === 'left' || before.move === 'top';
      if (before.axis === 'V') columns = isFirst ? columns.slice(before.line) : columns.slice(0, before.line);
      else rows = isFirst ? rows.slice(before.line) : rows.slice(0, before.line);
    }
    const [w, h] = [sum(columns), sum(rows)];
    shapes.push({
      kind: 'text',
      role: 'strong',
      x: x0,
      y: -text * 0.6,
      text: i === 0 ? 'flat, this side up' : `after fold ${i}`,
      sizeMm: text * 0.7,
    });
    (sheet ?? []).forEach((row, r) =>
      row.forEach((pile, c) => {
        const [x, y] = [x0 + sum(columns.slice(0, c)), sum(rows.slice(0, r))];
        const [cw, ch] = [columns[c] ?? 0, rows[r] ?? 0];
        const { text: page, down } = topPage(section, pile);
        shapes.push({ kind: 'rect', role: 'copy', x, y, w: cw, h: ch, ref: `page ${page}` });
        shapes.push({
          kind: 'text',
          role: 'strong',
          x: x + cw / 2,
          y: y + ch / 2 + (down ? -text / 3 : text / 3),
          text: page,
          sizeMm: text,
          anchor: 'middle',
          ...(down && { turn: 180 }),
        });
        if (pile.length > 1)
          shapes.push({
            kind: 'text',
            role: 'label',
            x: x + cw / 2,
            y: y + ch - text * 0.5,
            text: `${pile.length} leaves`,
            sizeMm: text * 0.55,
            anchor: 'middle',
          });
      }),
    );
    const next = program.steps[i];
    if (next?.axis === 'V') {
      const at = x0 + sum(columns.slice(0, next.line));
      shapes.push({ kind: 'line', role: 'fold', x1: at, y1: -text * 0.4, x2: at, y2: h + text * 0.4, ref: `fold ${i + 1}` });
    } else if (next) {
      const at = sum(rows.slice(0, next.line));
      shapes.push({ kind: 'line', role: 'fold', x1: x0 - text * 0.4, y1: at, x2: x0 + w + text * 0.4, y2: at, ref: `fold ${i + 1}` });
    }
    x0 += w + text * 2.2;
  }
  return {
    title: 'folds',
    says: `${section.name}: ${program.steps.length} folds, from ${sum(section.columnsMm)} by ${sum(section.rowsMm)} millimetres.`,
    box: boxAround(shapes, text * 1.2),
    toScale: true,
    shapes,
  };
}

export const foldSectionsScene = (cx: ConsumeContext): Scene =>
  cx.section
    ? sectionFolds(cx.section)
    : { title: 'folds', says: 'Nothing to fold.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
