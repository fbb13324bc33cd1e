import { board } from './board';
import { events } from './events';
import { floor } from './floor';
import { jobs } from './jobs';
import { orders } from './orders';
import { keeping } from './keeping';
import { logbook } from './logbook';
import { dieLines } from './die-lines';
import { out } from './out';
import { people } from './people';
import { plants } from './plants';
import { session } from './session';
import { stock } from './stock';
import { kitchen } from './kitchen';
import { register } from './register';
import { tasks } from './tasks';
import { today } from './today';
import { tools } from './tools';
import { zones } from './zones';

/** Everything that crosses the wire. */
export const api = {
  ...session,
  ...people,
  ...keeping,
  ...plants,
  ...orders,
  ...jobs,
  ...stock,
  ...floor,
  ...board,
  ...logbook,
  ...out,
  ...dieLines,
  ...tasks,
  ...today,
  ...tools,
  ...kitchen,
  ...zones,
  ...register,
  ...events,
} as const;
export type Api = typeof api;
