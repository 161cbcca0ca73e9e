import { ENGINE } from '../answer/engine';
import { validateCase } from '../case/validate';
import { CAUSES } from '../knowledge';
import { diagnose } from './diagnose';
import { COVER_CASES } from '../cases/written-cover';
import { MACHINE_CASES } from '../cases/written-machine';
import { METALS_CASES } from '../cases/written-metals';
import { SETTINGS_CASES } from '../cases/written-settings';
import { TECHNIQUE_CASES } from '../cases/written-technique';

const ALL = [...SETTINGS_CASES, ...TECHNIQUE_CASES, ...COVER_CASES, ...MACHINE_CASES, ...METALS_CASES];

describe('the written cases', () => {
  it('are at least eighty, valid, reasoned, and spread over nearly all causes', () => {
    expect(ALL.length).toBeGreaterThanOrEqual(80);
    for (const { input, why, cause } of ALL) {
      expect({ cause, problems: validateCase(input).problems }).toEqual({ cause, problems: null });
      expect(why.length).toBeGreaterThan(10);
    }
    const covered = new Set(ALL.map(({ cause }) => cause));
    const missing = CAUSES.filter(({ id }) => !covered.has(id)).map(({ id }) => id);
    expect(missing).toEqual([]);
  });

  it('name the true cause first in 85 of 100 and among the first three in 97', () => {
    const ranks = ALL.map(
      ({ cause, input }) => diagnose(ENGINE, input).causes.findIndex((verdict) => verdict.cause === cause) + 1,
    );
    const share = (most: number): number => ranks.filter((rank) => rank >= 1 && rank <= most).length / ranks.length;
    expect(share(1)).toBeGreaterThanOrEqual(0.85);
    expect(share(3)).toBeGreaterThanOrEqual(0.97);
  });

  it('never say a sound-looking alternative is impossible: every true cause keeps some probability', () => {
    for (const { cause, input } of ALL) {
      const column = CAUSES.findIndex(({ id }) => id === cause);
      expect(diagnose(ENGINE, input).marginals[column]).toBeGreaterThan(0.02);
    }
  });
});
