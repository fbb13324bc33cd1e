import { typed } from '../../quantity/ledger';
import type { Scene } from '../../scene/scene';
import { sheetScene } from '../../layout/sheet-scene';
import type { ConsumeContext } from '../process';

/** Nothing is printed on metal. */
const NO_BAR = typed(0, 'mm', 'metal');
export const sawScene = (cx: ConsumeContext): Scene => sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, NO_BAR);
