import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');

/** A server of a test's own, that can be stopped, killed and started again on the same database. */
export class OwnServer {
  private readonly folder = mkdtempSync(join(tmpdir(), 'jolly-own-'));
  private running: ChildProcess | null = null;
  readonly address: string;

  /** @param flags of the server: `--empty` for a workshop without the demo @param env more of what it is told by */
  constructor(
    private readonly port: number,
    private readonly flags: readonly string[] = [],
    private readonly env: Record<string, string> = {},
  ) {
    this.address = `http://127.0.0.1:${port}`;
  }

  /** Starts it and waits until it answers. */
  async start(): Promise<void> {
    const bundle = process.env.SERVER_BUNDLE;
    const program = bundle === undefined ? ['--import', 'tsx', 'server/main.ts'] : [join(bundle, 'main.cjs')];
    this.running = spawn(process.execPath, [...program, ...this.flags], {
      cwd: ROOT,
      env: { ...process.env, PORT: String(this.port), DATA_DIR: this.folder, ...this.env },
      stdio: 'ignore',
    });
    for (let tries = 0; tries < 300; tries++) {
      const answers = await fetch(`${this.address}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (answers) return;
      await new Promise((later) => setTimeout(later, 100));
    }
    throw new Error('the server did not start');
  }

  /** Stops it as a person would, or kills it in the middle of what it does. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const { running } = this;
    if (running === null) return;
    this.running = null;
    const gone = new Promise((done) => running.once('exit', done));
    running.kill(signal);
    await gone;
  }

  /** Stops it and forgets its database. */
  async clear(): Promise<void> {
    await this.stop();
    // What copies its record outlives it until all is copied.
    while (existsSync(join(this.folder, 'copies.pid'))) await new Promise((later) => setTimeout(later, 100));
    rmSync(this.folder, { recursive: true, force: true });
  }

  async get<T>(path: string): Promise<T> {
    return (await (await fetch(`${this.address}/api${path}`)).json()) as T;
  }
}
