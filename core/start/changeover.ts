import { gasSuits, grooveWanted, linerSuits, polarityWanted, rollSuits, tipSuits, tipWanted } from '../arc/fit';
import { isSheathed, isTubular, wireMetal, type Wire } from '../arc/wire';
import { completeMix } from '../case/gas-mix';
import type { Gas, Rig } from '../case/schema';
import { sizeInMm } from '../quantity/millimetres';

/** One step of changing a machine over to another wire, done with gloves on and ticked. */
export type ChangeStep = {
  id: string;
  do: string;
  because: string;
  /** False where what is fitted will do, as it is recorded: then it is only looked at. */
  swap: boolean;
  caution: string | null;
};

const GROOVES = { v: 'smooth V', u: 'smooth U', knurled: 'knurled' } as const;

const step = (id: string, does: string, because: string, swap = true, caution: string | null = null): ChangeStep => ({
  ...{ id, do: does, because, swap, caution },
});

/** Returns whether a wire runs under gas. */
const underGas = ({ class: wireClass }: Wire): boolean => wireClass !== 'tubular-self-shielded';

/** The gas that a wire is usually run under; null where it needs none. */
function usualGas(wire: Wire): Gas | null {
  if (!underGas(wire)) return null;
  if (wireMetal(wire.class) === 'aluminium') return { argonPct: 100 };
  return wireMetal(wire.class) === 'stainless' ? { argonPct: 98, co2Pct: 2 } : { argonPct: 82, co2Pct: 18 };
}

/** Returns whether a gas that is fitted may stay for another wire. */
function gasStays({ gas }: Rig, wire: Wire): boolean {
  if (gas === undefined) return false;
  if (gas === null || !underGas(wire)) return gas === null && !underGas(wire);
  return gasSuits({ wire, gas: completeMix(gas), usesGas: true }, false);
}

const GAS_STEPS: Record<'aluminium' | 'stainless' | 'mild-steel', readonly [string, string]> = {
  aluminium: [
    'Argon on, regulator and hose of its own or blown through; let it run for a minute with the rolls open.',
    'A trace of CO2 or damp air in the hose blackens aluminium and fills it with pores.',
  ],
  stainless: [
    'Argon with 2 to 5 % CO2 or 1 to 2 % oxygen on; let it run for half a minute.',
    'More CO2 burns the chromium and carburises the bead: it rusts later.',
  ],
  'mild-steel': [
    'Argon with 5 to 25 % CO2, or CO2, on; let it run for half a minute.',
    'In pure argon on steel the arc wanders and undercuts, and no knob cures it.',
  ],
};

function gasStep(rig: Rig, to: Wire): ChangeStep {
  if (!underGas(to))
    return step(
      'gas',
      'Cylinder shut, line let off. Gas nozzle off; the nut or short cap of the self-shielded gun on.',
      'The wire makes its own gas; the long nozzle only hides the stick-out, which it needs long.',
      rig.gas !== null,
    );
  const [does, because] = GAS_STEPS[wireMetal(to.class)];
  return step('gas', does, because, !gasStays(rig, to), 'Stand beside the regulator, open the valve slowly.');
}

/** Wires that bend like soft string in a long liner. */
const isSoft = (to: Wire): boolean => wireMetal(to.class) === 'aluminium';

/**
 * Everything that changes with another wire, in the order of the hand: power off, spool, liner, rolls, tip, gas, studs, thread,
 * tension, and a look before the first bead. Source: the trade's order of the rig check; what must match is read off the same
 * rules as the check itself.
 * @param rig as it is recorded; what is not recorded is swapped, to be sure
 * @param to the wire it is changed over to
 */
export function changeover(rig: Rig, to: Wire): ChangeStep[] {
  const { parts = {}, polarity } = rig;
  const soft = isSoft(to);
  const groove = grooveWanted(to);
  const minus = polarityWanted(to) === 'electrode-negative';
  const tip = parts.tip?.sizeMm;
  const sameMetal = rig.wire?.class !== undefined && wireMetal(rig.wire.class) === wireMetal(to.class);
  const linerFits = parts.liner?.kind !== undefined && parts.liner.sizeMm !== undefined && linerSuits(to, parts.liner);
  const rollFits = parts.roll?.groove !== undefined && parts.roll.sizeMm !== undefined && rollSuits(to, parts.roll);
  return [
    step(
      'off',
      'Welder off at the switch, cylinder shut.',
      'Hands go into the feeder, and the wire is live at the trigger.',
      true,
      'Welder off before hands go into the feeder or leads are moved.',
    ),
    step(
      'spool',
      `Old wire cut and wound back, its end bent over; spool of ${sizeInMm(to.diameterMm)} on, so that it unwinds toward the rolls.`,
      soft
        ? 'Brake as loose as it goes without the spool running on: soft wire stretches and breaks.'
        : 'Brake so that the spool stops within a quarter turn.',
      rig.wire?.class !== to.class || rig.wire.diameterMm !== to.diameterMm,
      'The end of a wire springs: hold it, glasses on.',
    ),
    step(
      'liner',
      soft
        ? `Polymer liner for ${sizeInMm(to.diameterMm)} in, reaching from the rolls to the tip without a gap; cable straight and short, or a spool gun.`
        : `Steel liner for ${sizeInMm(to.diameterMm)}, blown through with dry air, cut square and pushed home.`,
      soft
        ? 'Steel scrapes aluminium until it jams, and its dust is in the old liner.'
        : 'Dust of the wire before drags, and a liner cut short lets the wire kink behind the tip.',
      !linerFits || (soft && !sameMetal),
    ),
    step(
      'roll',
      `Drive rolls with a ${GROOVES[groove]} groove for ${sizeInMm(to.diameterMm)}, wiped clean.`,
      groove === 'knurled'
        ? 'Tubular wire is soft outside and hollow: teeth hold it without crushing it.'
        : groove === 'u'
          ? 'A sharp groove cuts soft wire; the shavings fill the liner.'
          : 'A smooth V holds hard wire without shaving it.',
      !rollFits,
    ),
    step(
      'tip',
      `Contact tip of ${tipWanted(to).map(sizeInMm).join(' or ')}${soft ? ', made for aluminium' : ''}; left off until the wire is through.`,
      soft
        ? 'Aluminium swells as it warms and grips in a tight bore.'
        : 'A bore of another size grips, or makes poor contact.',
      tip === undefined || !tipSuits(to, tip) || (soft && !sameMetal),
    ),
    gasStep(rig, to),
    step(
      'studs',
      minus
        ? 'Gun lead on minus, work lead on plus: studs behind the cover or at the front.'
        : 'Gun lead on plus, work lead on minus.',
      minus
        ? 'Most self-shielded wires are made for minus; on plus they spit and do not fuse. The spool’s label has the last word.'
        : 'On the wrong pole it wanders, spatters and does not fuse.',
      polarity === undefined || polarity !== polarityWanted(to),
    ),
    step(
      'thread',
      'Wire fed through by the rolls, gun cable straight, tip off; then tip on. Point the gun away from everybody.',
      'A wire pushed against a tip makes a nest behind the rolls.',
    ),
    step(
      'tension',
      soft || isSheathed(to.class)
        ? 'Tension light: just enough that it feeds against dry wood from 50 mm, and slips when the wire is stopped dead.'
        : 'Tension just enough that it feeds against dry wood from 50 mm, and slips when the wire is stopped dead.',
      soft || isSheathed(to.class)
        ? 'More crushes it, and what is crushed jams in the tip.'
        : 'Less slips and surges, more shaves and flattens.',
    ),
    ...lastSteps(to),
  ];
}

/** Returns what is else another way of welding. */
function lastSteps(to: Wire): ChangeStep[] {
  if (wireMetal(to.class) === 'aluminium')
    return [
      step(
        'plate',
        'Plate degreased first, then brushed with a stainless brush kept for aluminium.',
        'The skin of oxide melts far above the metal and holds water; brushed first, the grease is rubbed in.',
      ),
      step('hand', 'Push only; spray or pulse; fast.', 'Dragged, the bead comes out black and porous.'),
    ];
  if (to.class === 'tubular-self-shielded')
    return [
      step(
        'hand',
        'Drag; stick-out 12 to 20 mm as the label says; slag off between passes.',
        'Pushed, slag runs ahead of the pool and is buried. White powder beside the bead is usual with this wire.',
      ),
    ];
  if (to.class === 'tubular-gas-shielded')
    return [step('hand', 'Drag; stick-out 15 to 20 mm; slag off between passes.', 'Slag that runs ahead is buried.')];
  if (to.class === 'metal-cored')
    return [
      step(
        'hand',
        'Push, as a solid wire; stick-out 16 to 20 mm in spray; only islands of glass to brush off.',
        'It leaves no slag that could run ahead, and digs in less than it looks: watch the sides.',
      ),
    ];
  return [];
}

/** The rig with another wire and everything that goes with it, once the list is done. */
export function changedOver(rig: Rig, to: Wire): Rig {
  const { parts = {}, mode, ...rest } = rig;
  const { tip, liner, roll, ...others } = parts;
  const gas = gasStays(rig, to) ? (rig.gas ?? null) : usualGas(to);
  const fits = changeover(rig, to).filter(({ swap }) => !swap);
  const stays = (id: string): boolean => fits.some((one) => one.id === id);
  return {
    ...rest,
    process:
      to.class === 'tubular-self-shielded' ? 'fcaw-self-shielded' : isTubular(to.class) ? 'fcaw-gas-shielded' : 'gmaw',
    wire: to,
    gas,
    polarity: polarityWanted(to),
    parts: {
      ...others,
      tip: stays('tip') ? tip! : { sizeMm: tipWanted(to)[0] },
      liner: stays('liner') ? liner! : { kind: isSoft(to) ? 'polymer' : 'steel', sizeMm: to.diameterMm },
      roll: stays('roll') ? roll! : { groove: grooveWanted(to), sizeMm: to.diameterMm },
    },
    // Tubular wire is not pulsed here.
    ...(mode === undefined ? {} : { mode: isTubular(to.class) ? 'conventional' : mode }),
  };
}
