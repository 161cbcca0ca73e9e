import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import ts from 'typescript';
import { createApp } from '../app';
import { DESCRIBED } from '../described';
import { createLog } from '../http/request-log';
import { openWorkshop, type Workshop } from '../testing/workshop';
import { openApi } from './openapi';

const ROOT = resolve(__dirname, '..', '..');
const text = JSON.stringify(openApi(DESCRIBED));
let tools: { problems: string[]; types: string };
beforeAll(() => {
  const { stdout, stderr } = spawnSync(process.execPath, ['scripts/openapi-tools.mjs'], {
    ...{ cwd: ROOT, input: text, encoding: 'utf8', maxBuffer: 32 * 1024 * 1024 },
  });
  if (stdout === '') throw new Error(stderr);
  tools = JSON.parse(stdout);
});

/** A layer of a router: a route, a router of its own, or neither. */
type Layer = { route?: { path: string; methods: Record<string, boolean> }; handle?: { stack?: Layer[] } };

/** Returns every address with its methods, as the router holds them. */
function routed(layers: readonly Layer[]): string[] {
  return layers.flatMap(({ route, handle }) => [
    ...Object.keys(route?.methods ?? {}).map((method) => `${method} ${route!.path}`),
    ...routed(handle?.stack ?? []),
  ]);
}

describe('the description of the API', () => {
  it('is what an outside linter takes, by all it recommends, and small enough to be read', () => {
    expect(tools.problems).toEqual([]);
    expect(text.length).toBeLessThan(150_000);
    // Each stands under a heading that is explained.
    const { tags, paths } = JSON.parse(text) as {
      tags: { name: string }[];
      paths: Record<string, Record<string, { tags: string[] }>>;
    };
    const used = Object.values(paths).flatMap((path) => Object.values(path).flatMap((operation) => operation.tags));
    expect([...new Set(used)].sort()).toEqual(tags.map(({ name }) => name).sort());
  });

  it('names every address of the router, and no other', () => {
    const never = () => Promise.reject(new Error('nothing is asked'));
    const app = createApp({
      ...{ store: null as never, database: '', site: null, log: createLog('silent'), report: () => undefined },
      ...{ diagnose: never, start: never, chart: never, learn: never, charts: never, takeFileIn: never },
    });
    const there = routed((app.router as unknown as { stack: Layer[] }).stack)
      .filter((one) => !one.startsWith('_all') && !one.startsWith('undefined'))
      .map((one) => one.replace(' /api/', ' /').replace(/:(\w+)/g, '{$1}'));
    expect([...new Set(there)].sort()).toEqual(DESCRIBED.map(({ method, path }) => `${method} ${path}`).sort());
  });
});

describe('a client that an outside generator makes', () => {
  let shop: Workshop;
  let folder: string;
  beforeAll(async () => {
    shop = await openWorkshop();
    mkdirSync(join(ROOT, '.cache'), { recursive: true });
    // Inside the project, where the packages are found.
    folder = mkdtempSync(join(ROOT, '.cache', 'client-'));
    const [, program] = /```ts\n([\s\S]*?)```/.exec(readFileSync(join(ROOT, 'docs', 'api.md'), 'utf8'))!;
    writeFileSync(join(folder, 'program.mts'), program.replace("'./workshop'", "'./workshop.mjs'"));
    writeFileSync(join(folder, 'workshop.d.mts'), tools.types);
  });
  afterAll(async () => {
    await shop.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('has types that the program of the docs is written by', () => {
    const program = ts.createProgram([join(folder, 'program.mts')], {
      ...{ strict: true, noEmit: true, skipLibCheck: true, target: ts.ScriptTarget.ES2022, types: ['node'] },
      ...{
        module: ts.ModuleKind.NodeNext,
        moduleResolution: ts.ModuleResolutionKind.NodeNext,
        typeRoots: [join(ROOT, 'node_modules/@types')],
      },
    });
    const said = ts
      .getPreEmitDiagnostics(program)
      .map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n'));
    expect(said).toEqual([]);
  });

  it('asks, writes and reads five things', async () => {
    const { spawn } = await import('node:child_process');
    const env = { ...process.env, WORKSHOP: `http://127.0.0.1:${shop.port}` };
    const running = spawn(process.execPath, ['--import', 'tsx', join(folder, 'program.mts')], { cwd: ROOT, env });
    let said = '';
    running.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
    running.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    await new Promise((done) => running.once('exit', done));
    expect(JSON.parse(said)).toEqual({
      ...{ name: expect.any(String), cause: 'heat-low', number: 1, title: 'From a program', lines: true },
    });
  });
});
