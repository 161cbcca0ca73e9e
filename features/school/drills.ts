import { EAR_ITEMS, EAR_WORDS } from '@/core/school/by-ear';
import type { Drill, Practice } from '@/core/school/practice-schema';
import { FINDINGS } from '@/core/knowledge/findings';
import type { SchoolPart } from './school-parts';

export const PART_WORDS: Record<SchoolPart, { title: string; what: string }> = {
  'by-ear': { title: 'By ear', what: 'An arc burns: what is wrong with it? Then turn the volts until it is right.' },
  'by-eye': { title: 'By eye', what: 'A bead is drawn: what does it show, and what was the cause?' },
  'one-knob': { title: 'Turn one knob', what: 'Five beads, one figure from low to high: which is right?' },
  'set-blind': {
    title: 'Set it blind',
    what: 'A machine that nobody knows, and a job: how few beads does it take you?',
  },
  'what-first': {
    title: 'What first?',
    what: 'A fault, and checks to choose from: which tells the most for its time?',
  },
  pace: { title: 'Keep the pace', what: 'A steady beat for the travel speed, to hear, to feel and to see.' },
  gun: { title: 'Hold the gun', what: 'Stick-out and angle drawn in true size: stand the phone beside the gun.' },
  coupons: {
    title: 'Run it for real',
    what: 'A sheet of plates to run on scrap, with the settings of a rig on its own dial.',
  },
  progress: { title: 'What I tell apart', what: 'What is told apart by now, and what is still mixed up.' },
};

/** What is said of a machine that was set in as few beads as the product takes, or one more; and otherwise. */
export const AS_FEW = 'as-few';
export const MORE = 'more';

/** The items of a drill that has always the same ones; of the others, those that were asked. */
export function itemsOf(drill: Drill, { answers }: Practice): string[] {
  if (drill === 'by-ear') return [...EAR_ITEMS];
  const asked = answers.filter((one) => one.drill === drill).flatMap(({ item, said }) => [item, said]);
  return [...new Set(asked)];
}

const KNOB_WORDS: Record<string, string> = { right: 'the right one', lower: 'one too low', higher: 'one too high' };

/** Returns what an item is called. @param names of causes and checks, which only their drill knows */
export function itemName(drill: Drill, item: string): string {
  if (drill === 'by-ear') return EAR_WORDS[item as keyof typeof EAR_WORDS]?.name ?? item;
  if (drill === 'one-knob') return KNOB_WORDS[item] ?? item;
  if (drill === 'set-blind') return item === AS_FEW ? 'as few beads as this product' : 'more beads';
  const known = FINDINGS.find(({ id }) => id === item)?.name;
  return known ?? item.replace(/^check-/, '').replace(/-/g, ' ');
}
