import { ARC_ON_PCT, dutyAt, gunCarries, sourceGives } from '../arc/carries';
import { gasSuits, grooveWanted, linerSuits, polarityWanted, rollSuits, tipSuits, tipWanted } from '../arc/fit';
import { withWire, type WireSetup } from '../arc/setup';
import { sprayShare } from '../arc/transfer';
import { isTubular, wireMetal } from '../arc/wire';
import { mixName } from '../case/gas-mix';
import type { Rig } from '../case/schema';
import type { NozzleShape } from '../case/terms';
import type { CauseId } from '../evidence/ids';
import { wireChoice } from './wire-choice';
import { sizeInMm } from '../quantity/millimetres';

/** A part of the rig as it should be for its wire and job, in the order a hand goes through them. */
export const RIG_PARTS = [
  'wire',
  'gas',
  'roll',
  'liner',
  'tip',
  'recess',
  'nozzle',
  'polarity',
  'gun',
  'source',
] as const;
export type RigPart = (typeof RIG_PARTS)[number];

export type RigCheckItem = {
  part: RigPart;
  state: 'fits' | 'wrong' | 'not-known';
  /** What it has to be, and what is fitted; null where that is not known. Texts are metric. */
  want: string;
  have: string | null;
  /** What the mismatch does to the bead; null where there is none. */
  does: string | null;
  /** The cause that the mismatch is known as; null where the knowledge has none. */
  cause: CauseId | null;
  /** Whether it makes every figure wrong, so that none is given until it is put right; else it only wears or spatters. */
  holds: boolean;
};

export const PART_WORDS: Record<RigPart, string> = {
  wire: 'Wire',
  gas: 'Gas',
  roll: 'Drive roll',
  liner: 'Liner',
  tip: 'Contact tip',
  recess: 'Tip in the nozzle',
  nozzle: 'Nozzle',
  polarity: 'Polarity',
  gun: 'Gun',
  source: 'Machine',
};

const METAL_NAMES = { 'mild-steel': 'mild steel', stainless: 'stainless', aluminium: 'aluminium' } as const;
const GROOVE_WORDS = { v: 'smooth V', u: 'smooth U', knurled: 'knurled' } as const;

const WRONG_GROOVE = {
  v: 'A sharp groove cuts soft wire and crushes tubular: it surges, bird-nests, and the cuttings fill the liner.',
  u: 'A round groove only carries soft wire: a hard one slips in it, and the bead comes in jerks.',
  knurled: 'Knurls shave solid wire: the dust blocks liner and tip, and the wire surges.',
} as const;

type Found = Omit<RigCheckItem, 'part'>;
const item = (
  want: string,
  have: string | null,
  fits: boolean,
  does: string,
  cause: CauseId | null,
  holds = false,
): Found => ({
  ...{ want, have, cause: have === null || fits ? null : cause, holds: have !== null && !fits && holds },
  state: have === null ? 'not-known' : fits ? 'fits' : 'wrong',
  does: have === null || fits ? null : does,
});

/** Tip recess by transfer, mm. Source: the trade's 6 mm back for spray, flush to 3 mm for short circuit. */
const RECESS = { short: [-1, 3], spray: [3, 7] } as const;
/** Above so many amps a slim nozzle glows and fouls. */
const USUAL_NOZZLE = { leastMm: 10, mostMm: 16 };
const HEAVY_NOZZLE = { fromA: 200, leastMm: 15 };

function rollItem({ wire }: WireSetup, roll: NonNullable<Rig['parts']>['roll']): Found {
  const groove = grooveWanted(wire);
  const known = roll?.groove !== undefined || roll?.sizeMm !== undefined;
  const have = known
    ? [roll?.groove && GROOVE_WORDS[roll.groove], roll?.sizeMm && sizeInMm(roll.sizeMm)].filter(Boolean).join(', ')
    : null;
  const does =
    roll?.groove !== undefined && roll.groove !== groove
      ? WRONG_GROOVE[roll.groove]
      : 'A groove that is too large slips, one too small flattens the wire: it surges and burns back.';
  return item(
    `${GROOVE_WORDS[groove]}, ${sizeInMm(wire.diameterMm)}`,
    have,
    roll === undefined || rollSuits(wire, roll),
    does,
    'roll-wrong',
    roll?.groove !== undefined && roll.groove !== groove,
  );
}

function linerItem({ wire }: WireSetup, liner: NonNullable<Rig['parts']>['liner']): Found {
  const kind = wireMetal(wire.class) === 'aluminium' ? 'polymer' : 'steel';
  const known = liner?.kind !== undefined || liner?.sizeMm !== undefined;
  const have = known ? [liner?.kind, liner?.sizeMm && `to ${sizeInMm(liner.sizeMm)}`].filter(Boolean).join(', ') : null;
  return item(
    `${kind}, for ${sizeInMm(wire.diameterMm)}`,
    have,
    liner === undefined || linerSuits(wire, liner),
    'A tight liner drags and a wide one lets the wire weave: it surges; steel scrapes aluminium until it jams.',
    null,
    kind === 'polymer' && liner?.kind === 'steel',
  );
}

function recessItem(setup: WireSetup, currentA: number, recessMm: number | undefined): Found {
  const spray = setup.pulse || sprayShare(currentA, setup.wire, setup.gas) > 0.5;
  const [low, high] = spray ? RECESS.spray : RECESS.short;
  const have =
    recessMm === undefined ? null : recessMm < 0 ? `${sizeInMm(-recessMm)} out` : `${sizeInMm(recessMm)} back`;
  return item(
    spray ? '3 to 7 mm back, for spray' : 'flush to 3 mm back, for short circuit',
    have,
    recessMm === undefined || (recessMm >= low && recessMm <= high),
    recessMm !== undefined && recessMm > high
      ? 'A tip far back forces a long stick-out: a cold, ropey bead.'
      : 'A tip that stands out burns and fouls in a hot arc.',
    'tip-recess-wrong',
  );
}

function nozzleItem(setup: WireSetup, currentA: number, shape: NozzleShape | undefined): Found {
  const heavy = currentA >= HEAVY_NOZZLE.fromA;
  const { boreMm, boreKnown } = setup;
  const { leastMm, mostMm } = USUAL_NOZZLE;
  const tapered = shape === 'tapered';
  return item(
    heavy
      ? `straight, ${HEAVY_NOZZLE.leastMm} mm or wider above ${HEAVY_NOZZLE.fromA} A`
      : `${leastMm} to ${mostMm} mm; tapered where the joint is tight`,
    boreKnown ? `${sizeInMm(boreMm)}${shape === undefined ? '' : `, ${shape}`}` : null,
    !boreKnown || (heavy ? boreMm >= HEAVY_NOZZLE.leastMm && !tapered : boreMm >= leastMm && boreMm <= mostMm),
    boreMm > mostMm && !heavy
      ? 'A wide nozzle hides the joint and wants more gas than a small arc is worth.'
      : 'A slim nozzle gets hot, fills with spatter and covers too little: holes.',
    'nozzle-blocked',
  );
}

function gunItem(setup: WireSetup, currentA: number, gun: Rig['gun']): Found {
  const carries = gun?.ratedA === undefined ? null : Math.round(gunCarries(gun.ratedA, setup.gas));
  return item(
    `carries ${Math.round(currentA)} A in this gas`,
    carries === null
      ? null
      : `${gun!.ratedA!} A in CO2, about ${carries} A in this gas${gun!.cooling === 'water' ? ', water-cooled' : ''}`,
    carries === null || currentA <= carries,
    'The gun gets hot: the tip softens and grips, the wire burns back; long runs want a bigger or a water-cooled gun.',
    null,
    setup.machineLacks?.by === 'gun',
  );
}

function sourceItem({ machineLacks }: WireSetup, currentA: number, source: Rig['source']): Found {
  const duty = source === undefined ? null : Math.round(dutyAt(currentA, source.ratedA, source.ratedPct));
  return item(
    `${Math.round(currentA)} A for at least ${ARC_ON_PCT} % of ten minutes`,
    duty === null
      ? null
      : machineLacks?.by === 'source'
        ? `about ${Math.round(sourceGives(source!.ratedA, source!.ratedPct))} A`
        : duty >= 100
          ? 'all the time'
          : `${duty} % of ten minutes: ${Math.round(duty / 10)} min arc, ${10 - Math.round(duty / 10)} min rest`,
    duty === null || duty >= ARC_ON_PCT,
    machineLacks?.by === 'source'
      ? 'It does not give what the plate wants: the bead lies on it cold. A bigger machine, or thinner work.'
      : 'It cuts out when it is hot: shorter runs and the rests it asks for.',
    null,
    machineLacks?.by === 'source',
  );
}

/**
 * Returns what of a rig must match its wire and job, what is fitted, and what each mismatch does. What is not recorded is said to be
 * not known: it is looked at in the walk.
 * @param setup the surroundings
 * @param rig as recorded
 * @param thickMm the thicker part, mm; null where it is not known
 * @param currentA expected, A
 * @returns nothing where the wire is not known
 */
export function rigCheck(
  setup: Parameters<typeof withWire>[0],
  rig: Rig,
  thickMm: number | null,
  currentA: number,
): RigCheckItem[] {
  const known = withWire(setup);
  if (known === null) return [];
  const { wire } = known;
  const { parts = {} } = rig;
  const choice =
    thickMm === null
      ? null
      : wireChoice(wire, { thickMm, currentA: setup.plateWantsA ?? currentA, position: setup.position });
  const metal = wireMetal(wire.class);
  const polarity = polarityWanted(wire);
  const studs = (of: typeof polarity): string => (of === 'electrode-positive' ? 'gun on plus' : 'gun on minus');
  const gasFits = gasSuits(setup, rig.gas === null);
  const found: [RigPart, Found | null][] = [
    [
      'wire',
      metal !== setup.baseMetal
        ? item(
            METAL_NAMES[setup.baseMetal],
            METAL_NAMES[metal],
            false,
            'Its metal is not the plate’s: it cracks, or does not fuse.',
            'wire-wrong',
            true,
          )
        : choice === null
          ? null
          : item(
              choice.suits.map((size) => sizeInMm(size)).join(' or '),
              sizeInMm(wire.diameterMm),
              choice.fitted,
              'Too thick a wire cannot be run cold enough for sheet, too thin a one not hot enough for plate.',
              'wire-wrong',
            ),
    ],
    [
      'gas',
      setup.usesGas
        ? item(
            gasWanted(known),
            rig.gas === undefined ? null : mixName(rig.gas),
            gasFits,
            'The arc never settles: it wanders and spatters, toes are undercut, and no knob cures it.',
            'gas-wrong',
            true,
          )
        : rig.gas
          ? item('none: the wire makes its own', mixName(rig.gas), false, 'Gas that is only paid for.', null)
          : null,
    ],
    ['roll', rollItem(known, parts.roll)],
    ['liner', linerItem(known, parts.liner)],
    [
      'tip',
      item(
        tipWanted(wire).map(sizeInMm).join(' or '),
        parts.tip?.sizeMm === undefined ? null : sizeInMm(parts.tip.sizeMm),
        parts.tip?.sizeMm === undefined || tipSuits(wire, parts.tip.sizeMm),
        'A large bore gives poor contact: the arc wanders and sputters. A tight one grips the wire: it burns back.',
        'tip-wrong-size',
      ),
    ],
    ['recess', isTubular(wire.class) && !setup.usesGas ? null : recessItem(known, currentA, parts.tip?.recessMm)],
    ['nozzle', setup.usesGas ? nozzleItem(known, currentA, parts.nozzle?.shape) : null],
    [
      'polarity',
      item(
        studs(polarity),
        rig.polarity === undefined ? null : studs(rig.polarity),
        rig.polarity === undefined || rig.polarity === polarity,
        'On the wrong pole it wanders, spatters heavily, ropes and does not fuse.',
        'polarity-wrong',
        true,
      ),
    ],
    ['gun', gunItem(known, currentA, rig.gun)],
    ['source', sourceItem(known, currentA, rig.source)],
  ];
  return found.flatMap(([part, one]) => (one === null ? [] : [{ part, ...one }]));
}

/** Mixes that suit a wire, in words. */
function gasWanted({ wire }: WireSetup): string {
  const metal = wireMetal(wire.class);
  if (metal === 'aluminium') return 'argon, or argon and helium';
  if (metal === 'stainless') return 'argon with 2 to 5 % CO2 or 1 to 2 % oxygen';
  if (wire.class === 'metal-cored') return 'argon with 5 to 25 % CO2';
  return isTubular(wire.class) ? 'CO2, or argon with 15 to 25 % CO2' : 'argon with 5 to 25 % CO2, or CO2';
}

/** A part that does not fit, in words: "Polarity: gun on minus is fitted, gun on plus is wanted. On the wrong pole …". */
export type Misfit = { part: RigPart | 'procedure'; holds: boolean; text: string };

const misfitText = ({ part, want, have, does }: RigCheckItem): string =>
  `${PART_WORDS[part]}: ${have ?? 'not known'} is fitted, ${want} is wanted.${does === null ? '' : ` ${does}`}`;

/**
 * Returns what of a rig does not fit its wire and job, what makes every figure wrong first. The size of the wire is left to the choice of wire.
 * @param setup the surroundings
 * @param rig as recorded
 * @param currentA expected, A; what gun and source that carry it would be asked for counts where that is more
 */
export function misfitsOf(setup: WireSetup, rig: Rig, currentA: number): Misfit[] {
  const asked = Math.max(currentA, setup.machineLacks?.wantsA ?? 0);
  return rigCheck(setup, rig, null, asked)
    .filter(({ state }) => state === 'wrong')
    .sort((a, b) => Number(b.holds) - Number(a.holds))
    .map((found) => ({ part: found.part, holds: found.holds, text: misfitText(found) }));
}

/**
 * A wire that cannot be run as cold as the plate wants, or not at all in this position and gas: the answer is another wire, and no figure.
 * @param thickMm the thicker part, mm
 * @returns null where the wire can be run
 */
export function tooThickWire(setup: WireSetup, thickMm: number): Misfit | null {
  const { tooThickFromA, plateWantsA, wire, position } = setup;
  if (tooThickFromA === null || plateWantsA === null) return null;
  const { suits } = wireChoice(wire, { thickMm, currentA: plateWantsA, position });
  const thinner = suits.filter((size) => size < wire.diameterMm - 0.05);
  const instead = thinner.length === 0 ? 'thinner or tubular wire' : `${thinner.map(sizeInMm).join(' or ')} wire`;
  return {
    part: 'wire',
    holds: true,
    text: setup.runsNowhere
      ? `Wire: ${sizeInMm(wire.diameterMm)} runs from about ${Math.round(tooThickFromA)} A, which gas, position, gun or machine do not carry here. Fit ${instead}.`
      : `Wire: ${sizeInMm(wire.diameterMm)} runs from about ${Math.round(tooThickFromA)} A here, and the plate wants about ${Math.round(plateWantsA)} A. Fit ${instead}.`,
  };
}
