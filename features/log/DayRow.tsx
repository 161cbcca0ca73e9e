import { memo, type MouseEvent } from 'react';
import type { Entry, EntryKind } from '@/core/record/entry-schema';
import { BeadThumb } from '@/ui/bead/BeadThumb';
import { clockWords } from '../shared/time-words';
import { leadsTo, pageOf } from './day-open';

const KIND_WORDS: Record<EntryKind, string> = {
  coupon: 'Coupon',
  bead: 'Bead',
  proven: 'Kept setting',
  weld: 'Weld',
  inspection: 'Inspection',
  repair: 'Repair',
  refit: 'Fitted',
  care: 'Care',
};

type RowProps = {
  entry: Entry;
  /** Its day, where that is another than that of the line above. */
  day: string | null;
  /** Whether it stands open beside the list. */
  here: boolean;
  onOpen: (entry: Entry) => void;
};

/** With a key held, or another button of the mouse, a link is the browser's: another tab, another window. */
const isPlain = (event: MouseEvent): boolean =>
  event.button === 0 && !(event.metaKey || event.ctrlKey || event.shiftKey || event.altKey);

/**
 * One thing that happened. Written in elements of the page and not in those that the rest of the product is made of: each of those
 * costs a cheap phone a millisecond, and a line that is flung past has a dozen.
 */
export const DayRow = memo(function DayRow({ entry, day, here, onOpen }: RowProps) {
  const { kind, number, title, says, at, rigName, by, appearance } = entry;
  const what = kind === 'bead' ? `Bead ${number ?? ''}` : KIND_WORDS[kind];
  const where = [...(title === rigName || says === rigName ? [] : [rigName]), ...(by === null ? [] : [by])];
  return (
    <div className="pt-2 font-plain text-ink">
      {day !== null && <h2 className="pb-2 pt-2 font-strong text-lg">{day}</h2>}
      <a
        href={pageOf(leadsTo(entry))}
        aria-label={`${what}, ${title}: ${says}`}
        aria-current={here ? 'page' : undefined}
        className={`flex min-h-14 items-center gap-3 rounded-md border-2 bg-plate p-3 ${here ? 'border-ink' : 'border-transparent'}`}
        onClick={(event) => {
          if (!isPlain(event)) return;
          event.preventDefault();
          onOpen(entry);
        }}
      >
        <div className="w-20 flex-none overflow-hidden rounded-sm text-sm text-faint">
          {kind === 'bead' ? <BeadThumb appearance={appearance} width={80} /> : what}
        </div>
        <div className="min-w-0 flex-1 break-words">
          <div className="font-strong">{says === rigName ? title : kind === 'bead' ? `${what}: ${says}` : says}</div>
          {says !== rigName && <div className="text-sm">{title}</div>}
          <div className="text-sm text-faint">{[clockWords(at), ...where].join(' · ')}</div>
        </div>
      </a>
    </div>
  );
});
