import { spoolFrom, spoolTexts } from './spool-work';

describe('a spool that is typed', () => {
  it('has what is on it, and what a full one has where that is said', () => {
    expect(spoolFrom({ full: '15', left: '3,5' }, 'metric')).toEqual({
      spool: { fullKg: 15, leftKg: 3.5 },
      problem: null,
    });
    expect(spoolFrom({ full: '', left: '3.5' }, 'metric')).toEqual({ spool: { leftKg: 3.5 }, problem: null });
    expect(spoolFrom({ full: '15', left: '' }, 'metric')).toEqual({ spool: null, problem: null });
    const { spool } = spoolFrom({ full: '33', left: '33' }, 'inch');
    expect(spool!.fullKg).toBeCloseTo(14.97, 2);
    expect(spool!.leftKg).toBe(spool!.fullKg);
  });

  it('says of the field that cannot be what it takes', () => {
    expect(spoolFrom({ full: '15', left: '16' }, 'metric').problem).toEqual({
      field: 'left',
      text: 'What is on it takes 0 to 15 kg.',
    });
    expect(spoolFrom({ full: '15', left: '-1' }, 'metric').problem!.field).toBe('left');
    expect(spoolFrom({ full: 'a big one', left: '' }, 'metric').problem!.field).toBe('full');
    expect(spoolFrom({ full: '0', left: '' }, 'inch').problem).toEqual({
      field: 'full',
      text: 'A full spool takes 0.2 to 881.8 lb.',
    });
  });

  it('begins with a full one’s weight, and asks anew what is on it', () => {
    expect(spoolTexts({ fullKg: 15, leftKg: 4, at: '2026-05-04T10:00:00.000Z' }, 'inch')).toEqual({
      full: '33.1',
      left: '',
    });
    expect(spoolTexts(undefined, 'metric')).toEqual({ full: '', left: '' });
  });
});
