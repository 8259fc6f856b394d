// Processes that are kept from one test to the next.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { root } from './build.mjs';

/**
 * A host for one part of Glen: `start(env)` and `stop()` as often as wished. Stopped with any other signal than SIGTERM the
 * host itself is killed, as a crash would, and made anew for the next start.
 */
export class Kept {
  #module;
  #host;
  #orders = 0;

  constructor(module) {
    this.#module = join(root, module);
  }

  #fork() {
    const host = fork(join(root, 'scripts/keptHost.mjs'), [this.#module], {
      cwd: root,
      execArgv: ['--enable-source-maps'],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    host.ready = this.#answer(host, 0);
    return host;
  }

  #answer(host, id) {
    return new Promise((resolve, reject) => {
      const ended = () => reject(new Error(`${this.#module} ended`));
      const hear = (message) => {
        if (message.id !== id) return;
        host.off('message', hear);
        host.off('exit', ended);
        if (message.error) reject(new Error(message.error));
        else resolve();
      };
      host.on('message', hear);
      host.once('exit', ended);
    });
  }

  async #order(order, env) {
    this.#host ??= this.#fork();
    const host = this.#host;
    await host.ready;
    const id = ++this.#orders;
    const answer = this.#answer(host, id);
    host.send({ id, order, env });
    await answer;
  }

  start(env) {
    return this.#order('start', { ...process.env, ...env });
  }

  async stop(signal = 'SIGTERM') {
    if (signal === 'SIGTERM') return this.#order('stop');
    await this.end(signal);
  }

  async end(signal = 'SIGTERM') {
    const host = this.#host;
    this.#host = undefined;
    if (!host || host.exitCode !== null) return;
    const gone = new Promise((resolve) => host.once('exit', resolve));
    host.kill(signal);
    await gone;
  }
}

/** The two parts of a Glen with its demo school, each in a host of its own. */
export const keptParts = () => ({
  server: new Kept('apps/server/dist/demoStart.js'),
  standins: new Kept('apps/standins/dist/start.js'),
});
