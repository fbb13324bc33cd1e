/** A title as the name of a file: what file systems do not like as hyphens. */
export const fileName = (title: string): string =>
  title
    .replace(/[^a-z0-9]+/gi, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'drawing';
