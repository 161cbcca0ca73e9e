import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { PROBLEMS } from '../server/errors/problem';

const ROOT = join(__dirname, '..');
const TEXTS = ['README.md', ...readdirSync(join(ROOT, 'docs')).map((name) => join('docs', name))].filter((name) =>
  name.endsWith('.md'),
);
const NOT_OURS = new Set(['node_modules', 'dist', 'data']);
const files = readdirSync(ROOT)
  .filter((name) => !name.startsWith('.') && !NOT_OURS.has(name))
  .flatMap((name) =>
    /\.\w+$/.test(name)
      ? [name]
      : readdirSync(join(ROOT, name), { recursive: true }).map((file) => join(name, String(file))),
  );
const text = (name: string): string => readFileSync(join(ROOT, name), 'utf8');

describe('the docs', () => {
  it.each(TEXTS)('%s names files that there are, and leads to pages that there are', (name) => {
    const named = [...text(name).matchAll(/`([\w./-]+\.(?:tsx?|mjs|js|md))`/g)].map(([, file]) => file);
    expect(named.filter((file) => !files.some((one) => one === file || one.endsWith(`/${file}`)))).toEqual([]);
    const linked = [...text(name).matchAll(/\]\(([^)#\s:]+)[)#]/g)].map(([, page]) => page);
    expect(linked.filter((page) => !existsSync(join(ROOT, dirname(name), page)))).toEqual([]);
  });

  it('list every way that a request can fail', () => {
    const [, listed] = /with a stable `code`: ([^.]+)\./.exec(text('docs/record.md'))!;
    expect(listed.split(/,\s+/).sort()).toEqual(Object.keys(PROBLEMS).sort());
  });
});
