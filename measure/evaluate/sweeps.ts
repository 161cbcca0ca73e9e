import { answer, hasFigures, startAnswer } from '../../core/answer';
import { CASE_FORMAT, type Case, type Gas, type Job } from '../../core/case/schema';
import type { WireClass } from '../../core/case/terms';
import type { Settings } from '../../core/setting/table';

/** What is fitted and what is welded, of nine kinds. */
type Setup = { name: string; rig: Case['rig']; job: Job };

const rig = (wireClass: WireClass, diameterMm: number, gas: Gas | null): Case['rig'] => ({
  process: gas === null ? 'fcaw-self-shielded' : wireClass === 'tubular-gas-shielded' ? 'fcaw-gas-shielded' : 'gmaw',
  wire: { class: wireClass, diameterMm },
  gas,
  polarity: gas === null ? 'electrode-negative' : 'electrode-positive',
  nozzleBoreMm: diameterMm > 1.05 ? 16 : 13,
});
const steel = (thicknessMm: number, job: Job = {}): Job => ({
  ...{ baseMetal: 'mild-steel', thicknessMm, joint: 'fillet', position: 'horizontal' },
  ...job,
});
const MIX: Gas = { argonPct: 82, co2Pct: 18 };
const LEAN: Gas = { argonPct: 90, co2Pct: 10 };

const SETUPS: readonly Setup[] = [
  { name: '0.8 solid, 82/18, 2 mm', rig: rig('solid-steel', 0.8, MIX), job: steel(2) },
  { name: '0.9 solid, 82/18, 4 mm', rig: rig('solid-steel', 0.9, MIX), job: steel(4) },
  { name: '0.9 solid, CO2, 4 mm', rig: rig('solid-steel', 0.9, { argonPct: 0, co2Pct: 100 }), job: steel(4) },
  {
    name: '1.0 solid, 82/18, uphill, 6 mm',
    rig: rig('solid-steel', 1, MIX),
    job: steel(6, { position: 'vertical-up' }),
  },
  { name: '1.2 solid, 90/10, 10 mm', rig: rig('solid-steel', 1.2, LEAN), job: steel(10) },
  { name: '1.2 metal-cored, 90/10, 8 mm', rig: rig('metal-cored', 1.2, LEAN), job: steel(8) },
  { name: '0.9 self-shielded, 4 mm', rig: rig('tubular-self-shielded', 0.9, null), job: steel(4) },
  {
    name: '1.0 stainless, 98/2, 4 mm',
    rig: rig('solid-stainless', 1, { argonPct: 98, co2Pct: 2 }),
    job: steel(4, { baseMetal: 'stainless' }),
  },
  {
    name: '1.2 aluminium, argon, 5 mm',
    rig: rig('solid-aluminium', 1.2, { argonPct: 100 }),
    job: steel(5, { baseMetal: 'aluminium' }),
  },
];

const THICKNESSES = [0.6, 0.8, 1, 1.2, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6, 6.5, 7, 8, 9, 10, 12, 14, 16, 20, 25];
const range = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0;

/** A point of a sweep: what was swept, what came of it, and what explains a kink before it. */
type Point = { at: number; figures: { name: string; value: number }[]; state: string };

/** A step that is by more than this another than the steps beside it is a kink. */
const KINK: Record<string, number> = { V: 1, 'm/min': 0.7, A: 16, 'kJ/mm': 0.25 };

const figuresOf = ({ voltageV, wireSpeedMPerMin }: Settings, currentA: number | null): Point['figures'] => [
  ...(voltageV === undefined ? [] : [{ name: 'V', value: voltageV }]),
  ...(wireSpeedMPerMin === undefined ? [] : [{ name: 'm/min', value: wireSpeedMPerMin }]),
  ...(currentA === null ? [] : [{ name: 'A', value: currentA }]),
];

/** Where a wire is run at its end and not at what the plate wants. */
function endOf({ currentA, currentWantedA }: { currentA: number | null; currentWantedA: number | null }): string[] {
  const share = (currentA ?? 0) / (currentWantedA ?? currentA ?? 1);
  return share > 1.03 ? ['the least of this wire'] : share < 0.97 ? ['the most of this wire'] : [];
}

function startAt(input: Case, at: number): Point {
  const start = startAnswer(input);
  if (!hasFigures(start)) return { at, figures: [], state: `held: ${start.held[0].part}` };
  const { settings, expected, passes, stitch } = start;
  const heat = expected.heatInputKJPerMm;
  return {
    at,
    figures: [...figuresOf(settings, expected.currentA), ...(heat === null ? [] : [{ name: 'kJ/mm', value: heat }])],
    state: [
      expected.transfer,
      ...endOf(expected),
      `${passes.length} pass${passes.length === 1 ? '' : 'es'}`,
      ...(stitch === null ? [] : ['stitched']),
    ].join(', '),
  };
}

function correctedAt(input: Case, at: number): Point {
  const { correction, causes } = answer(input);
  const first = correction.moves.find((move) => move.kind === 'setting');
  const way =
    first === undefined ? 'nothing turned' : `${first.setting === 'voltageV' ? 'volts' : first.setting} first`;
  return {
    at,
    figures: figuresOf(correction.settings, correction.after?.currentA ?? null),
    state: `${way}, ${correction.after?.transfer ?? 'no transfer'}, ${causes[0]?.cause ?? 'no cause'}`,
  };
}

/** Sweeps of the start by what is given, and of the correction by what was set. */
function sweepsOf({ rig: fitted, job }: Setup): { name: string; points: Point[] }[] {
  const base: Case = { format: CASE_FORMAT, rig: fitted, job };
  const start = startAnswer(base);
  const sound = hasFigures(start) ? start.settings : {};
  const { voltageV = 20, wireSpeedMPerMin = 6, stickOutMm = 12 } = sound;
  const seen = { 'bead-uneven': 'present' } as const;
  const set = (settings: Settings): Case => ({ ...base, settings: { ...sound, ...settings }, findings: seen });
  const co2 = fitted?.wire?.class === 'solid-steel' || fitted?.wire?.class === 'metal-cored';
  return [
    {
      name: 'start over thickness',
      points: THICKNESSES.map((thicknessMm) => startAt({ ...base, job: { ...job, thicknessMm } }, thicknessMm)),
    },
    ...(co2
      ? [
          {
            name: 'start over CO2',
            points: range(2, 26, 25).map((co2Pct) =>
              startAt({ ...base, rig: { ...fitted, gas: { argonPct: 100 - co2Pct, co2Pct } } }, co2Pct),
            ),
          },
        ]
      : []),
    {
      name: 'correction over volts',
      points: range(voltageV - 4, voltageV + 4, 33).map((volts) =>
        correctedAt(set({ voltageV: Number(volts.toFixed(2)) }), volts),
      ),
    },
    {
      name: 'correction over wire',
      points: range(0.65 * wireSpeedMPerMin, 1.35 * wireSpeedMPerMin, 33).map((wire) =>
        correctedAt(set({ wireSpeedMPerMin: Number(wire.toFixed(2)) }), wire),
      ),
    },
    {
      name: 'correction over stick-out',
      points: range(Math.max(6, stickOutMm - 6), stickOutMm + 14, 21).map((distance) =>
        correctedAt(set({ stickOutMm: Math.round(distance) }), distance),
      ),
    },
  ];
}

/**
 * (f) nine setups swept over thickness, CO2, volts, wire and stick-out: every step that differs from those beside it by more than a
 * stated size, with what changed there. A jump at which nothing changed is a fault.
 * @returns how many jumps nothing explains
 */
export function sweeps(): number {
  let [explained, faults] = [0, 0];
  console.log(
    `(f) sweeps; listed is a step over ${Object.entries(KINK)
      .map(([unit, size]) => `${size} ${unit}`)
      .join(', ')} more than the steps beside it make likely`,
  );
  for (const setup of SETUPS) {
    console.log(`    ${setup.name}`);
    for (const { name, points } of sweepsOf(setup)) {
      const lines: string[] = [];
      for (const unit of Object.keys(KINK)) {
        const steps = points.slice(1).flatMap((point, i) => {
          const [was, is] = [points[i], point].map(({ figures }) => figures.find((one) => one.name === unit)?.value);
          return was === undefined || is === undefined ? [] : [{ from: points[i], to: point, step: is - was, was, is }];
        });
        for (const [i, { from, to, step, was, is }] of steps.entries()) {
          const beside = steps.slice(Math.max(0, i - 2), i + 3).filter((one) => one.from !== from);
          const usual = median(beside.map((one) => one.step / (one.to.at - one.from.at))) * (to.at - from.at);
          if (Math.abs(step - usual) <= KINK[unit]) continue;
          // A knee lies at the step itself or at one beside it.
          const [before, after] = [steps[i - 1]?.from ?? from, steps[i + 1]?.to ?? to];
          const changed = [
            [from, to],
            [before, from],
            [to, after],
          ].find(([a, b]) => a.state !== b.state);
          const why = changed === undefined ? null : `${changed[0].state} → ${changed[1].state}`;
          if (why === null) faults += 1;
          else explained += 1;
          lines.push(
            `          at ${from.at.toFixed(1)} to ${to.at.toFixed(1)}: ${was.toFixed(1)} → ${is.toFixed(1)} ${unit}: ${why ?? 'NOTHING CHANGED'}`,
          );
        }
      }
      console.log(`        ${name}: ${lines.length === 0 ? 'smooth' : ''}`);
      for (const line of lines) console.log(line);
    }
  }
  console.log(
    `${faults} jumps that nothing explains, ${explained} where something changes, in ${SETUPS.length} setups`,
  );
  return faults;
}
