import { answer } from '../answer';
import { CASE_FORMAT, type Case } from '../case/schema';
import { RIGS } from '../cases/rigs';

const BARE: Case = { format: CASE_FORMAT };

describe('the way a gun is led', () => {
  const chance = (rig: Case['rig'], job: object, travelAngleDeg: number, findings: object): number => {
    const { causes } = answer({ ...BARE, rig, job, settings: { travelAngleDeg }, findings } as Case);
    return causes.find(({ cause: id }) => id === 'gun-wrong-way')?.probability ?? 0;
  };

  it('is wrong for aluminium that was dragged, and right for what was pushed', () => {
    const soot = { 'residue-black-soot': 'present' };
    const on = (angle: number) => chance(RIGS.alu12, { baseMetal: 'aluminium', thicknessMm: 4 }, angle, soot);
    expect(on(-15)).toBeGreaterThan(0.4);
    expect(on(12)).toBeLessThan(0.05);
    expect(on(-20)).toBeGreaterThan(on(-10));
    expect(on(-10)).toBeGreaterThan(on(0));
  });

  it('is wrong for a wire with slag that was pushed, and never for solid steel', () => {
    const slag = { 'section-slag': 'present', 'slag-stuck': 'present' };
    const on = (rig: Case['rig'], angle: number) => chance(rig, { thicknessMm: 10, joint: 'fillet' }, angle, slag);
    expect(on(RIGS.flux12, 15)).toBeGreaterThan(0.3);
    expect(on(RIGS.flux12, -12)).toBeLessThan(0.1);
    for (const angle of [-15, 15]) expect(on(RIGS.mix09, angle)).toBe(0);
  });

  it('is turned round: to a push on aluminium', () => {
    const { correction } = answer({
      ...BARE,
      rig: RIGS.alu12,
      job: { baseMetal: 'aluminium', thicknessMm: 4 },
      settings: { voltageV: 22.2, wireSpeedMPerMin: 7.5, stickOutMm: 15, gasFlowLPerMin: 16, travelAngleDeg: -12 },
      findings: { 'residue-black-soot': 'present' },
    } as Case);
    expect(correction.settings.travelAngleDeg).toBe(10);
    expect(correction.moves.filter((move) => move.kind === 'setting').map(({ setting }) => setting)).toEqual([
      'travelAngleDeg',
    ]);
  });
});
