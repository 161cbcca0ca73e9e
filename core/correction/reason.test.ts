import type { CauseId } from '../evidence/ids';
import { CAUSES } from '../knowledge';
import { wordsFor } from './reason';

const chances =
  (held: { [id in CauseId]?: number }) =>
  (causes: readonly CauseId[]): number =>
    causes.reduce((sum, id) => sum + (held[id] ?? 0), 0);
const words = (
  name: Parameters<typeof wordsFor>[0],
  way: 'up' | 'down',
  held: { [id in CauseId]?: number },
  together = false,
) => wordsFor(name, way, chances(held), together);

describe('the words of a turn', () => {
  it('are those of the turn, whichever of a pair it answers', () => {
    expect(words('voltageV', 'up', { 'wire-fast': 0.9 })).toEqual(words('voltageV', 'up', { 'voltage-low': 0.9 }));
    expect(words('voltageV', 'up', { 'voltage-low': 0.9 }).because).toMatch(/too short/);
    expect(words('wireSpeedMPerMin', 'down', { 'voltage-low': 0.9 }).because).toMatch(/more wire/i);
    expect(words('voltageV', 'down', { 'voltage-high': 0.9 }).because).toMatch(/too long/);
  });

  it('tell heat from arc length by which of them is likelier', () => {
    const both = { 'voltage-low': 0.3, 'heat-low': 0.6 };
    expect(words('voltageV', 'up', both).because).toMatch(/too low for this thickness/);
    expect(words('voltageV', 'up', { ...both, 'voltage-low': 0.7 }).because).toMatch(/too short/);
    expect(words('wireSpeedMPerMin', 'up', both).because).toMatch(/too low for this thickness/);
    expect(words('wireSpeedMPerMin', 'down', { 'heat-high': 0.6 }).expect).toMatch(/cooler/);
  });

  it('tell of another sound where the arc is carried over into another transfer, and of no other turn', () => {
    const over = (name: Parameters<typeof wordsFor>[0], to: 'to-spray' | 'to-short-arc') =>
      wordsFor(name, 'up', chances({ 'heat-low': 0.9 }), true, to);
    expect(over('voltageV', 'to-spray').expect).toMatch(/steady hiss: a spray/);
    expect(over('wireSpeedMPerMin', 'to-short-arc').expect).toMatch(/crackle: a short arc/);
    expect(over('voltageV', 'to-spray').because).toBe(words('voltageV', 'up', { 'heat-low': 0.9 }).because);
    expect(over('stickOutMm', 'to-spray').expect).not.toMatch(/hiss/);
  });

  it('own up where nothing seen speaks for the turn', () => {
    expect(words('voltageV', 'up', {}).because).toMatch(/usually want/);
    expect(words('voltageV', 'up', { 'voltage-high': 0.9 }, true).because).toMatch(/^Follows the other/);
    expect(words('gasFlowLPerMin', 'up', {}, true).because).toMatch(/usually want/);
  });

  it('have an expectation of their own for each cause of arc length, heat, distance and cover', () => {
    const cured = CAUSES.filter(({ remedy, id }) => remedy.kind === 'setting' && !id.startsWith('arc-control'));
    const told = cured.map(({ id }) => {
      const all = (['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'] as const).flatMap((name) =>
        (['up', 'down'] as const).map((way) => words(name, way, { [id]: 1 }).expect),
      );
      return all.filter((text) => text !== 'a bead nearer to balance');
    });
    expect(told.every((texts) => texts.length > 0)).toBe(true);
  });
});
