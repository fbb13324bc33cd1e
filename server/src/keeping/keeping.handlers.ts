import { Backup, type keeping } from '@druckerei/contract';
import { many, rows } from '../db/rows';
import type { Handlers } from '../implement';

const BACKUPS = rows(Backup, `select extract(epoch from at)::float8 as at, file, bytes, says from backups order by id desc limit 50`);

export const keepingHandlers: Handlers<typeof keeping> = { 'keeping.backups': (_asked, ctx) => many(ctx.db, BACKUPS) };
