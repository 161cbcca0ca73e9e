import { memo } from 'react';
import { appearanceFrom, type BeadAppearance } from '@/core/bead/appearance';
import { topMarkup } from './top-shapes';

const FIELD = { length: 30, height: 16 };

/** What was drawn, by the short form of the bead: a list shows the same ones again and again. */
const drawn = new Map<string, string>();
/** So many are kept, some 4 kB each. */
const MOST = 400;

function markupOf(appearance: Partial<BeadAppearance> | null): string {
  const key = JSON.stringify(appearance);
  const known = drawn.get(key);
  if (known !== undefined) return known;
  const made = topMarkup(appearanceFrom(appearance), FIELD);
  if (drawn.size >= MOST) drawn.delete(drawn.keys().next().value!);
  drawn.set(key, made);
  return made;
}

type ThumbProps = { appearance: Partial<BeadAppearance> | null; width: number };

/**
 * A bead from above, small, for a line of a list: the one drawing, put up in one piece. Its text is made here of figures and of
 * nothing that anybody typed.
 */
export const BeadThumb = memo(function BeadThumb({ appearance, width }: ThumbProps) {
  return (
    <div
      style={{ width, height: (width * FIELD.height) / FIELD.length, display: 'flex' }}
      dangerouslySetInnerHTML={{ __html: markupOf(appearance) }}
    />
  );
});
