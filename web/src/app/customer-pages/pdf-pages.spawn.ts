// Alone in its file, as plan.spawn.ts is.
export const spawnPdfReader = (): Worker => new Worker(new URL('./pdf-pages.worker', import.meta.url), { type: 'module' });
