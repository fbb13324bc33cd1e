import type { ConsumeContext } from '../process';

/** What a die strikes. */
export interface DieImage {
  face: string;
  widthMm: number;
  heightMm: number;
}
declare module '../../product/part' {
  interface Traits {
    dieImage: DieImage;
  }
}
const NO_IMAGE: DieImage = { face: '', widthMm: 0, heightMm: 0 };
export const imageOf = (cx: Pick<ConsumeContext, 'parts'>): DieImage => cx.parts[0]?.traits?.dieImage ?? NO_IMAGE;
