import { stream } from '../chance/stream';
import { CAUSES } from '../knowledge';
import { looked, lookedOver, runBead, TROUBLE, volunteered, type Knobs } from './bead';
import { drawFaults, FAULTS } from './faults';
import { balanceOf, usualStickOut, wantedCurrent, wantedFlow, wireFor, type Job, type Machine } from './world';

/** A machine that is off in nothing. */
const MACHINE: Machine = {
  ...{ wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 82, co2Pct: 18 }, metal: 'mild-steel' },
  ...{
    boreMm: 13,
    plates: [1, 10],
    offsetV: 0,
    scale: 1,
    burn: 1,
    resistance: 1,
    balanceV: 0,
    transition: 1,
    plate: 1,
  },
};
const JOB: Job = { thicknessMm: 3, joint: 'butt', position: 'flat' };
const AMPS = wantedCurrent(MACHINE, JOB).truly;
const { volts, halfWidth } = balanceOf(MACHINE, AMPS);
const STICK_OUT = usualStickOut(MACHINE, AMPS);
const GOOD: Knobs = {
  voltageV: volts,
  wireSpeedMPerMin: wireFor(MACHINE, AMPS, STICK_OUT),
  stickOutMm: STICK_OUT,
  gasFlowLPerMin: wantedFlow(MACHINE),
};
const BEADS = 200;
/** Many beads at some knobs: what share is sound, and how often each thing shows. */
function run(knobs: Partial<Knobs>, faults: typeof FAULTS = [], machine = MACHINE, job = JOB) {
  const random = stream(11);
  const beads = Array.from({ length: BEADS }, () => runBead(machine, job, { ...GOOD, ...knobs }, faults, random));
  return {
    sound: beads.filter(({ sound }) => sound).length / BEADS,
    burned: beads.filter(({ burnedThrough }) => burnedThrough).length / BEADS,
    shows: (id: (typeof TROUBLE)[number]) => beads.filter(({ shows }) => shows.has(id)).length / BEADS,
  };
}

describe('a simulated bead', () => {
  it('is sound in balance, hot enough and covered, shows no trouble, and sounds and lies as it should', () => {
    const good = run({});
    expect(good.sound).toBeGreaterThan(0.97);
    expect(Math.max(...TROUBLE.map(good.shows))).toBeLessThan(0.1);
    for (const id of ['sound-crisp', 'toe-wetted', 'bead-even'] as const) expect(good.shows(id)).toBeGreaterThan(0.7);
  });

  it.each([
    ['too few volts', { voltageV: volts - 2.5 * halfWidth }, ['wire-stubs', 'bead-ropey', 'sound-popping']],
    ['too many volts', { voltageV: volts + 2.5 * halfWidth }, ['bead-flat', 'sound-hiss', 'arc-long']],
    ['no gas', { gasFlowLPerMin: 0 }, ['holes-scattered']],
    ['gas that blows', { gasFlowLPerMin: 3 * wantedFlow(MACHINE) }, ['holes-scattered']],
  ] as const)('is unsound with %s, and shows it', (_, knobs, shows) => {
    const bad = run(knobs);
    expect(bad.sound).toBe(0);
    for (const id of shows) expect(bad.shows(id)).toBeGreaterThan(0.5);
  });

  it.each([
    ['cold', 0.65, 'back-no-mark'],
    ['hot', 1.5, 'back-heavy'],
  ] as const)('is unsound %s with volts that suit, and shows it on the back', (_, share, id) => {
    const amps = AMPS * share;
    const knobs = { voltageV: balanceOf(MACHINE, amps).volts, wireSpeedMPerMin: wireFor(MACHINE, amps, STICK_OUT) };
    const bad = run(knobs);
    expect(bad.sound).toBe(0);
    expect(bad.shows(id)).toBeGreaterThan(0.45);
    expect(bad.burned > 0.1).toBe(share > 1);
    expect(run({ wireSpeedMPerMin: GOOD.wireSpeedMPerMin }).burned).toBe(0);
  });

  it('is unsound far from or close to the plate, by what the meter is off, and wherever the drops splash', () => {
    expect(run({ stickOutMm: STICK_OUT + 12 }).sound).toBe(0);
    expect(run({}, [], { ...MACHINE, offsetV: 3 * halfWidth }).sound).toBe(0);
    expect(run({}, [], { ...MACHINE, scale: 0.6 }).sound).toBe(0);
    const thick: Machine = {
      ...MACHINE,
      wire: { class: 'solid-steel', diameterMm: 1.2 },
      gas: { argonPct: 92, co2Pct: 8 },
    };
    const amps = 239;
    const wild = run(
      { voltageV: balanceOf(thick, amps).volts, wireSpeedMPerMin: wireFor(thick, amps, 14), stickOutMm: 14 },
      [],
      thick,
      { ...JOB, thicknessMm: 8 },
    );
    expect(wild.sound).toBeLessThan(0.2);
    expect(wild.shows('spatter-big-drops')).toBeGreaterThan(0.4);
  });

  it.each(FAULTS.map((fault) => [fault.cause, fault] as const))('is never sound with %s, and shows it', (_, fault) => {
    const bad = run({}, [fault]);
    expect(bad.sound).toBe(0);
    for (const [id, chance] of fault.shows)
      expect(bad.shows(id as (typeof TROUBLE)[number])).toBeGreaterThan(chance - 0.12);
    expect(CAUSES.find(({ id }) => id === fault.cause)!.remedy.kind).not.toBe('setting');
  });
});

describe('what a welder sees of it', () => {
  const bead = runBead(MACHINE, JOB, { ...GOOD, voltageV: volts + 2 * halfWidth }, [], stream(2));
  const share = (of: (random: () => number) => boolean): number => {
    const random = stream(5);
    return Array.from({ length: 2000 }, () => of(random)).filter(Boolean).length / 2000;
  };

  it('is most of what is there, a little that is not, and of that not all is said', () => {
    const [there] = [...bead.shows];
    expect(share((random) => lookedOver(bead, random)[there] === 'present')).toBeCloseTo(0.85, 1);
    expect(share((random) => lookedOver(bead, random)['holes-through'] === 'present')).toBeCloseTo(0.03, 1);
    expect(share((random) => 'holes-through' in volunteered(lookedOver(bead, random), random))).toBeCloseTo(0.7, 1);
  });

  it('of the rig: a fault by its own look nine times in ten, by a glance less, by others hardly', () => {
    const leak = FAULTS.find(({ glance }) => glance !== undefined)!;
    const by = (check: typeof leak.check): number => share((random) => looked(check, [leak], random) === 'present');
    expect(by(leak.check)).toBeCloseTo(0.9, 1);
    expect(by(leak.glance!)).toBeLessThan(by(leak.check) - 0.08);
    expect(by(leak.glance!)).toBeGreaterThan(0.65);
    const other = FAULTS.find(({ check }) => check !== leak.check && check !== leak.glance)!.check;
    expect(by(other)).toBeLessThan(0.06);
  });
});

it('a machine has the faults it can have, as often as the knowledge says', () => {
  const random = stream(8);
  const drawn = Array.from({ length: 3000 }, () => drawFaults(random, MACHINE)).flat();
  expect(drawn.some(({ cause }) => cause === 'wire-damp')).toBe(false);
  const often = drawn.filter(({ cause }) => cause === 'nozzle-blocked').length / 3000;
  expect(often).toBeGreaterThan(0.01);
  expect(often).toBeLessThan(0.4);
  const bare: Machine = { ...MACHINE, wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null };
  const bareDrawn = Array.from({ length: 3000 }, () => drawFaults(random, bare)).flat();
  expect(bareDrawn.some(({ gas }) => gas === true)).toBe(false);
  expect(bareDrawn.some(({ cause }) => cause === 'wire-damp')).toBe(true);
});
