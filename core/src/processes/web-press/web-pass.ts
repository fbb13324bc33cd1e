import type { RegisterOf } from '../../register/register-of-step';
import type { ConsumeContext, DraftContext } from '../process';
import { type Pass, inInkOrder } from '../press-inks';
import { registerOfInks } from '../register-of';
import { versionRuns } from '../version-runs';

export const passOf = (cx: DraftContext): Pass => {
  const inks = inInkOrder(cx, cx.prints[0]);
  const [run] = versionRuns(cx, inks, false, 'nothing');
  return {
    version: cx.version,
    hung: inks,
    again: false,
    ...run,
    id: cx.id,
    of: cx.id,
    side: 'front',
    inks,
    prints: [{ side: 'front', inks }],
    samePlates: false,
  };
};

/** What is read at the register desk: the inks of the web's one pass to each other. */
export const webRegister = (cx: ConsumeContext): RegisterOf | null => registerOfInks(cx, passOf(cx).prints, 'web-offset', false);
