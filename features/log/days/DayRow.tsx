import { memo } from 'react';
import type { Entry, EntryKind } from '@/core/record/shapes/log-entry-schema';
import { BeadThumb } from '@/ui/bead/BeadThumb';
import { ListLink } from '@/ui/ListLink';
import { clockWords } from '../../shared/time-words';
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

/** One thing that happened. */
export const DayRow = memo(function DayRow({ entry, day, here, onOpen }: RowProps) {
  const { kind, number, title, says, at, rigName, by, appearance } = entry;
  const what = kind === 'bead' ? `Bead ${number ?? ''}` : KIND_WORDS[kind];
  const where = [...(title === rigName || says === rigName ? [] : [rigName]), ...(by === null ? [] : [by])];
  return (
    <div className="font-plain text-ink">
      {day !== null && <h2 className="pb-2 pt-2 font-strong text-lg">{day}</h2>}
      <ListLink
        to={pageOf(leadsTo(entry))}
        label={`${what}, ${title}: ${says}`}
        here={here}
        className="items-center gap-3"
        onOpen={() => onOpen(entry)}
      >
        <div className="w-20 flex-none overflow-hidden rounded-sm text-sm text-faint">
          {kind === 'bead' ? <BeadThumb appearance={appearance} width={80} /> : what}
        </div>
        <div className="min-w-0 flex-1 break-words">
          <div className="font-strong">{says === rigName ? title : kind === 'bead' ? `${what}: ${says}` : says}</div>
          {says !== rigName && <div className="text-sm">{title}</div>}
          <div className="text-sm text-faint">{[clockWords(at), ...where].join(' · ')}</div>
        </div>
      </ListLink>
    </div>
  );
});
