import { withoutBead } from '@/core/start/start';
import { caseOfBead } from '@/core/record/draft/case-of';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { cardBead, cardCase } from './card-bead';

const bead = (number: number, outcome: 'sound' | 'better' | null, setupId = 's1') =>
  ({
    number,
    outcome,
    setupId,
    settings: { voltageV: 18, wireSpeedMPerMin: 6 + number },
    readings: {},
    findings: { 'bead-ropey': 'present' },
    schools: { imbalance: 'volts' },
  }) as unknown as Coupon['beads'][number];
const SETUPS = [
  {
    id: 's1',
    rig: { wire: { class: 'solid-steel', diameterMm: 0.8 } },
    display: 'digital',
    arcControlRising: 'softer',
  },
  {
    id: 's2',
    rig: { wire: { class: 'solid-steel', diameterMm: 0.9 } },
    display: 'digital',
    arcControlRising: 'softer',
  },
] as unknown as Coupon['setups'];
const of = (...beads: Coupon['beads']) => cardBead({ beads, setups: SETUPS });

describe('the bead that a card tells', () => {
  it('is the newest that was judged sound, with the setup it was run on', () => {
    const told = of(bead(1, 'sound'), bead(2, 'sound', 's2'), bead(3, 'better'))!;
    expect([told.bead.number, told.setup.id, told.isSound]).toEqual([2, 's2', true]);
  });

  it('is the newest where none was, and then it is not called sound', () => {
    const told = of(bead(1, null), bead(2, 'better'))!;
    expect([told.bead.number, told.isSound]).toEqual([2, false]);
  });

  it('is none where none was logged, or nobody knows what it was run on', () => {
    expect(of()).toBeNull();
    expect(of(bead(1, 'sound', 'gone'))).toBeNull();
  });
});

describe('what a card asks', () => {
  it('is the job as it is known now, on the bead’s own setup and figures, without what the bead showed', () => {
    const told = of(bead(1, 'sound', 's2'))!;
    const job = { id: 'j2', at: '', job: { thicknessMm: 4 } } as unknown as Coupon['job'];
    const input = cardCase(told, { job });
    expect(input.job).toEqual({ thicknessMm: 4 });
    expect(input.rig).toEqual(SETUPS[1].rig);
    expect(input.settings).toEqual(told.bead.settings);
    expect(input.preferences).toEqual({ imbalance: 'volts' });
    expect(input).not.toHaveProperty('findings');
    expect(withoutBead(input)).toEqual(withoutBead(caseOfBead(told.bead, told.setup, job)));
  });
});
