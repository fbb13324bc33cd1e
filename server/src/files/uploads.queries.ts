import * as z from 'zod';
import { bytes, rows } from '../db/rows';

/** $1 text hash, $2 int nr, $3 bytea */
export const ADD_PIECE = `insert into uploads (hash, nr, bytes) values ($1, $2, $3) on conflict (hash, nr) do update set at = now()`;
/** $1 text hash */
export const PIECES_OF = rows(z.object({ nr: z.number() }), `select nr from uploads where hash = $1 order by nr`);
/** $1 text hash, $2 int nr */
export const PIECE = rows(z.object({ bytes: bytes }), `select bytes from uploads where hash = $1 and nr = $2`);
/** How much lies there. */
export const UPLOADED = rows(z.object({ sum: z.number() }), `select coalesce(sum(octet_length(bytes)), 0)::float8 as sum from uploads`);
/** Files that nobody waits for, the oldest first, with how large they are. $1 double seconds they have lain at least */
export const UNWANTED = rows(
  z.object({ hash: z.string(), size: z.number() }),
  `
select u.hash, sum(octet_length(u.bytes))::float8 as size
from uploads u
where not exists (select from tasks t where t.state in ('waiting', 'running') and t.ask ->> 'file' = u.hash)
group by u.hash
having max(u.at) < now() - make_interval(secs => $1)
order by max(u.at)`,
);
/** $1 text[] hashes */
export const DROP_UPLOADS = `delete from uploads where hash = any($1)`;
