import type { KindWords } from '../kind-words';
import { CAMERA_WORDS } from '../../processes/camera/words';
import { DIGITAL_WORDS } from '../../processes/digital/words';
import { CYLINDERS_WORDS } from '../../processes/cylinders/words';
import { DIE_SHOP_WORDS } from '../../processes/die-shop/words';
import { ENGRAVE_WORDS } from '../../processes/engrave/words';
import { FOIL_WORDS } from '../../processes/foil/words';
import { FOLD_WORDS } from '../../processes/fold/words';
import { FOLD_SECTIONS_WORDS } from '../../processes/fold-sections/words';
import { FOLD_WEB_WORDS } from '../../processes/fold-web/words';
import { GUILLOTINE_WORDS } from '../../processes/guillotine/words';
import { HANDS_WORDS } from '../../processes/hands/words';
import { OFFSET_WORDS } from '../../processes/offset/words';
import { PACK_WORDS } from '../../processes/pack/words';
import { PLATEMAKING_WORDS } from '../../processes/platemaking/words';
import { PULL_ROLL_WORDS } from '../../processes/pull-roll/words';
import { PULL_WORDS } from '../../processes/pull/words';
import { REJECT_WORDS } from '../../processes/reject/words';
import { REWIND_WORDS } from '../../processes/rewind/words';
import { BREAK_OUT_WORDS } from '../../processes/break-out/words';
import { DIE_CUT_WORDS } from '../../processes/die-cut/words';
import { EMBOSS_WORDS } from '../../processes/emboss/words';
import { COAT_WORDS } from '../../processes/coat/words';
import { INSERT_WORDS } from '../../processes/insert/words';
import { GLUE_WORDS } from '../../processes/glue/words';
import { ROLL_DIE_WORDS } from '../../processes/roll-die/words';
import { SAW_WORDS } from '../../processes/saw/words';
import { SHEETER_WORDS } from '../../processes/sheeter/words';
import { STITCH_WORDS } from '../../processes/stitch/words';
import { LAMINATE_WORDS } from '../../processes/laminate/words';
import { ADHESIVE_BIND_WORDS } from '../../processes/adhesive-bind/words';
import { SAW_APART_WORDS } from '../../processes/saw-apart/words';
import { THREE_KNIFE_WORDS } from '../../processes/three-knife/words';
import { SEWING_WORDS } from '../../processes/sewing/words';
import { CASE_WORDS } from '../../processes/case/words';
import { STACK_WORDS } from '../../processes/stack/words';
import { GRAVURE_WORDS } from '../../processes/gravure/words';
import { WIND_WORDS } from '../../processes/wind/words';
import { SLEEVE_WORDS } from '../../processes/sleeve/words';
import { ASSORT_WORDS } from '../../processes/assort/words';
import { WEB_PRESS_WORDS } from '../../processes/web-press/words';

/** The kinds of work whose words are part of the catalogue. */
export const KINDS: readonly KindWords[] = [
  PULL_WORDS,
  PULL_ROLL_WORDS,
  PLATEMAKING_WORDS,
  OFFSET_WORDS,
  DIGITAL_WORDS,
  WEB_PRESS_WORDS,
  GRAVURE_WORDS,
  WIND_WORDS,
  SLEEVE_WORDS,
  ASSORT_WORDS,
  CAMERA_WORDS,
  FOIL_WORDS,
  GUILLOTINE_WORDS,
  SHEETER_WORDS,
  ROLL_DIE_WORDS,
  REWIND_WORDS,
  REJECT_WORDS,
  FOLD_WORDS,
  FOLD_SECTIONS_WORDS,
  STITCH_WORDS,
  LAMINATE_WORDS,
  ADHESIVE_BIND_WORDS,
  SAW_APART_WORDS,
  THREE_KNIFE_WORDS,
  SEWING_WORDS,
  CASE_WORDS,
  FOLD_WEB_WORDS,
  SAW_WORDS,
  DIE_SHOP_WORDS,
  CYLINDERS_WORDS,
  ENGRAVE_WORDS,
  COAT_WORDS,
  EMBOSS_WORDS,
  DIE_CUT_WORDS,
  BREAK_OUT_WORDS,
  GLUE_WORDS,
  INSERT_WORDS,
  HANDS_WORDS,
  STACK_WORDS,
  PACK_WORDS,
];

/** One part of their words, of all kinds together. */
export const ofAllKinds = <Part extends keyof KindWords>(part: Part): NonNullable<KindWords[Part]> =>
  Object.assign({}, ...KINDS.map((words) => words[part] ?? {})) as NonNullable<KindWords[Part]>;
