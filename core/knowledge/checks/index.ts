import type { Check } from '../shapes/types';
import { SETTINGS_CHECKS } from './settings';
import { TECHNIQUE_CHECKS } from './technique';
import { COVER_CHECKS } from './cover';
import { PLATE_CHECKS } from './plate';
import { FEED_CHECKS } from './feed';
import { ELECTRIC_CHECKS } from './electrics';

/** What can be looked at or tried to tell causes apart; minutes are those of a practised hand. Ids are stable. */
export const CHECKS: readonly Check[] = [
  ...SETTINGS_CHECKS,
  ...TECHNIQUE_CHECKS,
  ...COVER_CHECKS,
  ...PLATE_CHECKS,
  ...FEED_CHECKS,
  ...ELECTRIC_CHECKS,
];
