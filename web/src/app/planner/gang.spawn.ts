// Alone in its file, as plan.spawn.ts is.
export const spawnGangSolver = (): Worker => new Worker(new URL('./gang.worker', import.meta.url), { type: 'module' });
