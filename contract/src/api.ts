import { events } from './events';
import { floor } from './floor';
import { jobs } from './jobs';
import { orders } from './orders';
import { people } from './people';
import { plants } from './plants';
import { session } from './session';
import { stock } from './stock';
import { tasks } from './tasks';

/** Everything that crosses the wire. */
export const api = { ...session, ...people, ...plants, ...orders, ...jobs, ...stock, ...floor, ...tasks, ...events } as const;
export type Api = typeof api;
