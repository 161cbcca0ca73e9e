import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';

/** The circles of folders that `npm run arrows` finds in imports from file to file. */
function circlesOf(imports: [from: string, to: string][]): string[][] {
  const modules = imports.map(([source, resolved]) => ({ source, dependencies: [{ resolved }] }));
  const script = `import('./scripts/arrows.mjs').then(({ circlesOfFolders }) =>
    console.log(JSON.stringify(circlesOfFolders(${JSON.stringify(modules)}))))`;
  const said = execFileSync(process.execPath, ['-e', script, 'arrows'], { cwd: resolve(__dirname, '..') });
  return (JSON.parse(String(said)) as string[][]).map((circle) => [...circle].sort());
}

it('finds folders that import one another, by however many others, and those that hold other folders as well', () => {
  expect(
    circlesOf([
      ['core/a/one.ts', 'core/b/two.ts'],
      ['core/b/three.ts', 'core/c/four.ts'],
      ['core/c/five.ts', 'core/a/six.ts'],
      ['server/app.ts', 'server/db/open.ts'],
      ['server/db/open.ts', 'server/errors.ts'],
    ]),
  ).toEqual(
    expect.arrayContaining([
      ['core/a', 'core/b', 'core/c'],
      ['server', 'server/db'],
    ]),
  );
});

it('finds none where arrows run one way, within a folder, or to what is installed', () => {
  expect(
    circlesOf([
      ['core/a/one.ts', 'core/b/two.ts'],
      ['core/a/one.ts', 'core/c/three.ts'],
      ['core/b/two.ts', 'core/b/four.ts'],
      ['core/b/four.ts', 'core/b/two.ts'],
      ['core/c/three.ts', 'node_modules/ajv/dist/ajv.js'],
      ['node_modules/ajv/dist/ajv.js', 'core/c/three.ts'],
    ]),
  ).toEqual([]);
});
