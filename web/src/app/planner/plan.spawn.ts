// Alone in its file: Jest (CommonJS) cannot load `import.meta`, so jest.config.mjs maps *.spawn to a stub.
export const spawnPlanner = (): Worker => new Worker(new URL('./plan.worker', import.meta.url), { type: 'module' });
