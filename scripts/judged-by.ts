import { existsSync, readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join, relative, resolve } from 'node:path';
import { ModuleKind, ScriptTarget, transpileModule } from 'typescript';

/** Where an answer is worked out: everything that is imported from here on judges. */
const FROM = 'core/answer/index.ts';
/** What is made from the sources themselves. */
const MADE = 'core/compiled/';

const IMPORTED = /(?:from|import\()\s*'(\.[^']*)'/g;

/** The file that a relative import names; null for what is made. */
function fileOf(from: string, named: string): string | null {
  const at = resolve(dirname(from), named);
  return [`${at}.ts`, join(at, 'index.ts')].find(existsSync) ?? null;
}

/**
 * Every source that an answer is computed with: found by following the imports, so that none can be forgotten.
 * @param root of the project
 * @returns paths from the root, sorted, with what each says; comments and layout left out
 */
export function answerSources(root: string): Map<string, string> {
  const sources = new Map<string, string>();
  const open = [join(root, FROM)];
  for (let file = open.pop(); file !== undefined; file = open.pop()) {
    const name = relative(root, file).replace(/\\/g, '/');
    if (sources.has(name) || name.startsWith(MADE)) continue;
    const text = readFileSync(file, 'utf8');
    for (const [, named] of text.matchAll(IMPORTED)) {
      const next = fileOf(file, named);
      if (next !== null) open.push(next);
    }
    // What is only said to a reader judges nothing.
    const { outputText } = transpileModule(text, {
      compilerOptions: { target: ScriptTarget.ESNext, module: ModuleKind.ESNext, removeComments: true },
    });
    sources.set(name, outputText);
  }
  return new Map([...sources].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** A short name for sources by what they say: any other constant or rule gives another name. @returns 16 hex digits */
export function nameOfSources(sources: ReadonlyMap<string, string>): string {
  const hash = createHash('sha256');
  for (const [name, text] of sources) hash.update(name).update('\0').update(text).update('\0');
  return hash.digest('hex').slice(0, 16);
}
