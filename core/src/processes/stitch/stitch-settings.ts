import { practiceTerm } from '../../plant/practice';
import { type SectionMargins, USUAL_MARGINS } from '../../signature/section-size';
import { type ProcessContext, setting, wordSetting } from '../process';

/** What the three-knife trims off, and the half by which the feeder opens a section. */
export const marginsOf = (cx: ProcessContext): SectionMargins => {
  const mm = (name: 'faceMm' | 'headMm' | 'footMm' | 'lapMm'): number => {
    const term = setting(cx, name, practiceTerm(cx.plant, `stitch.${name}`));
    return 'value' in term ? term.value : 0;
  };
  const lapOn = wordSetting(cx, 'lapOn', opens(cx));
  return {
    ...USUAL_MARGINS,
    faceMm: mm('faceMm'),
    headMm: mm('headMm'),
    footMm: mm('footMm'),
    lapMm: mm('lapMm'),
    lapOn: lapOn === 'low' ? 'low' : 'high',
  };
};
/** The half of a section that the machine's feeders open: the one with the last pages, unless its card says otherwise. */
export const opens = ({ machine }: Pick<ProcessContext, 'machine'>): SectionMargins['lapOn'] =>
  (machine.limits.opensFirstPages ?? 0) > 0 ? 'low' : 'high';
