import { answer } from '../answer';
import { CASE_FORMAT, type Case } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { CAUSES, check } from '../knowledge';
import type { Cause } from '../knowledge/shapes/types';
import { movesNow } from '../correction/next-settings';

const caseOf = (fields: Partial<Case> = {}): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', thicknessMm: 4 },
  rig: RIGS.mix09,
  ...fields,
});
const looksOf = (fields: Partial<Case> = {}): string[] => answer(caseOf(fields)).firstLooks.map((look) => look.check);

describe('looks before the first bead', () => {
  it('are quick ones at rig and plate, all together a few minutes, each said in full', () => {
    const { firstLooks } = answer(caseOf());
    expect(firstLooks.length).toBeGreaterThan(4);
    expect(firstLooks.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(6);
    for (const look of firstLooks) {
      expect(look.minutes).toBeLessThanOrEqual(1);
      expect(look).toEqual(expect.objectContaining({ name: check(look.check).name, plain: check(look.check).plain }));
      const causes = CAUSES.filter(({ check: own, early }) => (early ?? own) === look.check);
      const beside = ({ early, remedy: { kind } }: Cause): boolean =>
        early !== undefined || kind === 'part' || kind === 'plate';
      expect(causes.some(beside)).toBe(true);
    }
    expect(looksOf()).toEqual(expect.arrayContaining(['check-nozzle', 'check-tip', 'check-cylinder']));
  });

  it('begin with what is likeliest for the least time', () => {
    const looks = looksOf();
    expect(looks[0]).toBe('check-nozzle');
    expect(looks.indexOf('check-cylinder')).toBeLessThan(looks.indexOf('check-tip'));
  });

  it('leave out what this rig has not, and bring forward what it is known for', () => {
    expect(looksOf({ rig: RIGS.self09 })).not.toContain('check-cylinder');
    const known = { causes: [{ cause: 'clamp-poor' as const, confirmed: 12, beads: 15 }] };
    expect(looksOf({ experience: known }).indexOf('check-clamp')).toBeLessThan(looksOf().indexOf('check-clamp'));
  });

  it('leave out what takes long or needs a bead, however likely it is on this rig', () => {
    const known = { causes: [{ cause: 'gas-leak' as const, confirmed: 40, beads: 45 }] };
    expect(looksOf({ experience: known })).not.toContain('check-gas-soap');
  });

  it('never ask for what only a run shows', () => {
    for (const [rig, baseMetal] of [
      ['mix09', 'mild-steel'],
      ['spray12', 'mild-steel'],
      ['flux12', 'mild-steel'],
      ['alu12', 'aluminium'],
      ['stain09', 'stainless'],
    ] as const)
      for (const thicknessMm of [1, 4, 12, 25]) {
        const looks = answer(caseOf({ rig: RIGS[rig], job: { baseMetal, thicknessMm, joint: 'butt' } })).firstLooks;
        for (const { plain } of looks) expect(plain).not.toMatch(/\bafter\b.*\brun\b|run again|\bweld a\b/i);
      }
  });

  it('look for gas behind a stainless root, and at the filler for aluminium', () => {
    const job = { thicknessMm: 3, joint: 'butt' } as const;
    expect(looksOf({ rig: RIGS.stain09, job: { ...job, baseMetal: 'stainless' } })).toContain('check-back-gas');
    expect(looksOf({ rig: RIGS.alu12, job: { ...job, baseMetal: 'aluminium' } })).toContain('check-filler');
    expect(looksOf({ job: { ...job, baseMetal: 'mild-steel' } })).not.toContain('check-back-gas');
  });

  it('take the glance where the check itself needs a bead: at the plate, the air, the wire end', () => {
    const looks = looksOf();
    expect(looks).toEqual(expect.arrayContaining(['check-bright', 'check-air-still', 'check-wire-end']));
    for (const bead of ['check-grind-half', 'check-screen', 'check-travel-time'] as const)
      expect(looks).not.toContain(bead);
    const windy = { baseMetal: 'mild-steel', thicknessMm: 4, draught: 'windy' } as const;
    expect(looksOf({ job: windy })[0]).toBe('check-air-still');
    const leaks = { causes: [{ cause: 'gas-leak' as const, confirmed: 40, beads: 45 }] };
    expect(looksOf({ experience: leaks })[0]).toBe('check-gauge-holds');
  });

  it('ask for a plate that is said to be clean last, and for a rusty one first', () => {
    const at = (surface: 'clean' | 'rust'): number =>
      looksOf({ job: { baseMetal: 'mild-steel', thicknessMm: 4, surface: [surface] } }).indexOf('check-bright');
    expect(at('rust')).toBe(0);
    expect(at('clean')).toBeGreaterThan(4);
  });

  it('send a plate that is not bright to the grinder before any bead is run', () => {
    const { correction } = answer(caseOf({ findings: { 'check-bright': 'present' } }));
    expect(movesNow(correction, 'one')).toEqual([expect.objectContaining({ kind: 'remedy', cause: 'plate-dirty' })]);
  });

  it('stay while they are ticked, and are over once the bead shows something', () => {
    expect(looksOf({ findings: { 'check-nozzle': 'absent' } })).toContain('check-nozzle');
    expect(looksOf({ findings: { 'bead-ropey': 'unknown' } }).length).toBeGreaterThan(4);
    for (const state of ['present', 'absent'] as const)
      expect(looksOf({ findings: { 'bead-ropey': state } })).toEqual([]);
  });

  it('bring their remedy before any bead is run', () => {
    const { correction } = answer(caseOf({ findings: { 'check-nozzle': 'present' } }));
    expect(movesNow(correction, 'one')).toEqual([expect.objectContaining({ kind: 'remedy', cause: 'nozzle-blocked' })]);
  });
});
