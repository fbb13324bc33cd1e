import { forkProgram } from './as-user.mjs';
import { ROOT } from './run.mjs';
import { Stop } from './say.mjs';

/** Starts the built server and waits until it listens. */
export function startServer(env) {
  const child = forkProgram('server/dist/main.js', {
    execArgv: ['--enable-source-maps'],
    env: { FONT_DIR: `${ROOT}/server/fonts`, ...env },
    stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
  });
  let complaint = '';
  child.stderr.on('data', (d) => {
    complaint += d;
    if (!String(d).startsWith('druckerei: ')) process.stderr.write(d);
  });
  let started = null;
  const ready = new Promise((resolve, reject) => {
    child.on('message', (m) => {
      if (!m?.ready) return;
      started = m.started;
      resolve(m.ready);
    });
    child.on('exit', (code) =>
      reject(
        new Stop(
          complaint
            .replace(/^druckerei: /, '')
            .trim()
            .split('\n')[0] || `the server ended with code ${code}`,
        ),
      ),
    );
  });
  const stop = () =>
    new Promise((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve();
      child.once('exit', () => resolve());
      child.kill('SIGTERM');
      setTimeout(() => child.kill('SIGKILL'), 5_000).unref();
    });
  return {
    child,
    ready,
    stop,
    /** What this start found or made; once it is ready. */
    started: () => started,
    demoIsLoaded: () => child.send({ demoLoaded: true }),
  };
}
