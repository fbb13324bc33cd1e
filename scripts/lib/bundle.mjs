// esbuild, asked for only when something is bundled: on a fresh clone packages are installed by the program that needs them.
export const bundle = async (options) => (await import('esbuild')).build({ logLevel: 'error', ...options });
