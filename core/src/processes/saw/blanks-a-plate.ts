import { copiesUp } from '../../layout/layout';
import type { DraftContext } from '../process';

export const blanksAPlate = ({ layout }: Pick<DraftContext, 'layout'>): number => Math.max(layout ? copiesUp(layout) : 1, 1);
