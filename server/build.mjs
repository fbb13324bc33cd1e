// Own workspace code is bundled in from its TypeScript source; npm packages stay external and come from node_modules.
import { build } from 'esbuild';
import { readFileSync, rmSync } from 'node:fs';

const packages = ['./package.json', '../core/package.json', '../contract/package.json'].map((p) =>
  JSON.parse(readFileSync(new URL(p, import.meta.url), 'utf8')),
);
const external = [...new Set(packages.flatMap((p) => Object.keys(p.dependencies ?? {})))]
  .filter((d) => !d.startsWith('@druckerei/'))
  .flatMap((d) => [d, `${d}/*`]);

// Chunks carry their hash in the name: those of the last build would stay.
rmSync(new URL('./dist', import.meta.url), { recursive: true, force: true });
await build({
  absWorkingDir: import.meta.dirname,
  entryPoints: {
    main: 'src/main.ts',
    worker: 'src/worker.ts',
    'heavy.thread': 'src/tasks/heavy.thread.ts',
    'file.reader': 'src/tasks/file.reader.ts',
    // The demo's machines count by the same simulated counter as a terminal's.
    'simulated-counter': '../core/src/counts/simulated-counter.ts',
  },
  outdir: 'dist',
  bundle: true,
  // What reads PDF is loaded by the thread that reads one, and by no other.
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external,
  logLevel: 'warning',
});
