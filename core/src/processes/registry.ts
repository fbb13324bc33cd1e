import type { Id } from '../quantity/figure';
import { breakOut } from './break-out/break-out';
import { camera } from './camera/camera';
import { caseIn } from './case/case-in';
import { caseMake } from './case/case-make';
import { cutBoards } from './case/cut-boards';
import { cutCloth } from './case/cut-cloth';
import { jacketOn } from './case/jacket';
import { titleFoil } from './case/title-foil';
import { coat } from './coat/coat';
import { cylinderEtch, laserEngrave, resistExpose, stylusEngrave } from './cylinders/engrave-cylinder';
import { rollerMill, rollerTry } from './cylinders/pair';
import { bodyGrind, chromePlate, copperPlate, cylinderBase, cylinderPolish, resistCoat, zincPlate } from './cylinders/plating-room';
import { cylinderInspect, cylinderProof, cylinderRelease, cylinderStore } from './cylinders/set-desk';
import { dieBlank, dieCut } from './die-cut/die-cut';
import { dieShop } from './die-shop/die-shop';
import { digital } from './digital/digital';
import { emboss } from './emboss/emboss';
import { engrave } from './engrave/engrave';
import { foil } from './foil/foil';
import { fold } from './fold/fold';
import { glue } from './glue/glue';
import { gravure } from './gravure/gravure';
import { guillotine } from './guillotine/guillotine';
import { adhesiveBind } from './adhesive-bind/adhesive-bind';
import { assort } from './assort/assort';
import { applyByHand } from './hands/apply';
import { assemble } from './hands/assemble';
import { envelope } from './hands/envelope';
import { foldWeb } from './fold-web/fold-web';
import { foldSections } from './fold-sections/fold-sections';
import { insert, insertByHand } from './insert/insert';
import { laminate } from './laminate/laminate';
import { offset } from './offset/offset';
import { band } from './pack/band';
import { pack } from './pack/pack';
import { platemaking } from './platemaking/platemaking';
import type { Process } from './process';
import { pull } from './pull/pull';
import { pullRoll } from './pull-roll/pull-roll';
import { reject } from './reject/reject';
import { rewind } from './rewind/rewind';
import { rollDie } from './roll-die/roll-die';
import { saw } from './saw/saw';
import { sawApart } from './saw-apart/saw-apart';
import { sheeter } from './sheeter/sheeter';
import { colourEdges } from './sewing/colour-edges';
import { gather } from './sewing/gather';
import { nip } from './sewing/nip';
import { roundBack } from './sewing/round-back';
import { sew } from './sewing/sew';
import { tipEnds } from './sewing/tip-ends';
import { sleeve } from './sleeve/sleeve';
import { stitch } from './stitch/stitch';
import { stack } from './stack/stack';
import { threeKnife } from './three-knife/three-knife';
import { webPress } from './web-press/web-press';
import { wind } from './wind/wind';

/** All processes by id. One row for a new one; nothing else asks for a process by name. */
export const PROCESSES: Readonly<Record<Id<'process'>, Process>> = Object.fromEntries(
  [
    ...[pull, pullRoll, platemaking, offset, digital, webPress, camera, foil, guillotine, sheeter, rollDie, rewind, reject, fold],
    ...[saw, engrave, dieShop, coat, emboss, dieCut, dieBlank, breakOut, glue, insert, insertByHand],
    ...[laminate, foldSections, foldWeb, stitch, adhesiveBind, sawApart, threeKnife],
    ...[tipEnds, gather, sew, nip, colourEdges, roundBack, cutBoards, cutCloth, caseMake, titleFoil, caseIn, jacketOn],
    ...[cylinderBase, copperPlate, bodyGrind, zincPlate, resistCoat, stylusEngrave, laserEngrave, resistExpose, cylinderEtch],
    ...[cylinderInspect, rollerMill, chromePlate, cylinderPolish, cylinderProof, rollerTry, cylinderRelease, cylinderStore],
    ...[gravure, wind, sleeve, assort],
    ...[applyByHand, envelope, assemble, stack, band, pack],
  ].map((p) => [p.id, p]),
);

/** The ids of all processes: what a machine's card may name. */
export const PROCESS_IDS: readonly Id<'process'>[] = Object.keys(PROCESSES);
