import { answer, type Answer } from '../answer';
import { stream } from '../testing/stream';
import { MAIN_SETTINGS, SETTINGS } from '../setting/table';
import { dialFor } from '../setting/dials';
import { dialToValue, valueToDial } from '../setting/dial';
import { wireWindow } from '../arc/wire-window';
import { settingsMoved } from './testing/work';
import { drawSpoiled, FAULTS, missedBy, type Fault, type Spoiled } from './testing/spoiled';

/** Jobs of each fault: metals, 0.8 to 20 mm, joints, positions, wires, gases, machines with and without dials. */
const JOBS = 48;
type Answered = { spoiled: Spoiled; said: Answer };
const answered = new Map<Fault, Answered[]>(
  FAULTS.map((fault, i) => {
    const random = stream(8000 + i);
    return [
      fault,
      Array.from({ length: JOBS }, () => {
        const spoiled = drawSpoiled(random, fault);
        return { spoiled, said: answer(spoiled.input) };
      }),
    ];
  }),
);
const all = [...answered.values()].flat();
/** Jobs whose likeliest cause is this one, said to be likelier than not. */
const saidToBe = (cause: string): Answered[] =>
  all.filter(({ said: { causes } }) => causes[0]?.cause === cause && causes[0].probability > 0.5);

describe('a sound setting that was spoiled', () => {
  const landed = (jobs: readonly Answered[]): number =>
    jobs.filter(({ spoiled, said }) => missedBy(spoiled, said.correction.settings).length === 0).length / jobs.length;

  it('comes back to within 0.8 V, 10 % of wire, 3 mm and the gas window in 95 of 100 jobs', () => {
    expect(landed(all)).toBeGreaterThanOrEqual(0.95);
  });

  it.each(FAULTS)('comes back in 90 of 100 jobs where it was spoiled by: %s', (fault) => {
    expect(landed(answered.get(fault)!)).toBeGreaterThanOrEqual(0.9);
  });
});

describe('a correction agrees with itself', () => {
  const figures = ({ spoiled, said }: Answered) => ({
    from: spoiled.input.settings as Record<string, number>,
    to: said.correction.settings as Record<string, number>,
  });
  const firstTurned = ({ said }: Answered): string | undefined =>
    settingsMoved(said.correction.moves).find(({ setting }) => setting === 'voltageV' || setting === 'wireSpeedMPerMin')
      ?.setting;

  it.each([
    ['wire-fast', 'wireSpeedMPerMin', -1],
    ['wire-slow', 'wireSpeedMPerMin', 1],
    ['voltage-low', 'voltageV', 1],
    ['voltage-high', 'voltageV', -1],
  ] as const)('%s turns %s first, and that way', (cause, setting, way) => {
    const jobs = saidToBe(cause);
    expect(jobs.length).toBeGreaterThan(12);
    for (const job of jobs) {
      const { from, to } = figures(job);
      expect(Math.sign(to[setting] - from[setting])).toBe(way);
      expect(firstTurned(job)).toBe(setting);
    }
  });

  it('raises the current of a bead that is too cold by 5 % at least, and lowers that of one too hot, or names what stops it', () => {
    for (const [cause, way] of [
      ['heat-low', 1],
      ['heat-high', -1],
    ] as const)
      for (const { said } of saidToBe(cause)) {
        const { before, after, outOfReach } = said.correction;
        const raised = way * Math.log(after!.currentA! / before!.currentA!);
        if (outOfReach.length === 0) expect(raised).toBeGreaterThan(0.05);
      }
    expect(saidToBe('heat-low').length + saidToBe('heat-high').length).toBeGreaterThan(50);
  });

  it('turns each knob once', () => {
    for (const { said } of all) {
      const turned = settingsMoved(said.correction.moves).map(({ setting }) => setting);
      expect(new Set(turned).size).toBe(turned.length);
    }
  });

  it.each([
    ['stickout-long', 'stickOutMm', -1],
    ['stickout-short', 'stickOutMm', 1],
    ['gas-low', 'gasFlowLPerMin', 1],
    ['gas-high', 'gasFlowLPerMin', -1],
  ] as const)('%s brings %s back', (cause, setting, way) => {
    for (const job of saidToBe(cause)) {
      const { from, to } = figures(job);
      expect(Math.sign(to[setting] - from[setting])).toBe(way);
    }
  });

  it('says of a turn what that turn does: an arc that is shortened was not too short', () => {
    const against: [setting: string, way: number, words: RegExp][] = [
      ['voltageV', 1, /too long|too high|less than/],
      ['voltageV', -1, /too short|too low/],
      ['wireSpeedMPerMin', 1, /more wire comes|too high/i],
      ['wireSpeedMPerMin', -1, /melt more wire than comes|too low/],
      ['stickOutMm', 1, /further off/],
      ['gasFlowLPerMin', -1, /too little/i],
    ];
    const turns = all.flatMap(({ said }) => settingsMoved(said.correction.moves));
    for (const { setting, from, to, because } of turns)
      for (const [name, way, words] of against)
        if (setting === name && Math.sign(to - from!) === way) expect(because).not.toMatch(words);
    expect(turns.length).toBeGreaterThan(JOBS * FAULTS.length);
  });
});

describe('a corrected figure fits the hand', () => {
  it('lies on a step of the machine or a mark of its knob, inside its range and the windows of wire and nozzle', () => {
    for (const { spoiled, said } of all) {
      const { rig, settings: today } = spoiled.input;
      const { settings, moves } = said.correction;
      for (const { setting, to } of settingsMoved(moves)) {
        const dial = dialFor(rig!.dials, setting);
        const range = rig!.range?.[setting as 'voltageV' | 'wireSpeedMPerMin'];
        if (dial !== null) expect(dialToValue(dial, valueToDial(dial, to))).toBeCloseTo(to, 3);
        else if (range !== undefined)
          expect(Math.abs(to / range.step - Math.round(to / range.step))).toBeLessThan(1e-6);
        if (range !== undefined) {
          expect(to).toBeGreaterThanOrEqual(range.low);
          expect(to).toBeLessThanOrEqual(range.high);
        }
      }
      const { lowV, highV } = wireWindow({ class: rig!.wire!.class!, diameterMm: rig!.wire!.diameterMm! });
      if (settings.voltageV !== today!.voltageV && lowV !== null && highV !== null) {
        expect(settings.voltageV!).toBeGreaterThanOrEqual(lowV - 1e-9);
        expect(settings.voltageV!).toBeLessThanOrEqual(highV + 1e-9);
      }
      const { flowWindow } = said.arc;
      if (flowWindow !== null && settings.gasFlowLPerMin !== today!.gasFlowLPerMin) {
        expect(settings.gasFlowLPerMin!).toBeGreaterThanOrEqual(flowWindow.low - 0.5);
        expect(settings.gasFlowLPerMin!).toBeLessThanOrEqual(flowWindow.high + 0.5);
      }
      for (const name of MAIN_SETTINGS) {
        if (today![name] === undefined) continue;
        const turn = Math.abs(settings[name]! - today![name]);
        expect(turn === 0 || turn >= SETTINGS[name].worthMoving - 1e-9).toBe(true);
      }
    }
  });
});

describe('a correction is continuous', () => {
  it('moves by no more than a few steps where a figure changes by one and the verdict stays', () => {
    let compared = 0;
    for (const { spoiled, said } of all.filter((_, i) => i % 8 === 0)) {
      const { input } = spoiled;
      for (const [name, change] of [
        ['voltageV', 0.1],
        ['wireSpeedMPerMin', 0.1],
      ] as const) {
        const beside = answer({ ...input, settings: { ...input.settings, [name]: input.settings![name]! + change } });
        if (beside.causes[0]?.cause !== said.causes[0]?.cause) continue;
        const moved = (of: 'voltageV' | 'wireSpeedMPerMin'): number =>
          Math.abs(beside.correction.settings[of]! - said.correction.settings[of]!);
        const mark = input.rig!.dials === undefined ? (input.rig!.range?.voltageV?.step ?? 0.1) : 0.56;
        expect(moved('voltageV')).toBeLessThanOrEqual(Math.max(0.6, 2 * mark));
        expect(moved('wireSpeedMPerMin')).toBeLessThanOrEqual(0.6);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(70);
  });
});
