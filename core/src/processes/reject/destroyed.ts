import type { ConsumeContext } from '../process';

export const isDestroyed = (cx: ConsumeContext): boolean => cx.parts[0]?.traits?.web?.rejects !== 'recycle';
