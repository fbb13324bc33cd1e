import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import { Stop } from './say.mjs';

export const ROOT = fileURLToPath(new URL('../../', import.meta.url)).replace(/\/$/, '');
export const isRoot = process.getuid?.() === 0;

/** Runs a command to its end; quiet unless it fails. */
export function must(command, args, { cwd = ROOT, env = {}, input, what } = {}) {
  const { status, stdout, stderr, error } = spawnSync(command, args, {
    cwd,
    env: { ...process.env, ...env },
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (error || status !== 0)
    throw new Stop(
      `${what ?? `${command} ${args[0] ?? ''}`} failed: ${(stderr || stdout || error?.message || '').trim().split('\n').slice(-6).join(' | ')}`,
    );
  return stdout;
}

/** Runs a command with its output shown, unless it is to be quiet; gives its exit code and all it printed. */
export function show(command, args, { cwd = ROOT, env = {}, quiet = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    let printed = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (d) => {
        printed += d;
        if (!quiet) process.stdout.write(d);
      });
    child.on('error', (e) => resolve({ code: 127, printed: printed + e.message }));
    child.on('close', (code) => resolve({ code: code ?? 1, printed }));
  });
}

/** Whether something listens on a port of loopback. */
export const freePort = (port = 0) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(null));
    server.listen(port, '127.0.0.1', () => {
      const { port: got } = server.address();
      server.close(() => resolve(got));
    });
  });
