import type { CartonAsk } from './carton-ask';
import type { DieLine } from './die-line';
import { trayDieLine } from './tray';
import { tubeDieLine } from './tube';

/**
 * The die line of a carton of any style.
 * @throws OutOfRange a size not above 0, or flaps that would not meet
 * @example cartonDieLine({ style: 'sleeve', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 }).creases.length // 4
 */
export const cartonDieLine = (ask: CartonAsk): DieLine =>
  ask.style === 'tray' ? trayDieLine(ask) : tubeDieLine({ ...ask, style: ask.style });
