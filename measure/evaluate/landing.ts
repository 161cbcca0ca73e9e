import { answer } from '../../core/answer';
import { PROPERTIES } from '../../core/correction/testing/properties';
import { drawSpoiled, FAULTS, missedBy } from '../../core/correction/testing/spoiled';
import { stream } from '../../core/chance/stream';
import { percent } from './score';

/**
 * Sound settings spoiled in one or two figures: how many come back to within 0.8 V, 10 % of wire, 3 mm and the gas
 * window, by what was spoiled.
 * @param count jobs of each fault
 */
export function landing(count: number): void {
  console.log('(c) sound settings spoiled: corrected back to within 0.8 V, 10 % of wire, 3 mm and the gas window');
  let landedInAll = 0;
  const counts = PROPERTIES.map(() => ({ held: 0, of: 0 }));
  for (const fault of FAULTS) {
    const random = stream(20260504 + FAULTS.indexOf(fault));
    const misses = new Map<string, number>();
    let landed = 0;
    for (let i = 0; i < count; i++) {
      const spoiled = drawSpoiled(random, fault);
      const said = answer(spoiled.input);
      const { correction, causes } = said;
      PROPERTIES.forEach(({ holds }, p) => {
        const held = holds({ spoiled, said });
        if (held === null) return;
        counts[p].of += 1;
        if (held) counts[p].held += 1;
      });
      const missed = missedBy(spoiled, correction.settings);
      if (missed.length === 0) landed += 1;
      else {
        const why = `${missed.join('+')} as ${causes[0]?.cause ?? 'nothing'}`;
        misses.set(why, (misses.get(why) ?? 0) + 1);
        if (process.argv.includes('--misses') && misses.get(why)! <= 2)
          console.log(
            JSON.stringify({
              faults: spoiled.faults,
              in: spoiled.input,
              sound: spoiled.sound,
              to: correction.settings,
              causes: causes.slice(0, 3).map((c) => [c.cause, c.probability.toFixed(2)]),
            }),
          );
      }
    }
    landedInAll += landed;
    const most = [...misses]
      .sort((a, b) => b[1] - a[1])
      .slice(0, 6)
      .map(([why, times]) => `${why} ${times}`);
    console.log(`    ${fault.padEnd(14)} ${percent(landed / count).padStart(7)}  missed: ${most.join('; ')}`);
  }
  console.log(
    `    all            ${percent(landedInAll / (count * FAULTS.length)).padStart(7)} of ${count * FAULTS.length}`,
  );
  console.log('    what must hold for every answer: held of those it speaks of');
  PROPERTIES.forEach(({ name }, p) => console.log(`      ${counts[p].held} of ${counts[p].of}  ${name}`));
}
