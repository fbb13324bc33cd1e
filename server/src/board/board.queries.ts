import { BOARD_WHY } from '@druckerei/contract';
import * as z from 'zod';
import { rows } from '../db/rows';

const Standing = z.object({ work: z.string(), machine: z.string(), start: z.number().int() });
export type Standing = z.infer<typeof Standing>;
const Version = z.object({ nr: z.number(), by: z.string(), at: z.number(), why: z.enum(BOARD_WHY), bars: z.array(Standing) });

const VERSION = `
select v.nr, u.full_name as by, extract(epoch from v.at)::int as at, v.why, v.bars
from board_versions v
  join users u on u.id = v.made_by`;
/** The newest version of the board. */
export const BOARD_NOW = rows(Version, `${VERSION}\norder by v.nr desc\nlimit 1`);
/** $1 int nr */
export const BOARD_VERSION = rows(Version, `${VERSION}\nwhere v.nr = $1`);
/** Nothing where somebody else made this version first. $1 int nr, $2 uuid person, $3 text why, $4 json bars */
export const ADD_VERSION = `
insert into board_versions (nr, base, made_by, why, bars)
values ($1, $1 - 1, $2, $3, $4)
on conflict (nr) do nothing`;
/** What a search of the board found. $1 uuid task */
export const FOUND = rows(
  z.object({ state: z.string(), result: z.unknown() }),
  `select state, result from tasks where id = $1 and kind = 'board'`,
);
