import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { answer, startAnswer } from '../core/answer';
import { EXAMPLE_CASE } from '../core/cases/example';
import { runProgram } from './system/program';

const ROOT = resolve(__dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'jolly-start-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Starts the server as `npm start` does and waits until it ends or says that it is ready. */
function start(
  env: Record<string, string>,
  flags: string[] = [],
  whenReady: (address: string) => Promise<void> = async () => undefined,
): Promise<{ code: number | null; said: string }> {
  const { path, execArgv } = runProgram('main');
  const child = spawn(process.execPath, [...execArgv, path, ...flags], {
    cwd: ROOT,
    env: { ...process.env, ...env },
  });
  return new Promise((done) => {
    let said = '';
    let ready = false;
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const address = /ready: (\S+)/.exec(said)?.[1];
      if (address !== undefined && !ready) {
        ready = true;
        void whenReady(address).finally(() => child.kill('SIGTERM'));
      }
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => done({ code, said }));
  });
}

describe('starting the server', () => {
  it('says where it is, and stops when asked', async () => {
    const { said } = await start({ PORT: '0', DATA_DIR: join(folder, 'fine') }, ['--empty']);
    expect(said).toMatch(/ready: http:\/\/127\.0\.0\.1:\d+/);
  });

  it('fills a new database with the demo workshop unless told not to, and an old one never again', async () => {
    const rigsOf = async (name: string, flags: string[] = []): Promise<number> => {
      let count = -1;
      await start({ PORT: '0', DATA_DIR: join(folder, name) }, flags, async (address) => {
        count = ((await (await fetch(`${address}/api/rigs`)).json()) as object[]).length;
      });
      return count;
    };
    expect(await rigsOf('demo')).toBe(3);
    expect(await rigsOf('demo')).toBe(3);
    expect(await rigsOf('bare', ['--empty'])).toBe(0);
    expect(await rigsOf('bare')).toBe(0);
  });

  it('lets the network in with a pass phrase alone, says where, and shows the way in as a picture', async () => {
    const env = { PORT: '0', LAN_PORT: '0', HOST_NAMES: 'shed.local', DATA_DIR: join(folder, 'lan') };
    const none = await start(env, ['--lan', '--empty']);
    expect([none.code, none.said.trim()]).toEqual([
      1,
      expect.stringMatching(/^Without a pass phrase the network is not let in/),
    ]);
    const open = await start({ HOST: '0.0.0.0', DATA_DIR: join(folder, 'open') });
    expect([open.code, open.said]).toEqual([1, expect.stringContaining('Start with --lan')]);
    let inside: unknown;
    const { said } = await start(
      { ...env, PASS_PHRASE: 'three old welders' },
      ['--lan', '--empty'],
      async (address) => {
        inside = await (await fetch(`${address}/api/session`)).json();
        // What is said of the network comes after the machine's own address.
        await new Promise((soon) => setTimeout(soon, 1500));
      },
    );
    expect(inside).toEqual(expect.objectContaining({ isGuarded: true, isAtMachine: true, isKeeper: true }));
    expect(said).toMatch(/On the network, for whoever has the pass phrase:\n {2}https:\/\/shed\.local:\d+\n/);
    expect(said).toMatch(/█/);
    expect(said).toMatch(/SHA-256 ([0-9A-F]{2}:){31}[0-9A-F]{2}/);
    expect(said).not.toContain('three old welders');
  });

  it('says in one sentence that an address is not this machine’s', async () => {
    const env = { PORT: '0', HOST: '192.0.2.1', DATA_DIR: join(folder, 'host'), PASS_PHRASE: 'three old welders' };
    const { code, said } = await start(env, ['--lan', '--empty']);
    expect(code).toBe(1);
    expect(said.trim()).toMatch(/The server cannot listen on 192\.0\.2\.1:0 \(.*EADDRNOTAVAIL.*\)\.$/);
  });

  it('says in one sentence that a port is in use, with the cure', async () => {
    const other: Server = createServer();
    await new Promise<void>((listening) => other.listen(0, '127.0.0.1', listening));
    const { port } = other.address() as AddressInfo;
    const { code, said } = await start({ PORT: String(port), DATA_DIR: join(folder, 'port') }, ['--empty']);
    other.close();
    expect(code).toBe(1);
    expect(said.trim()).toBe(
      `Port ${port} is in use. Stop what runs there, or start with another: PORT=${port + 1} npm start`,
    );
  });

  it('says in one sentence that a port is none, or that the database cannot be opened', async () => {
    expect(await start({ PORT: 'eighty', DATA_DIR: folder })).toEqual({
      code: 1,
      said: 'PORT takes a whole number from 0 to 65535, not "eighty".\n',
    });
    const blocked = join(folder, 'a-file');
    writeFileSync(blocked, '');
    const { code, said } = await start({ PORT: '0', DATA_DIR: blocked });
    expect(code).toBe(1);
    expect(said).toMatch(/^DATA_DIR takes a folder, and .* is a file\. Set DATA_DIR/);
    expect(said.trim().split('\n')).toHaveLength(1);
    expect((await start({ PORT: '0', DATA_DIR: ' ' })).said).toMatch(/^DATA_DIR takes the path of a folder/);
  });

  it('remembers that a workshop was begun empty, and works cases out in threads of its own', async () => {
    const DATA_DIR = join(folder, 'empty');
    await start({ PORT: '0', DATA_DIR }, ['--empty']);
    let rigs: unknown = null;
    let answered: unknown = null;
    let started: unknown = null;
    await start({ PORT: '0', DATA_DIR }, [], async (address) => {
      rigs = await (await fetch(`${address}/api/rigs`)).json();
      const body = JSON.stringify(EXAMPLE_CASE);
      const headers = { 'content-type': 'application/json' };
      answered = await (await fetch(`${address}/api/diagnose`, { method: 'POST', body, headers })).json();
      started = await (await fetch(`${address}/api/start`, { method: 'POST', body, headers })).json();
    });
    expect(rigs).toEqual([]);
    expect(answered).toEqual(JSON.parse(JSON.stringify(answer(EXAMPLE_CASE))));
    expect(started).toEqual(JSON.parse(JSON.stringify(startAnswer(EXAMPLE_CASE))));
  });
});
