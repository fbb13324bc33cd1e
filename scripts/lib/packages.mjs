import { createHash } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { isRoot, must, ROOT } from './run.mjs';
import { say, Stop } from './say.mjs';

const STAMP = `${ROOT}/node_modules/.druckerei-lock`;

/** npm packages, when the lock file differs from what was installed. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(`${ROOT}/package-lock.json`))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  ensureFolder(ROOT);
  say('installing npm packages (a minute or two)');
  must('npm', ['ci', '--no-audit', '--no-fund'], { what: 'npm ci' });
  writeFileSync(STAMP, lock);
}

const sleep = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

/** Installs Debian packages, waiting for another apt to finish; three tries. */
export function aptInstall(names, why) {
  const sudo = isRoot ? [] : spawnSync('sudo', ['-n', 'true']).status === 0 ? ['sudo', '-n'] : null;
  if (sudo === null) throw new Stop(`${why} is missing: ask an administrator for “apt-get install ${names.join(' ')}”, then start again.`);
  say(`installing Debian's ${names.join(', ')}`);
  const apt = (...args) => {
    const [command, ...rest] = [
      ...sudo,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-o',
      'DPkg::Lock::Timeout=120',
      '-qq',
      ...args,
    ];
    return spawnSync(command, rest, { encoding: 'utf8' });
  };
  let last;
  for (let attempt = 0; attempt < 3; attempt++) {
    if (attempt > 0) sleep(5_000);
    last = apt('update');
    if (last.status === 0) last = apt('install', '--no-install-recommends', ...names);
    if (last.status === 0) return;
  }
  throw new Stop(`apt could not install ${names.join(' ')}: ${(last.stderr ?? '').trim().split('\n').slice(-3).join(' | ')}`);
}

/** Debian's PostgreSQL without its own main cluster. */
export function forbidMainCluster() {
  const sudo = isRoot ? [] : ['sudo', '-n'];
  const [command, ...rest] = [
    ...sudo,
    'sh',
    '-c',
    "mkdir -p /etc/postgresql-common/createcluster.d && echo 'create_main_cluster = false' > /etc/postgresql-common/createcluster.d/no-main.conf",
  ];
  spawnSync(command, rest);
}

/** What the tests need beyond npm packages: Debian's Chromium for the real interface, poppler's pdftotext to read tickets. */
export function ensureTestTools() {
  if (!existsSync('/usr/bin/pdftotext')) aptInstall(['poppler-utils'], 'pdftotext');
  return ensureChromium();
}

export function ensureChromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (!existsSync(path)) aptInstall(['chromium', 'fonts-liberation'], 'Chromium');
  return path;
}

export const ensureFolder = (path) => {
  try {
    mkdirSync(path, { recursive: true });
    accessSync(path, constants.W_OK);
  } catch (error) {
    throw new Stop(`cannot write ${path} (${error.code}): check rights and free space.`);
  }
};
