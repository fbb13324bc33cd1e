import { PAGES_OF_A_FOLD, wholeFolds } from '../product/bound';
import { editAt } from '../product/edit';
import { type ConsumeContext, type OwnRule, settingPath, wishPath } from './process';
import { sectionPlansOf, sectionsSet, sizesSay } from './sections-chosen';

/* What is found of sections wherever they are bound. */

/** Places on a form that nobody fills, and what could. */
export const formEmpty: OwnRule = {
  code: 'sections.formEmpty',
  find: (cx) => {
    const form = cx.forms.find((f) => (f.layout?.imposed?.empty ?? 0) > 0);
    if (!form?.layout?.imposed) return [];
    const { empty, sections } = form.layout.imposed;
    return [{ level: 'decide', args: { form: form.name || sections.map((s) => s.name).join(', '), empty }, remedies: [] }];
  },
};

/** Sections that were set do not hold the pages, or do not fold in this paper: the plan's own stand in. `made`: pages of the text's sections in the order of the book. */
export const sectionsCannot = (madeOf: (cx: ConsumeContext) => readonly number[]): OwnRule => ({
  code: 'sections.cannot',
  find: (cx, spec) => {
    const [set, made] = [sectionsSet(cx), madeOf(cx)];
    return set.length > 0 && set.join() !== made.join()
      ? [
          {
            level: 'decide',
            args: { set: sizesSay(set), made: sizesSay(made) },
            remedies: [{ do: 'edit', says: 'remedy.dropChoice', args: {}, edits: [editAt(spec, settingPath(cx, 'sections'), undefined)] }],
          },
        ]
      : [];
  },
});

/** More sections than the machine has feeders: fewer of them, where that can be. `others`: what is fed beside the text. */
export const feedersShort = (code: string, feedersOf: (cx: ConsumeContext) => { has: number; needs: number; others: number }): OwnRule => ({
  code,
  find: (cx, spec) => {
    const { has, needs, others } = feedersOf(cx);
    if (needs <= has) return [];
    const fewer = sectionPlansOf(cx).find((p) => p.sections.length + others <= has);
    return [
      {
        level: 'release',
        args: { sections: needs, feeders: has },
        remedies: fewer
          ? [
              {
                do: 'edit',
                says: 'remedy.sections',
                args: { sections: sizesSay(fewer.sections) },
                edits: [editAt(spec, settingPath(cx, 'sections'), fewer.sections.join(' '))],
              },
            ]
          : [],
      },
    ];
  },
});

/** Pages nobody printed: folded sheets have four. `asked`: the pages the order says; `least`: fewer are no book. */
export const pagesOdd = (code: string, asked: (cx: ConsumeContext) => number, least = PAGES_OF_A_FOLD): OwnRule => ({
  code,
  find: (cx, spec) => {
    const pages = cx.parts[0]?.traits?.bound;
    if (!pages || pages.blanks === 0) return [];
    const printed = pages.pages - pages.blanks;
    const drop = printed % PAGES_OF_A_FOLD;
    return [
      {
        level: 'release',
        args: { pages: printed, blanks: pages.blanks, drop },
        remedies: [wholeFolds(printed) - printed, -drop]
          .filter((more) => printed + more >= least)
          .map((more) => ({
            do: 'edit' as const,
            says: more > 0 ? 'remedy.pagesBlank' : 'remedy.pagesDrop',
            args: { pages: asked(cx) + more },
            edits: [editAt(spec, wishPath(cx, 'pages'), asked(cx) + more)],
          })),
      },
    ];
  },
});
