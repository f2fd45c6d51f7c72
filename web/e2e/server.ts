import { test as base, expect } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The real program, running on a database of its own. */
export class Server {
  address = '';
  private child?: ChildProcess;
  private readonly dir = mkdtempSync(join(tmpdir(), 'zesty-'));

  async start(): Promise<void> {
    const child = spawn(join(import.meta.dirname, '../../bin/zesty-thicket'), ['serve', '--demo', '--port', this.address ? new URL(this.address).port : '0', '--db', join(this.dir, 'test.db')]);
    this.child = child;
    this.address = await new Promise<string>((done, fail) => {
      let said = '';
      child.stderr.on('data', (d: Buffer) => (said += d.toString()));
      child.stdout.on('data', (d: Buffer) => {
        said += d.toString();
        const at = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
        if (at) done(at[0]);
      });
      child.on('exit', (code) => fail(new Error(`the program ended with ${code}: ${said}`)));
    });
  }

  /** Ends it at once, as a crash would. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((done) => child.on('exit', done));
    child.kill('SIGKILL');
    await ended;
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.dir, { recursive: true, force: true });
  }
}

/** `server` is one of the test's own; `shared` is one for all tests of a worker that only look. */
export const test = base.extend<{ server: Server }, { shared: Server }>({
  server: async ({ baseURL: _ }, provide) => {
    const server = new Server();
    await server.start();
    await provide(server);
    await server.end();
  },
  shared: [async ({ browserName: _ }, provide) => {
    const server = new Server();
    await server.start();
    await provide(server);
    await server.end();
  }, { scope: 'worker' }],
});

export { expect };
