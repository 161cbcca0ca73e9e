import type { Href } from 'expo-router';
import type { Entry } from '@/core/record/shapes/log-entry-schema';

/** Where a line of the days leads: a coupon with one of its beads, a kept setting, a weld, or what is fitted on a rig and its care. */
export type Leads = { what: 'coupon' | 'proven' | 'weld' | 'parts' | 'care'; id: string; bead: number | null };
/** A line that is open: which one, and where it leads. */
export type Opened = { line: string } & Leads;

/** Where a line leads. */
export function leadsTo({ kind, of, couponId, weldId, rigId, number }: Entry): Leads {
  if (kind === 'proven') return { what: 'proven', id: of, bead: null };
  if (weldId !== null) return { what: 'weld', id: weldId, bead: null };
  if (couponId !== null) return { what: 'coupon', id: couponId, bead: number };
  return { what: kind === 'care' ? 'care' : 'parts', id: rigId, bead: null };
}

/** The page that shows it by itself. */
export function pageOf({ what, id, bead }: Leads): Href & string {
  if (what === 'coupon') return `/coupon/${id}${bead === null ? '' : `?bead=${bead}`}`;
  if (what === 'parts' || what === 'care') return `/rig/${what}/${id}`;
  return `/${what}/${id}`;
}

/** Returns what makes a line itself. */
export const lineOf = ({ kind, of }: Entry): string => `${kind} ${of}`;

export const opened = (entry: Entry): Opened => ({ line: lineOf(entry), ...leadsTo(entry) });

/** As it stands in the address, so that a reload and going back show it again. */
export const openedText = ({ line, what, id, bead }: Opened): string =>
  [line, what, id, ...(bead === null ? [] : [bead])].join('.');

const OPENED = /^([a-z]+ [0-9a-f-]{36})\.(coupon|proven|weld|parts|care)\.([0-9a-f-]{36})(?:\.([1-9]\d{0,3}))?$/;

/** Returns what an address says is open; null where it says nothing that can be. */
export function openedFrom(text: string | undefined): Opened | null {
  const found = OPENED.exec(text ?? '');
  if (found === null) return null;
  const [, line, what, id, bead] = found;
  return { line, what: what as Leads['what'], id, bead: bead === undefined ? null : Number(bead) };
}
