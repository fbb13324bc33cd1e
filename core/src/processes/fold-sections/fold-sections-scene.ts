import { sectionFolds } from '../../signature/fold-scene';
import type { Scene } from '../../scene/scene';
import type { ConsumeContext } from '../process';

export const foldSectionsScene = (cx: ConsumeContext): Scene =>
  cx.section
    ? sectionFolds(cx.section)
    : { title: 'folds', says: 'Nothing to fold.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
