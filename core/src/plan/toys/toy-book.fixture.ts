import type { Layout } from '../../layout/layout';
import type { Layouter } from '../../layout/layouter';
import { COPIES_UP } from '../../layout/usable-sheet';
import { pressSheet } from '../../stock/press-sheet';
import { onwards } from '../../processes/batch';
import { setting } from '../../processes/process';
import { singleStep } from '../../processes/single-step';
import { typed } from '../../quantity/ledger';
import type { JobSpec } from '../../product/job-spec';
import { toyPart, toyPlant, toyProcess, toySpec, withToys } from './toys.fixture';

declare module '../../product/part' {
  interface Traits {
    toyPages: number;
  }
}
declare module '../../layout/usable-sheet' {
  interface LayoutAsk {
    /** Books that stay together until the binder's saw parts them. */
    toyBooksUp: number;
  }
}

/** Pages that fold out of one press sheet. */
const SHEET_PAGES = 32;

/** Sections of as many pages as the binder's way lets a sheet hold, and a rest that repeats on its sheet. */
const sections: Layouter = {
  id: 'toySections',
  stock: 'sheet',
  layOut({ id, parts, stock, stockId, stones, ledger }) {
    const [text] = parts;
    if (!text) return { forms: [] };
    const up = Math.max(1, ...stones.flatMap((s) => s.ask.toyBooksUp ?? []));
    const pages = text.traits?.toyPages ?? 0;
    const each = SHEET_PAGES / up;
    const form = (key: string, name: string, copies: number, alike: number) => {
      ledger.figure(`${id}.${key}.copiesUp`, COPIES_UP, { places: { value: copies, unit: 'copy', from: 'family', at: 'layout' } });
      const cell = {
        part: text.id,
        item: text.item,
        trimMm: [100, 100] as const,
        x: 20,
        y: 20,
        nx: copies,
        ny: 1,
        dx: 120,
        dy: 120,
        turn: 0 as const,
      };
      const layout: Layout = { sheetMm: pressSheet(stock), cells: [cell], gripperMm: 12 };
      return {
        id: `${id}.${key}`,
        kind: 'sheet' as const,
        parts: [text.id],
        name,
        layout,
        style: 'sheetwise' as const,
        stock: stockId,
        prints: text.colours,
        alike,
        slot: id,
        question: '',
      };
    };
    const [full, rest] = [Math.floor(pages / each), pages % each];
    return {
      forms: [
        form('full', `sections 1 to ${full}`, up, full),
        ...(rest > 0 ? [form('rest', `section ${full + 1}`, (up * each) / rest, 1)] : []),
      ],
    };
  },
};

const up = (cx: Parameters<typeof setting>[0]): number => {
  const term = setting(cx, 'up', typed(1, '1', 'one up'));
  return 'value' in term ? term.value : 1;
};
const plain = { whole: true, losses: {}, cautions: [] } as const;
/** A sheet folds to what the binder takes; a rest that lies twice on its sheet is parted on the way. */
const foldSections = toyProcess('toyFold', (cx) => {
  const copies = cx.layout?.cells[0]?.nx ?? 1;
  const held = Number(cx.settings['held'] ?? 1);
  return singleStep(cx, { ...plain, cautions: [], takesPer: 1, givesPer: copies / held, unit: 'section', perGood: 1 / held });
});
const gather = toyProcess('toyGather', (cx) =>
  singleStep(cx, { ...plain, cautions: [], takesPer: 1, givesPer: 1, unit: 'block', perGood: cx.incoming[0]?.of.perGood ?? 1 }),
);
const bind = toyProcess(
  'toyBind',
  (cx) => {
    const incoming = cx.incoming.map((b) => ({ ...b, times: b.of.unit === 'block' ? 1 : up(cx) }));
    const draft = singleStep({ ...cx, incoming }, { ...plain, cautions: [], takesPer: 1, givesPer: up(cx), unit: 'piece', perGood: 1 });
    return { ...draft, out: draft.out.map((b) => onwards(cx.incoming, b.flow)) };
  },
  { asks: (cx) => ({ toyBooksUp: up(cx) }) },
);

/** A book of many sections and a cover on another stock; how many books the binder holds together is set at its stone. */
export const BOOK = withToys(
  {
    'toy-book': {
      parts: (ids) => ({
        [`${ids.product}.text`]: toyPart(`${ids.product}.text`, ids, {
          layouter: 'toySections',
          grade: 'Gloss coated 150',
          colours: [['K'], ['K']],
          traits: { toyPages: 400 },
        }),
        [`${ids.product}.cover`]: toyPart(`${ids.product}.cover`, ids, {
          widthMm: 230,
          heightMm: 160,
          grade: 'Ivory board 300',
          colours: [['K', 'C'], []],
        }),
      }),
      route: (_wish, parts, chosen) => {
        const [text = '', cover = ''] = Object.keys(parts);
        const held = Number(chosen.settings[`${text}.bind`]?.['up'] ?? 1);
        const of = (part: string, key: string, process: string, settings = {}) => ({ key, process, of: [part], settings });
        return [
          { ...of(text, 'stock', 'pull'), each: 'form' as const },
          { ...of(text, 'plates', 'platemaking'), each: 'form' as const },
          { ...of(text, 'print', 'offset'), each: 'form' as const },
          { ...of(text, 'fold', 'toyFold', { held }), each: 'form' as const },
          of(text, 'gather', 'toyGather'),
          ...[of(cover, 'stock', 'pull'), of(cover, 'plates', 'platemaking'), of(cover, 'print', 'offset'), of(cover, 'cut', 'guillotine')],
          { key: 'bind', process: 'toyBind', of: [text, cover], settings: {} },
        ];
      },
    },
  },
  [foldSections, gather, bind],
  [sections],
);
/** So many books; `up`: how many the binder holds together. */
export const bookSpec = (quantity: number, up = 1): JobSpec =>
  toySpec({ book: { family: 'toy-book', quantity } }, up > 1 ? { settings: { 'book.text.bind': { up } } } : {});
export const BOOK_PLANT = toyPlant(['toyFold', 'toyGather', 'toyBind']);
