import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { expect, test } from '../house';

/* npm start on a database that is not ours: no published password, a first administrator shown once, and a server that is started again when it ends. */

interface ClusterLike {
  start(): Promise<unknown>;
  stop(): void;
  database(name: string): { owner: string; app: string };
  dropDatabase(name: string): void;
}
interface Lib {
  Cluster: new (name: string, port: number, more: { fast: boolean }) => ClusterLike;
  freePort(): Promise<number>;
}
const lib = async (name: string): Promise<Partial<Lib>> =>
  (await import(new URL(`../../scripts/lib/${name}.mjs`, import.meta.url).href)) as Partial<Lib>;

/** npm start, with all it prints. */
class Started {
  printed = '';
  private readonly child: ChildProcess;
  constructor(env: Record<string, string>) {
    this.child = spawn(process.execPath, [`${import.meta.dirname}/../../scripts/start.mjs`], {
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    for (const stream of [this.child.stdout, this.child.stderr]) stream?.on('data', (d: Buffer) => (this.printed += d.toString()));
  }
  async says(words: RegExp): Promise<RegExpExecArray> {
    await expect.poll(() => words.exec(this.printed) !== null, { message: String(words), timeout: 120_000 }).toBe(true);
    return words.exec(this.printed) as RegExpExecArray;
  }
  /** The server's own process: started by npm start, or by what that starts it with. */
  killServer(): void {
    spawnSync('pkill', ['-9', '-P', String(this.child.pid), '-f', 'server/dist/main.js']);
  }
  async stop(): Promise<void> {
    const over = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGTERM');
    await over;
  }
}

test('a works without the demo begins with one administrator, who sets an own password; a server that ends is started again', async ({
  page,
}) => {
  const { Cluster } = await lib('cluster');
  const { freePort } = await lib('run');
  if (!Cluster || !freePort) throw new Error('the scripts are not there');
  const cluster = new Cluster('first-start', await freePort(), { fast: true });
  await cluster.start();
  cluster.dropDatabase('elsewhere');
  const urls = cluster.database('elsewhere');
  const port = String(await freePort());
  const env = { DATABASE_URL: urls.app, OWNER_DATABASE_URL: urls.owner, PORT: port };
  const base = `http://127.0.0.1:${port}`;
  let started = new Started(env);
  const signIn = async (password: string): Promise<void> => {
    await page.goto(base);
    await page.getByLabel('Name').fill('admin');
    await page.getByLabel('Password', { exact: true }).fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
  };
  const own = 'ladder-and-lamp-3';
  try {
    const first = (await started.says(/shown this once:\s+admin\s+(\S+)/))[1] ?? '';
    await started.says(/Ready after/);
    expect(started.printed).not.toContain('paper-river');
    await signIn(first);
    await expect(page.getByRole('heading', { name: 'A password of your own' })).toBeVisible();
    await page.getByLabel('Password until now').fill(first);
    await page.getByLabel('New password', { exact: true }).fill('admin-on-a-hill-7');
    await page.getByLabel('New password, again').fill('admin-on-a-hill-7');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByRole('alert')).toHaveText('The new password contains your own name.');
    await page.getByLabel('New password', { exact: true }).fill(own);
    await page.getByLabel('New password, again').fill(own);
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();

    started.killServer();
    await started.says(/starting it again in 1 s, the database goes on/);
    await started.says(/the server is back/);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
    await page.goto(`${base}/settings/people`);
    await expect(page.getByRole('region', { name: 'On record' })).toContainText('set an own password');

    await started.stop();
    started = new Started(env);
    await started.says(/Ready after/);
    expect(started.printed).not.toContain('shown this once');
    await page.context().clearCookies();
    await signIn(own);
    await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
  } finally {
    await started.stop();
    cluster.stop();
  }
});
