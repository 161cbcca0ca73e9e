import { LEVELS } from '../../inspection/levels';
import { beadEntry, careEntry, inspectionEntry, provenEntry, refitEntry, repairEntry, weldEntry } from './log-entry';
import type { Setup } from '../shapes/record-schema';
import { judged } from '../change/weld-state';

const bead = { findings: {}, names: {}, verdict: null, outcome: null, note: '' } as const;

describe('what the log says', () => {
  it('of a bead is its first cause and how it was judged; of a sound one that it is sound', () => {
    const verdict = { cause: 'voltage-low', name: 'Voltage too low', probability: 0.6 };
    const shown = {
      ...bead,
      findings: { 'holes-scattered': 'present', 'bead-flat': 'absent' },
      names: { 'holes-scattered': 'Holes all over' },
    } as const;
    expect(beadEntry({ ...shown, verdict }, 'Gate')).toMatchObject({
      ...{
        title: 'Gate',
        says: 'Voltage too low',
        outcome: 'trial',
        cause: 'voltage-low',
        findings: ['holes-scattered'],
      },
    });
    expect(beadEntry({ ...shown, verdict, outcome: 'worse' }, 'Gate').says).toBe('Voltage too low · Worse');
    expect(beadEntry({ ...shown, verdict, outcome: 'sound' }, 'Gate')).toMatchObject({ says: 'Sound', cause: null });
    expect(beadEntry(shown, 'Gate').says).toBe('Holes all over');
    expect(beadEntry(bead, 'Gate').says).toBe('Not judged');
  });

  it('is found by the trade’s other words for what was seen, and by an id that is retired', () => {
    const { words } = beadEntry(
      { ...bead, findings: { 'holes-scattered': 'present', 'old-finding': 'present' }, note: 'By the weir' },
      'Gate',
    );
    expect(words.map((word) => word.toLowerCase())).toEqual(
      expect.arrayContaining(['gate', 'by the weir', 'porosity', 'old finding']),
    );
  });

  it('of a machine is what was fitted anew, read or set down since', () => {
    const setup = (rig: object) => ({ rig, display: 'digital' }) as unknown as Setup;
    const before = setup({ wire: { class: 'solid-steel', diameterMm: 0.9 }, fittedAt: { tip: '2026-01-01' } });
    const says = (rig: object) => refitEntry(setup({ ...before.rig, ...rig }), before, 'Dock set').title;
    expect(says({ fittedAt: { tip: '2026-02-01', liner: '2026-02-01' } })).toBe('New contact tip, new liner');
    expect(says({ wire: { class: 'solid-steel', diameterMm: 0.8 } })).toBe('Another wire');
    expect(says({ cylinder: { kind: 'compressed', pressureBar: 90 } })).toBe('Cylinder read');
    expect(says({ dials: {} })).toBe('Knobs taken down');
    expect(says({})).toBe('Set down anew');
    expect(refitEntry(before, null, 'Dock set')).toMatchObject({ title: 'Dock set' });
  });

  it('of a weld is how it stands, of its inspection what was over, of a repair what was put right', () => {
    const { id, name, limits } = LEVELS[1];
    const measured = { crackMm: 3, unfusedMm: 0, poreCount: 0, undercutMm: 0, lengthMm: 100 };
    const inspection = judged(
      { job: { thicknessMm: 5, joint: 'fillet' }, repairs: [] },
      { id, inspectedAt: '2026-05-04T09:00:00.000Z', by: 'Joos', level: { id, name, limits }, measured, note: '' },
    );
    const entry = inspectionEntry(inspection, 'Ring 4');
    expect(entry).toMatchObject({ title: 'Ring 4', outcome: inspection.judged.verdict, findings: ['crack'] });
    expect(entry.words).toContain('Joos');
    const repair = {
      id,
      inspectionId: id,
      repairedAt: '',
      by: 'Ilse',
      defects: ['crack', 'pores'] as const,
      done: ['Ground out.'],
      settings: {},
      note: '',
    };
    expect(repairEntry({ ...repair, defects: [...repair.defects] }, 'Ring 4')).toMatchObject({
      ...{ says: 'Repaired: crack, holes', findings: ['crack', 'pores'] },
    });
    expect(weldEntry('Ring 4', 'reject', 'Ilse', '')).toMatchObject({ outcome: 'reject', says: 'Welded' });
    expect(provenEntry('Gate', 'Ilse', ['looked', 'bent'], '').says).toBe('Setting kept, looked at and bent');
    expect(careEntry('tip', 'Wout')).toMatchObject({ title: 'Look at the contact tip', says: 'Done by Wout' });
  });
});
