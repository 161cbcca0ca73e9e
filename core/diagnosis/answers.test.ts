import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import { ENGINE } from '../answer/engine';
import { answersOf } from '../knowledge';
import { diagnose } from './diagnose';

const HOLES: Case = {
  ...EXAMPLE_CASE,
  settings: { ...EXAMPLE_CASE.settings, voltageV: 20 },
  findings: { 'holes-scattered': 'present' },
};

describe('an answer to a check', () => {
  it.each(ENGINE.causes.map(({ id, check }) => [id, check] as const))(
    'is heard as what it says: %s by %s',
    (cause, check) => {
      const chanceWith = (state: 'present' | 'absent' | null): number => {
        const findings = { ...HOLES.findings, ...(state === null ? {} : { [check]: state }) };
        const { marginals } = diagnose(ENGINE, { ...HOLES, findings });
        return marginals[ENGINE.columnById.get(cause)!];
      };
      const [clear, fault] = answersOf(check);
      const before = chanceWith(null);
      if (before === 0) return;
      expect(chanceWith(clear.state)).toBeLessThan(before);
      expect(chanceWith(fault.state)).toBeGreaterThan(before);
    },
  );
});
