// Alone in its file: Jest (CommonJS) cannot load `import.meta`, so jest.config.mjs maps *.spawn to a stub.
export const spawnSearch = (): Worker => new Worker(new URL('./search.worker', import.meta.url), { type: 'module' });
