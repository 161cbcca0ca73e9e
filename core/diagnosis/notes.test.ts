import fc from 'fast-check';
import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT, type Case, type FindingState } from '../case/schema';
import { ENGINE } from '../answer/engine';
import { OPPOSITES } from '../knowledge/opposites';
import { diagnose } from './diagnose';
import type { Engine } from './engine';
import { togetherness } from './notes';

const BALANCED: Case = { ...EXAMPLE_CASE, settings: { ...EXAMPLE_CASE.settings, voltageV: 20 }, findings: {} };
const seen = (...ids: string[]): Record<string, FindingState> =>
  Object.fromEntries(ids.map((id) => [id, 'present' as const]));
const notes = (findings: Record<string, FindingState>, base: Case = BALANCED) =>
  diagnose(ENGINE, { ...base, findings }).notes;
const kinds = (findings: Record<string, FindingState>, base?: Case) => notes(findings, base).map(({ kind }) => kind);

describe('what does not go together', () => {
  it('says each pair of opposites, once', () => {
    for (const [a, b] of OPPOSITES) {
      const told = notes(seen(a, b)).filter(
        ({ kind, about }) => kind === 'contradiction' && about.includes(a) && about.includes(b),
      );
      expect({ pair: [a, b], told: told.length }).toEqual({ pair: [a, b], told: 1 });
    }
  });

  it('is silent on a bead that hangs together', () => {
    expect(kinds(seen('bead-ropey', 'wire-stubs', 'sound-popping'), EXAMPLE_CASE)).toEqual([]);
    expect(kinds(seen('bead-even', 'toe-wetted', 'sound-crisp', 'spatter-little'))).toEqual([]);
    expect(kinds({})).toEqual([]);
  });

  it('says when the figures lie far off balance and the bead looks sound', () => {
    const far: Case = { ...EXAMPLE_CASE, settings: { ...EXAMPLE_CASE.settings, voltageV: 16.6 } };
    const told = notes(seen('bead-even', 'toe-wetted', 'sound-crisp', 'spatter-little'), far);
    expect(told.map(({ about }) => about.join())).toContain('setting:voltageV');
    expect(told.find(({ about }) => about.includes('setting:voltageV'))?.text).toContain('far under balance');
  });

  it('owns up to a finding that nothing explains', () => {
    const noCauseLeft: Case = {
      format: CASE_FORMAT,
      job: { baseMetal: 'aluminium', thicknessMm: 2 },
      rig: { wire: { class: 'solid-aluminium', diameterMm: 1.2 }, gas: { argonPct: 100 } },
    };
    const told = notes({ ...seen('arc-blows-aside'), 'check-clamp-side': 'absent' }, noCauseLeft);
    expect(told).toEqual([expect.objectContaining({ kind: 'unexplained', about: ['arc-blows-aside'] })]);
  });
});

describe('how often two findings come together', () => {
  const chance = fc.double({ min: 0.01, max: 0.95, noNaN: true });
  const three = fc.tuple(chance, chance, chance);
  type Node = { leak: number; strength: number[] };
  const node = fc.record({ leak: fc.double({ min: 0.01, max: 0.3, noNaN: true }), strength: three });
  /** Chance that a set of causes leaves a node quiet. */
  const quiet = ({ leak, strength }: Node, causes: readonly boolean[]): number =>
    causes.reduce((left, holds, c) => (holds ? left * (1 - strength[c]) : left), 1 - leak);

  it('is that over all sets of causes one by one: good stays while nothing spoils it, trouble shows when something does', () => {
    fc.assert(
      fc.property(node, node, three, (good, trouble, priors) => {
        let [both, goodAlone, troubleAlone] = [0, 0, 0];
        for (let set = 0; set < 8; set++) {
          const causes = [0, 1, 2].map((c) => (set & (1 << c)) !== 0);
          const weight = priors.reduce((product, p, c) => product * (causes[c] ? p : 1 - p), 1);
          both += weight * quiet(good, causes) * (1 - quiet(trouble, causes));
          goodAlone += weight * quiet(good, causes);
          troubleAlone += weight * (1 - quiet(trouble, causes));
        }
        const nodeById = new Map(Object.entries({ good, trouble })) as unknown as Engine['nodeById'];
        expect(togetherness({ nodeById }, 'good', 'trouble', Float64Array.from(priors))).toBeCloseTo(
          both / (goodAlone * troubleAlone),
          9,
        );
        expect(togetherness({ nodeById }, 'good', 'unheard', Float64Array.from(priors))).toBe(1);
      }),
    );
  });
});

describe('questions', () => {
  const sponge = diagnose(ENGINE, { ...BALANCED, settings: {}, findings: seen('holes-scattered') });

  it('tells what the verdict would be after either answer, and it is so', () => {
    for (const { check, ifPresent } of sponge.nextChecks.slice(0, 3)) {
      const after = diagnose(ENGINE, { ...BALANCED, settings: {}, findings: seen('holes-scattered', check) });
      expect(after.causes[0].cause).toBe(ifPresent?.cause);
      expect(Math.abs(after.causes[0].probability - ifPresent!.probability)).toBeLessThan(0.15);
    }
  });

  it('never asks again what was answered, and asks most per minute first', () => {
    const asked = sponge.nextChecks.map(({ check }) => check);
    expect(asked).not.toContain('holes-scattered');
    const worth = sponge.nextChecks.map(({ bits, minutes }) => bits / (minutes + 0.4));
    expect([...worth].sort((a, b) => b - a)).toEqual(worth);
    expect(sponge.telling).not.toContain('holes-scattered');
    expect(sponge.telling.every((id) => !id.startsWith('check-'))).toBe(true);
  });

  it('asks for gas flow with holes, for wire speed and then volts with a ropey bead, for nothing when all is known', () => {
    expect(sponge.askFor?.setting).toBe('gasFlowLPerMin');
    const ropey: Case = { ...BALANCED, settings: {}, findings: seen('bead-ropey') };
    expect(diagnose(ENGINE, ropey).askFor?.setting).toBe('wireSpeedMPerMin');
    expect(diagnose(ENGINE, { ...ropey, settings: { wireSpeedMPerMin: 7.5 } }).askFor?.setting).toBe('voltageV');
    expect(diagnose(ENGINE, EXAMPLE_CASE).askFor).toBeNull();
  });

  it.each<[string, number | undefined, string[]]>([
    ['nozzle-blocked', undefined, ['nozzle-clogged', 'check-nozzle']],
    ['gas-empty', undefined, ['no-gas-heard', 'check-cylinder', 'check-gas-nozzle']],
    ['gas-leak', 11, ['check-gas-nozzle', 'check-gas-soap', 'check-gauge-holds']],
  ])('is led to %s by its own questions, in eight at most (flow read: %s)', (cause, flow, shows) => {
    const findings: Record<string, FindingState> = seen('holes-scattered');
    const job = { ...BALANCED.job, surface: ['clean' as const], draught: 'still' as const };
    const { gasFlowLPerMin: _, ...rest } = BALANCED.settings!;
    const settings = flow === undefined ? rest : { ...rest, gasFlowLPerMin: flow };
    for (let asked = 0; asked < 8; asked++) {
      const { nextChecks } = diagnose(ENGINE, { ...BALANCED, job, settings, findings });
      const { check } = nextChecks[0];
      findings[check] = shows.includes(check) ? 'present' : 'absent';
    }
    expect(diagnose(ENGINE, { ...BALANCED, job, settings, findings }).causes[0].cause).toBe(cause);
  });
});

describe('pulse', () => {
  const pulse = (mode: 'pulse' | 'conventional'): Case => ({
    ...BALANCED,
    rig: { ...BALANCED.rig, mode, wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: { argonPct: 92, co2Pct: 8 } },
    findings: seen('arc-buried', 'spatter-fine'),
    settings: { wireSpeedMPerMin: 6 },
  });
  it('blames the trim only where the machine pulses', () => {
    expect(diagnose(ENGINE, pulse('pulse')).causes[0].cause).toBe('pulse-trim-low');
    expect(diagnose(ENGINE, pulse('conventional')).causes.some(({ cause }) => cause.startsWith('pulse-'))).toBe(false);
    expect(diagnose(ENGINE, pulse('pulse')).arc.transfer).toBe('pulse');
  });
});
