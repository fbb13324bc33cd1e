import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Where core lies. */
export const CORE = __dirname;

/** The files of core in a folder and below, but for tests and what they share. */
export const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return filesIn(path);
    return name.endsWith('.ts') && !/\.(test|fixture)\.ts$|\.d\.ts$/.test(name) ? [path] : [];
  });
