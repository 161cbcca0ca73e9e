import type Fuse from 'fuse.js';
import { useEffect, useState } from 'react';
import { FINDINGS } from '@/core/knowledge/findings';
import type { Finding } from '@/core/knowledge/shapes/types';

let index: Fuse<Finding> | null = null;

/** The index of trade words, fetched when a word is first typed: most welders pick by picture. */
async function wordIndex(): Promise<Fuse<Finding>> {
  const { default: FuseIndex } = await import('fuse.js');
  index ??= new FuseIndex(FINDINGS, {
    keys: [
      { name: 'name', weight: 3 },
      { name: 'words', weight: 2 },
      { name: 'plain', weight: 1 },
    ],
    threshold: 0.34,
    ignoreLocation: true,
  });
  return index;
}

/** Findings that a word means, best first. @param sought the word; nothing is looked up while it is empty */
export function useFound(sought: string): readonly Finding[] {
  const [found, setFound] = useState<readonly Finding[]>([]);
  useEffect(() => {
    if (sought === '') return;
    let stale = false;
    void wordIndex().then((words) => !stale && setFound(words.search(sought).map(({ item }) => item)));
    return () => {
      stale = true;
    };
  }, [sought]);
  return found;
}
