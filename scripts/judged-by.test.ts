import { join } from 'node:path';
import { answer } from '../core/answer';
import { EXAMPLE_CASE } from '../core/cases/example';
import { answerSources, nameOfSources } from './judged-by';

const SOURCES = answerSources(join(__dirname, '..'));

describe('the name of what judges', () => {
  it('is made from every source that an answer is computed with', () => {
    expect(answer(EXAMPLE_CASE).judgedBy).toBe(nameOfSources(SOURCES));
    // Weights of residuals, of the objective, of hearing and risk among them: nothing lies outside.
    for (const name of [
      'core/arc/coefficients.ts',
      'core/arc/risk.ts',
      'core/arc/setup.ts',
      'core/correction/objective.ts',
      'core/diagnosis/heard.ts',
      'core/diagnosis/residuals.ts',
      'core/hearing/likelihood.ts',
      'core/hazard/lexicon.ts',
      'core/knowledge/checks/cover.ts',
      'core/start/stitch.ts',
    ])
      expect([...SOURCES.keys()]).toContain(name);
  });

  it('changes with any constant that an answer depends on', () => {
    const name = nameOfSources(SOURCES);
    for (const [file, text] of SOURCES) {
      const number = /[^\w.$-](\d+\.\d+|[2-9])(?=[,;)\s\]])/.exec(text);
      if (number === null) continue;
      const at = number.index + 1;
      const other = `${text.slice(0, at)}${Number(number[1]) + 0.125}${text.slice(at + number[1].length)}`;
      expect([file, nameOfSources(new Map(SOURCES).set(file, other)) === name]).toEqual([file, false]);
    }
  });
});
