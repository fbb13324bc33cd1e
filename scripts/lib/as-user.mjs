// The program never runs as root: started as root, its processes become a user of their own who owns nothing and may sign in nowhere.
import { fork, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { isRoot, must, ROOT } from './run.mjs';
import { say } from './say.mjs';

const USER = 'druckerei';
/** Where the program is laid as links when its own folder lies where that user may not look (below /root, say). */
const ELSEWHERE = '/var/lib/druckerei';
const PROGRAM = ['server/dist', 'server/fonts', 'server/migrations', 'web/dist', 'demo', 'node_modules', 'package.json'];

const asUser = (...args) => spawnSync('runuser', ['-u', USER, '--', ...args], { cwd: '/' }).status === 0;
let found;

/** The user, and where the program and Node.js stand for it; null where we are nobody special. */
function standing() {
  if (!isRoot) return null;
  if (found) return found;
  if (spawnSync('id', [USER]).status !== 0)
    must('useradd', ['--system', '--no-create-home', '--home-dir', '/nonexistent', '--shell', '/usr/sbin/nologin', USER], {
      what: `making the user ${USER}`,
    });
  const id = (flag) => Number(must('id', [flag, USER]).trim());
  found = { uid: id('-u'), gid: id('-g'), root: ROOT, node: process.execPath };
  const reads = asUser('test', '-r', `${ROOT}/server/dist/main.js`) && asUser('test', '-r', `${ROOT}/node_modules/pg/package.json`);
  const runs = asUser('test', '-x', process.execPath);
  if (reads && runs) return found;
  const place = `${ELSEWHERE}/${createHash('sha256').update(ROOT).digest('hex').slice(0, 12)}`;
  say(`the user ${USER} cannot reach this folder: it is laid out in ${place}`);
  must('sh', ['-c', `rm -rf '${place}' && mkdir -p -m 755 '${place}/server' '${place}/web'`], { what: 'laying out the program' });
  const lay = (from, to) => {
    if (existsSync(from))
      must('sh', ['-c', `cp -al '${from}' '${to}' 2>/dev/null || cp -a '${from}' '${to}'`], { what: 'laying out the program' });
  };
  if (!reads) for (const part of PROGRAM) lay(`${ROOT}/${part}`, `${place}/${part}`);
  if (!runs) lay(process.execPath, `${place}/node`);
  found = { ...found, root: reads ? ROOT : place, node: runs ? process.execPath : `${place}/node` };
  return found;
}

/** Forks a file of the program as its own user; paths of the program among the environment lead to where that user finds it. */
export function forkProgram(file, { env = {}, stdio, execArgv = [] }) {
  const as = standing();
  const root = as?.root ?? ROOT;
  const moved = Object.entries({ ...process.env, ...env }).map(([k, v]) => [
    k,
    typeof v === 'string' && v.startsWith(`${ROOT}/`) ? root + v.slice(ROOT.length) : v,
  ]);
  return fork(`${root}/${file}`, [], {
    cwd: root,
    execArgv,
    env: { ...Object.fromEntries(moved), ...(as && { HOME: '/nonexistent', USER }) },
    stdio,
    detached: false,
    ...(as && { uid: as.uid, gid: as.gid, execPath: as.node }),
  });
}
