import { NO_COPIES } from '@/core/record/shapes/copies-schema';
import { copiedAgo, isNotCopied } from './copies-words';

const NOW = new Date('2026-05-04T09:00:00Z');
const before = (seconds: number): string => new Date(NOW.getTime() - seconds * 1000).toISOString();

it('says how old the copy is, also where the clocks differ', () => {
  expect(copiedAgo(before(-3), NOW)).toBe('All of it is copied, up to some seconds ago.');
  expect(copiedAgo(before(40), NOW)).toBe('All of it is copied, up to 40 s ago.');
  expect(copiedAgo(before(300), NOW)).toBe('All of it is copied, up to 5 min ago.');
});

it('makes news of what stands in the way for long, or from the start, and of nothing else', () => {
  const copies = { ...NO_COPIES, to: '/mnt/other' };
  expect(isNotCopied({ ...copies, upTo: before(2) }, NOW)).toBe(false);
  expect(isNotCopied({ ...copies, upTo: null }, NOW)).toBe(false);
  const trouble = 'no space left on device';
  expect(isNotCopied({ ...copies, trouble, since: before(3), upTo: before(4) }, NOW)).toBe(false);
  expect(isNotCopied({ ...copies, trouble, since: before(20), upTo: before(4) }, NOW)).toBe(true);
  expect(isNotCopied({ ...copies, trouble, since: before(3), upTo: before(60) }, NOW)).toBe(true);
  expect(isNotCopied({ ...copies, trouble, since: before(3), upTo: null }, NOW)).toBe(true);
});
