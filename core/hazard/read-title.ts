import type { Concern } from '../case/terms';
import { HARMLESS_COMPOUNDS, HAZARD_WORDS, type Hazard } from './lexicon';

/** A hazard that a title names, with the words that name it. */
export type NamedHazard = { hazard: Hazard; of: string; words: string };

/** A title in plain words: lower case, no accents, hyphens and signs as spaces. */
const plain = (title: string): string =>
  title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** A word as it may stand in a title: alone, in the plural, as an open or a closed compound ("pad eye", "padeye"). */
const pattern = (word: string): string => `${word.replace(/ /g, ' ?')}(?:e?s)?`;
/** One expression for many words, the longest first, so that "tow bar" is found before "tow". */
const anyOf = (words: string): RegExp =>
  new RegExp(
    `(?<![\\p{L}\\p{N}])(?:${words
      .split(', ')
      .sort((a, b) => b.length - a.length)
      .map(pattern)
      .join('|')})(?![\\p{L}\\p{N}])`,
    'u',
  );

const KINDS = HAZARD_WORDS.map((kind) => ({ ...kind, found: anyOf(kind.words) }));
const HARMLESS = new RegExp(anyOf(HARMLESS_COMPOUNDS.join(', ')).source, 'gu');

/**
 * Returns what the title of a job warns of. It is read by words and by nothing else: what it does not name is asked.
 * @param title as typed; 200 letters at most are read
 * @returns each hazard with the words that name it, in the order of the lexicon; nothing for a title that names none
 */
export function hazardsOfTitle(title: string): NamedHazard[] {
  const said = plain(title.slice(0, 200)).replace(HARMLESS, ' ');
  return KINDS.flatMap(({ hazard, of, found }) => {
    const [words] = found.exec(said) ?? [];
    return words === undefined ? [] : [{ hazard, of, words }];
  });
}

/**
 * Returns what stays ruled out once a job is called something else: what its new title names for the first time is asked again.
 * @param ruledOut what was asked and is not so
 */
export function stillRuledOut(before: string, after: string, ruledOut: readonly Concern[]): Concern[] {
  const concerns = (title: string): Concern[] =>
    hazardsOfTitle(title).flatMap(({ hazard }) => ('concern' in hazard ? [hazard.concern] : []));
  const was = concerns(before);
  const anew = concerns(after).filter((concern) => !was.includes(concern));
  return ruledOut.filter((concern) => !anew.includes(concern));
}
