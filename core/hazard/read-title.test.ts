import { hazardsOfTitle, stillRuledOut } from './read-title';
import { DANGEROUS } from './testing/dangerous-titles';
import { HARMLESS } from './testing/harmless-titles';

const concernsOf = (title: string): string[] =>
  hazardsOfTitle(title).map(({ hazard }) => ('coat' in hazard ? hazard.coat : hazard.concern));

describe('the title of a job', () => {
  it('is warned of in 99 of 100 jobs that can hurt somebody', () => {
    const missed = DANGEROUS.filter((title) => concernsOf(title).length === 0);
    expect({ missed, of: DANGEROUS.length >= 100 }).toEqual({
      missed: missed.slice(0, DANGEROUS.length / 100),
      of: true,
    });
  });

  it('warns in vain in no more than 5 of 100 that cannot', () => {
    const alarms = HARMLESS.filter((title) => concernsOf(title).length > 0);
    expect({ alarms, of: HARMLESS.length >= 100 }).toEqual({ alarms: alarms.slice(0, HARMLESS.length / 20), of: true });
  });

  it.each([
    ['Lifting lug for hatch', 'code-work'],
    ['PAD-EYES, aft', 'code-work'],
    ['Towbar', 'code-work'],
    ['tow bar', 'code-work'],
    ['Oil drums, two', 'closed-container'],
    ['Galvanised rail', 'zinc'],
    ['galvanized rail', 'zinc'],
    ['Old paint on the door', 'old-paint'],
    ['Manhole cover frame', 'confined-space'],
    ['Café ladder', 'code-work'],
  ])('"%s" names %s', (title, concern) => {
    expect(concernsOf(title)).toContain(concern);
  });

  it.each(['', 'Carpet rack', 'Vanity plate', 'Impressed washer', 'Coat hooks', '—', '12'])(
    '"%s" names nothing',
    (title) => {
      expect(concernsOf(title)).toEqual([]);
    },
  );

  it('says which words it was', () => {
    expect(hazardsOfTitle('New sling eye')).toEqual([
      { hazard: { concern: 'code-work' }, of: 'lifts or hangs a load', words: 'sling' },
    ]);
  });

  it('asks again what a new title names for the first time', () => {
    expect(stillRuledOut('Bracket', 'Lifting bracket', ['code-work', 'fire-nearby'])).toEqual(['fire-nearby']);
    expect(stillRuledOut('Lifting lug', 'Lifting lug, second', ['code-work'])).toEqual(['code-work']);
  });
});
