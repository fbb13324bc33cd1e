import { ensurePackages } from './lib/packages.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { main } from './lib/say.mjs';

await main(() => {
  ensurePackages();
  ensureBuilt();
});
