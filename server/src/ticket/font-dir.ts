import { pathToFileURL } from 'node:url';

/** Where the ticket's fonts lie: passed by start-up, so that bundle, tests and scripts find the same files. */
export const fontDir = pathToFileURL(`${process.env['FONT_DIR'] ?? `${process.cwd()}/server/fonts`}/`);
