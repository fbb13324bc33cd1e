import { migrate } from '../server/src/db/migrate';

const [url = '', appRole = ''] = process.argv.slice(2);
await migrate(url, new URL('../server/migrations', import.meta.url).pathname, appRole || null);
