/** Gives a file to the person at the browser: the ending after the title, what file systems do not like as hyphens. */
export function keepFile(file: Blob, title: string, ending: string): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = `${title.replace(/[^a-z0-9]+/gi, '-')}.${ending}`;
  link.click();
  URL.revokeObjectURL(address);
}
