import type { AmpsRead } from '../arc/amps';
import type { StatedId } from '../evidence/ids';
import type { Engine } from './engine';
import { showsGiven, type LikelySet } from './likely-sets';
import type { Observed } from './observed';
import type { Residuals } from './residuals';

/** Something that does not add up: two statements that do not go together, or a finding nothing explains. */
export type Note = { kind: 'contradiction' | 'unexplained'; about: string[]; text: string };

/** Two statements this much rarer together than by chance do not go together. */
const RARE_TOGETHER = 0.4;
/** A finding that more likely than this came from nowhere is not explained. */
const FROM_NOWHERE = 0.6;
/** Figures this far out, in half-widths, should show on the bead. */
const FAR_OUT = 2.8;

/** The trade name of a finding or check inside a sentence. */
function lower({ knowledge: { findings, checks } }: Engine, id: StatedId): string {
  return ([...findings, ...checks].find((entry) => entry.id === id)?.name ?? id).toLowerCase();
}

/**
 * Returns how much rarer "good one present" and "trouble present" are together than apart, over all causes at their
 * priors: (Q_g - Q_fg) / ((1 - Q_f) Q_g), where Q is the chance that nothing brings trouble out.
 * @returns 1 where they know nothing of each other, 0 where they never come together
 */
export function togetherness(
  { nodeById }: Pick<Engine, 'nodeById'>,
  goodId: string,
  troubleId: string,
  priors: Float64Array,
): number {
  const [good, trouble] = [goodId, troubleId].map((id) => nodeById.get(id));
  if (good === undefined || trouble === undefined) return 1;
  let [quietGood, quietTrouble, quietBoth] = [1 - good.leak, 1 - trouble.leak, (1 - good.leak) * (1 - trouble.leak)];
  priors.forEach((prior, c) => {
    const [g, t] = [good.strength[c], trouble.strength[c]];
    quietGood *= 1 - prior * g;
    quietTrouble *= 1 - prior * t;
    quietBoth *= 1 - prior * (1 - (1 - g) * (1 - t));
  });
  return (quietGood - quietBoth) / ((1 - quietTrouble) * quietGood);
}

function contradictions(engine: Engine, seen: ReadonlySet<string>, priors: Float64Array): Note[] {
  const { findings, opposites } = engine.knowledge;
  const notes: Note[] = [];
  for (const [a, b] of opposites) {
    if (seen.has(a) && seen.has(b))
      notes.push({
        kind: 'contradiction',
        about: [a, b],
        text: `"${lower(engine, a)}" and "${lower(engine, b)}" do not go together: look again.`,
      });
  }
  const good = findings.filter((finding) => finding.good && seen.has(finding.id));
  const trouble = findings.filter((finding) => !finding.good && seen.has(finding.id));
  for (const { id: a } of good) {
    for (const { id: b } of trouble) {
      const told = notes.some(({ about }) => about.includes(a) && about.includes(b));
      if (!told && togetherness(engine, a, b, priors) < RARE_TOGETHER) {
        notes.push({
          kind: 'contradiction',
          about: [a, b],
          text: `"${lower(engine, a)}" and "${lower(engine, b)}" hardly go together: look again.`,
        });
      }
    }
  }
  return notes;
}

/** A figure far out of balance that the bead does not show. */
function figureAgainstBead(residuals: Residuals, chance: (...causes: string[]) => number): Note[] {
  const off = residuals.balance?.value ?? 0;
  const shows = off < 0 ? chance('voltage-low', 'wire-fast') : chance('voltage-high', 'wire-slow');
  if (Math.abs(off) < FAR_OUT || shows > 0.3) return [];
  const side = off < 0 ? 'under' : 'over';
  return [
    {
      kind: 'contradiction',
      about: ['setting:voltageV'],
      text: `The figures lie far ${side} balance, the bead does not look it: read volts and wire speed again while welding.`,
    },
  ];
}

/** From here on the amps that were read do not go with the wire speed: laws and meter together are seldom so far off. */
const AMPS_APART = 0.15;

/** A meter that says clearly more or less than the wire speed gives. */
function ampsAgainstWire(read: AmpsRead | null): Note[] {
  if (read === null || Math.abs(read.ratio - 1) < AMPS_APART) return [];
  const [more, first] =
    read.ratio < 1
      ? ['under', 'the tip stands further off, or less wire comes']
      : ['over', 'the tip stands closer, or more wire comes'];
  const said = `The meter says ${Math.round(read.ratio * read.expectedA)} A, clearly ${more} the ${Math.round(read.expectedA)} A`;
  return [
    {
      kind: 'contradiction',
      about: ['setting:currentA'],
      text: `${said} that this wire speed gives at that stick-out: ${first} than recorded. Measure the wire end, then run wire out for six seconds.`,
    },
  ];
}

function unexplained(engine: Engine, observed: Observed, sets: readonly LikelySet[]): Note[] {
  return observed.present.flatMap((node) => {
    const fromNowhere = sets.reduce((sum, { causes, probability }) => {
      const shows = showsGiven(node, causes);
      return sum + (probability * node.leak * (1 - shows)) / ((1 - node.leak) * shows);
    }, 0);
    if (fromNowhere < FROM_NOWHERE) return [];
    return [
      {
        kind: 'unexplained' as const,
        about: [node.id],
        text: `Nothing likely here explains "${lower(engine, node.id)}". Look at it again, or for a cause outside this list.`,
      },
    ];
  });
}

/** A cause that leads although its own check was clear: nothing else that is known comes near it. */
function clearButFirst({ knowledge: { causes } }: Engine, lead: string | null, clear: ReadonlySet<string>): Note[] {
  const cause = causes.find(({ id }) => id === lead);
  if (cause === undefined || !clear.has(cause.check)) return [];
  return [
    {
      kind: 'unexplained',
      about: [cause.check],
      text: `The look for "${cause.name.toLowerCase()}" was clear, and nothing else here explains this bead: look again, or for a cause outside this list.`,
    },
  ];
}

/** What the notes rest on: what was seen, the figures, and how likely what is. */
export type Weighed = {
  observed: Observed;
  /** Ids stated as present, and as not there. */
  seen: ReadonlySet<string>;
  clear: ReadonlySet<string>;
  /** The likeliest cause; null where none is listed. */
  lead: string | null;
  residuals: Residuals;
  /** Amps off the meter against the wire; null where none were read. */
  amps: AmpsRead | null;
  sets: readonly LikelySet[];
  priors: Float64Array;
  /** Total probability of causes by id. */
  chance: (...causes: string[]) => number;
};

/** Returns what does not add up in a case, said instead of averaged away. */
export function notesOn(engine: Engine, weighed: Weighed): Note[] {
  const { observed, seen, clear, lead, residuals, amps, sets, priors, chance } = weighed;
  return [
    ...contradictions(engine, seen, priors),
    ...figureAgainstBead(residuals, chance),
    ...ampsAgainstWire(amps),
    ...unexplained(engine, observed, sets),
    ...clearButFirst(engine, lead, clear),
  ];
}
