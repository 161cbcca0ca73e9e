import { hasFigures } from '..';
import { balanceHalfWidth, withinCurrentRange } from '../../arc/balance';
import { SPRAY_FROM_MM } from '../../arc/coefficients';
import { heatToFuse } from '../../arc/pace';
import { arcSetup, balancedVolts, currentAt, withWire } from '../../arc/setup';
import { transferMode, wildness } from '../../arc/transfer';
import { wireMetal } from '../../arc/wire';
import { anotherWay } from '../../correction/another-way';
import type { Move } from '../../correction/moves';
import { movesNow } from '../../correction/next-settings';
import { machineRange } from '../../setting/machine-range';
import { MAIN_SETTINGS, type Settings } from '../../setting/table';

import { changed, first, isOnStep, proposals, setupOf, stickOutOf, turned, type WholeProperty } from './whole';

/** A welder's figure is right to a tenth of a volt; what machine and window leave between is no imbalance. */
const EDGE = 0.15;
/** Words that belong to one arc. */
const CRACKLE = /crackle/;
const HISS = /\bhiss/;

/** Each line of "the whole answer" that can be asked of an answer by itself. */
export const WHOLE: readonly WholeProperty[] = [
  {
    name: 'every figure is finite, rounded and no more precise than it is set',
    wrong: (whole) =>
      first(
        proposals(whole).flatMap((one) =>
          changed(whole, one).map((name) => {
            const value = one.settings[name]!;
            const isPlain = Number.isFinite(value) && Math.abs(value * 1000 - Math.round(value * 1000)) < 1e-6;
            return !isPlain && `${one.what}: ${name} ${value}`;
          }),
        ),
      ),
  },
  {
    name: 'nothing that cannot be 0 is 0',
    wrong: (whole) =>
      first(
        proposals(whole).flatMap((one) =>
          (['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin', 'travelSpeedMmPerMin'] as const).map(
            (name) => changed(whole, one).includes(name) && one.settings[name]! <= 0 && `${one.what}: ${name} is 0`,
          ),
        ),
      ),
  },
  {
    name: 'volts and wire that are proposed lie on a step or mark of the machine, inside its range',
    wrong: (whole) => {
      const rig = whole.input.rig ?? {};
      return first(
        proposals(whole).flatMap((one) =>
          (['voltageV', 'wireSpeedMPerMin'] as const).map((name) => {
            if (!changed(whole, one).includes(name)) return false;
            const value = one.settings[name]!;
            const { low, high } = machineRange(rig, name);
            if (value < low - 1e-6 || value > high + 1e-6)
              return `${one.what}: ${name} ${value} outside ${low}–${high}`;
            return !isOnStep(rig, name, value) && `${one.what}: ${name} ${value} on no step`;
          }),
        ),
      );
    },
  },
  {
    name: 'volts and wire that are both proposed lie in balance, or what stops them is named',
    wrong: (whole) => {
      const setup = setupOf(whole);
      if (setup === null || setup.pulse) return null;
      return first(
        proposals(whole).map((one) => {
          const { voltageV, wireSpeedMPerMin } = one.settings;
          const names = changed(whole, one);
          if (voltageV === undefined || wireSpeedMPerMin === undefined) return false;
          if (!names.includes('voltageV') || !names.includes('wireSpeedMPerMin')) return false;
          const currentA = withinCurrentRange(currentAt(setup, wireSpeedMPerMin, stickOutOf(setup, one.settings)));
          const off = voltageV - balancedVolts(setup, currentA);
          const half = balanceHalfWidth(currentA, setup.wire, setup.gas);
          const isNamed =
            one.what.includes('start') || one.what === 'root'
              ? whole.start !== null && hasFigures(whole.start) && whole.start.outOfReach.length > 0
              : whole.said.correction.outOfReach.length + whole.said.correction.procedure.length > 0;
          const step = machineRange(whole.input.rig ?? {}, 'voltageV').step;
          return (
            Math.abs(off) > half + EDGE + step / 2 &&
            !isNamed &&
            `${one.what}: ${voltageV} V at ${wireSpeedMPerMin} m/min is ${off.toFixed(1)} V off`
          );
        }),
      );
    },
  },
  {
    name: 'no wire is proposed between short arc and spray',
    wrong: (whole) => {
      const setup = setupOf(whole);
      // Wire that is not sprayed at all ends before the zone.
      if (setup === null || setup.pulse || setup.wire.diameterMm < SPRAY_FROM_MM) return null;
      return first(
        proposals(whole).map((one) => {
          const { wireSpeedMPerMin } = one.settings;
          if (wireSpeedMPerMin === undefined || !changed(whole, one).includes('wireSpeedMPerMin')) return false;
          const currentA = currentAt(setup, wireSpeedMPerMin, stickOutOf(setup, one.settings));
          return wildness(currentA, setup.wire, setup.gas) > 0.6 && `${one.what}: ${Math.round(currentA)} A is wild`;
        }),
      );
    },
  },
  {
    name: 'volts and wire that belong together are moved together, in every way that is offered',
    wrong: ({ input, said }) => {
      const { correction } = said;
      const ofPair = (moves: readonly Move[]): number =>
        moves.filter((move) => move.kind === 'setting' && ['voltageV', 'wireSpeedMPerMin'].includes(move.setting))
          .length;
      if (ofPair(correction.moves) < 2) return null;
      const today = input.settings ?? {};
      const after = { ...today, voltageV: (today.voltageV ?? 18) + 2 };
      const other = correction.alternative.moves;
      const isOther = (moves: readonly Move[]): boolean => moves.every((move) => other.includes(move));
      const ways = [movesNow(correction, 'one'), anotherWay(correction, today, after, 'one')];
      return first(ways.map((way) => ofPair(way) === 1 && !isOther(way) && 'half of a pair'));
    },
  },
  {
    name: 'no other way is offered that the plate does not fuse by or does not stand, and what is withheld is said',
    wrong: (whole) => {
      const setup = setupOf(whole);
      const { alternative, settings, either } = whole.said.correction;
      if (setup === null || setup.currentAskedA === null) return null;
      if (alternative.withheld !== null) return alternative.moves.length === 0 ? '' : 'withheld and offered at once';
      if (alternative.moves.length === 0) return either ? 'either will do, of one way' : null;
      const share = (of: Settings): number =>
        of.wireSpeedMPerMin === undefined
          ? NaN
          : withinCurrentRange(currentAt(setup, of.wireSpeedMPerMin, stickOutOf(setup, of))) / setup.currentAskedA!;
      const today = {
        ...(settings.stickOutMm === undefined ? {} : { stickOutMm: settings.stickOutMm }),
        ...whole.input.settings,
      };
      const [other, main] = [share({ ...today, ...turned(alternative.moves) }), share(settings)];
      // Beside a proposal that is as cold or as hot for want of better, the other way may be so too.
      return (
        (other < Math.min(0.77, main - 0.03) && `${(100 * other).toFixed(0)} % of the amps`) ||
        (other > Math.max(1.41, main + 0.03) && `${(100 * other).toFixed(0)} % of the amps`) ||
        ''
      );
    },
  },
  {
    name: 'what comes first is a look that is asked for or the first move, and the words of either hold',
    wrong: ({ said }) => {
      const { first: step, nextChecks, correction, causes } = said;
      if (step === null)
        return correction.moves.length === 0 && nextChecks.length === 0
          ? null
          : 'nothing first, though something is to do';
      if (step.kind === 'move') return correction.moves.length > 0 ? '' : 'a move first, and there is none';
      const look = nextChecks.find(({ check }) => check === step.check);
      if (look === undefined) return `${step.check} first, which is not asked for`;
      const [move] = correction.moves;
      if (move?.kind === 'remedy' && move.seen) return 'a look before a fault that was seen';
      // A look of more minutes than the whole cure and its bead is no first step.
      return causes.length > 0 && look.minutes > 8 ? `${step.check} takes ${look.minutes} minutes` : '';
    },
  },
  {
    name: 'the words are those of the arc',
    wrong: (whole) => {
      const setup = setupOf(whole);
      if (setup === null) return null;
      const { correction, nextBead } = whole.said;
      const at = correction.settings;
      if (at.wireSpeedMPerMin === undefined) return null;
      const currentA = withinCurrentRange(currentAt(setup, at.wireSpeedMPerMin, stickOutOf(setup, at)));
      const isShort =
        !setup.pulse &&
        wireMetal(setup.wire.class) !== 'aluminium' &&
        transferMode(currentA, setup.wire, setup.gas) === 'short-circuit';
      const isSelf = setup.wire.class === 'tubular-self-shielded';
      const expects = correction.moves.flatMap((move) =>
        move.kind === 'setting' && ['voltageV', 'wireSpeedMPerMin'].includes(move.setting) ? [move.expect] : [],
      );
      const over = /turns to a (steady hiss|crackle): a/;
      return first(
        [...expects.filter((text) => !over.test(text)), nextBead?.sounds ?? ''].map(
          (text) =>
            !isShort &&
            !isSelf &&
            CRACKLE.test(text) &&
            !/without crackle|down to a crackle/.test(text) &&
            `"${text}" of no short arc`,
        ),
      );
    },
  },
  {
    name: 'a short arc is not promised a hiss',
    wrong: ({ said }) => {
      if (said.nextBead === null) return null;
      const isShort = said.correction.after?.transfer === 'short-circuit';
      return isShort && HISS.test(said.nextBead.sounds) && !/no hiss/.test(said.nextBead.sounds)
        ? said.nextBead.sounds
        : '';
    },
  },
  {
    name: 'what makes every figure wrong holds them back, here and in the start',
    wrong: (whole) => {
      const { said, start, input } = whole;
      if (said.held.length === 0) return start !== null && start.held.length > 0 ? null : '';
      const names = MAIN_SETTINGS.filter((name) => said.correction.settings[name] !== input.settings?.[name]);
      if (names.length > 0) return `figures beside ${said.held[0].part}: ${names.join(', ')}`;
      // A procedure is held against what is proposed, which may differ; all else is of the rig and the job.
      const isOfRig = said.held.some(({ part }) => part !== 'procedure');
      return isOfRig && start !== null && hasFigures(start) ? 'the start has figures, the diagnosis does not' : '';
    },
  },
  {
    name: 'passes, leg, pace and heat agree: the leg is laid, the heat fuses or what then is said',
    wrong: ({ start, input }) => {
      if (start === null || !hasFigures(start)) return null;
      const { expected, passes, technique, outOfReach } = start;
      const setup = withWire(arcSetup(input, input.experience?.machine))!;
      if (setup.joint === 'plug' || setup.thinnestMm === null) return null;
      const own = passes.find((pass) => pass.settings === null) ?? passes[0];
      if (own.settings === null && Math.abs(own.legMm - expected.legMm!) > 0.5)
        return `leg ${own.legMm} said, ${expected.legMm!.toFixed(1)} laid`;
      if (technique.travelSpeedMmPerMin < 70 || technique.travelSpeedMmPerMin > 1110)
        return `pace ${technique.travelSpeedMmPerMin}`;
      const isCold = expected.heatInputKJPerMm! < 0.84 * heatToFuse(setup) && outOfReach.length === 0;
      return isCold ? `${expected.heatInputKJPerMm!.toFixed(2)} kJ/mm on ${setup.thinnestMm} mm` : '';
    },
  },
  {
    name: 'notes fit the plate, and blame no machine of which nothing was said',
    wrong: ({ start, said, input }) => {
      const thin = Math.min(input.job?.thicknessMm ?? 0, input.job?.otherThicknessMm ?? Infinity);
      const texts = [...said.correction.outOfReach, ...(start !== null && hasFigures(start) ? start.outOfReach : [])];
      const isSaid = input.rig?.range !== undefined || input.rig?.dials !== undefined;
      return first(
        texts.map(
          (text) =>
            (thin < 4 && /bevel|preheat/.test(text) && `${thin} mm: ${text}`) ||
            (!isSaid && /this machine (stops|feeds)/.test(text) && text),
        ),
      );
    },
  },
  {
    name: 'what was assumed is named',
    wrong: ({ input, said }) => {
      const { usesGas, boreKnown, wire } = arcSetup(input, input.experience?.machine);
      if (wire === null || !usesGas || boreKnown) return null;
      return said.assumed.some((text) => text.endsWith('mm nozzle')) ? '' : 'a nozzle is assumed and not named';
    },
  },
  {
    name: 'a procedure is kept, or said to be out of reach',
    wrong: (whole) => {
      const { input, said } = whole;
      const procedure = input.job?.procedure;
      const setup = setupOf(whole);
      if (procedure === undefined || setup === null || said.held.length > 0) return null;
      const { voltageV, wireSpeedMPerMin } = said.correction.settings;
      const low = procedure.voltageV?.low ?? -Infinity;
      const high = procedure.voltageV?.high ?? Infinity;
      const isMoved = voltageV !== input.settings?.voltageV;
      if (isMoved && !setup.pulse && voltageV !== undefined && (voltageV < low - 0.05 || voltageV > high + 0.05))
        return said.correction.procedure.length > 0 ? '' : `${voltageV} V leaves ${low} to ${high}`;
      if (procedure.transfer === undefined || setup.pulse || wireSpeedMPerMin === undefined) return '';
      const currentA = withinCurrentRange(
        currentAt(setup, wireSpeedMPerMin, stickOutOf(setup, said.correction.settings)),
      );
      const mode = transferMode(currentA, setup.wire, setup.gas);
      const isKept = mode === procedure.transfer || mode === 'tubular';
      return isKept || said.correction.procedure.length > 0
        ? ''
        : `${mode} under a procedure for ${procedure.transfer}`;
    },
  },
];
