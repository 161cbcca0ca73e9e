import type { WeldState } from '../shapes/weld-schema';

/** How a weld stands, in words. */
export const WELD_STATE_WORDS: Record<WeldState, string> = {
  'to-inspect': 'To inspect',
  open: 'Not looked at whole',
  accept: 'Passed',
  repair: 'To repair',
  reject: 'To make anew',
};
