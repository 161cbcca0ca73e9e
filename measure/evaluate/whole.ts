import { ENGINE } from '../../core/answer/engine';
import { drawWhole } from '../../core/answer/testing/draw';
import { WHOLE } from '../../core/answer/testing/properties';
import { wholeOf } from '../../core/answer/testing/whole';
import { withEarlier } from '../../core/learning/earlier';
import { stream } from '../../core/chance/stream';

/** Examples that are printed of each property. */
const MOST_PRINTED = 3;

/**
 * (e) the whole answer: every property of it held against drawn cases, each violation counted and some printed.
 * @param answers how many cases are drawn
 * @returns how many violations there were
 */
export function whole(answers: number): number {
  const random = stream(20261201);
  const found = WHOLE.map(({ name }) => ({ name, asked: 0, wrong: 0, examples: [] as string[] }));
  let broken = 0;
  for (let i = 0; i < answers; i++) {
    const input = drawWhole(random);
    try {
      const one = wholeOf(withEarlier(ENGINE, input));
      WHOLE.forEach(({ wrong }, k) => {
        const said = wrong(one);
        if (said === null) return;
        found[k].asked += 1;
        if (said === '') return;
        found[k].wrong += 1;
        if (found[k].examples.length < MOST_PRINTED)
          found[k].examples.push(`${said}\n          ${JSON.stringify(input)}`);
      });
    } catch (error) {
      broken += 1;
      if (broken <= MOST_PRINTED) console.log(`    broke: ${String(error)}\n          ${JSON.stringify(input)}`);
    }
  }
  console.log('(e) the whole answer, over drawn cases');
  for (const { name, asked, wrong, examples } of found) {
    console.log(`    ${String(wrong).padStart(5)} of ${asked}  ${name}`);
    for (const example of examples) console.log(`        ${example}`);
  }
  const violations = broken + found.reduce((sum, { wrong }) => sum + wrong, 0);
  console.log(`${violations} violations of ${WHOLE.length} properties in ${answers} answers`);
  return violations;
}
