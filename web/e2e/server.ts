import { test as base, expect } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const program = join(import.meta.dirname, '../../bin/zesty-thicket');

/** A database with the demo in it, made once for a worker and copied for each server. */
let seed: Promise<string> | undefined;
const seeded = (): Promise<string> =>
  (seed ??= (async () => {
    const dir = mkdtempSync(join(tmpdir(), 'zesty-seed-'));
    process.on('exit', () => rmSync(dir, { recursive: true, force: true }));
    const db = join(dir, 'seed.db');
    const server = new Server(db);
    await server.start();
    await server.stop(); // at its own pace: everything goes into the one file
    return db;
  })());

/** The real program, running on a database of its own. */
export class Server {
  address = '';
  private child?: ChildProcess;
  private readonly dir = mkdtempSync(join(tmpdir(), 'zesty-'));
  private readonly db: string;

  /** Without a database it gets a copy of the demo when it starts. */
  constructor(db?: string) {
    this.db = db ?? join(this.dir, 'test.db');
    this.fresh = db === undefined;
  }

  private fresh: boolean;

  async start(): Promise<void> {
    if (this.fresh) {
      copyFileSync(await seeded(), this.db);
      this.fresh = false;
    }
    const child = spawn(program, [
      'serve',
      '--demo',
      '--port',
      this.address ? new URL(this.address).port : '0',
      '--db',
      this.db,
    ]);
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

  /** Asks it to end, and waits until it has. */
  async stop(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((done) => child.on('exit', done));
    child.kill('SIGTERM');
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
  shared: [
    async ({ browserName: _ }, provide) => {
      const server = new Server();
      await server.start();
      await provide(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
});

export { expect };
