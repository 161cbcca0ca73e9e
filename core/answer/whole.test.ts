import { ENGINE } from './engine';
import { stream } from '../chance/stream';
import { withEarlier } from '../learning/earlier';
import { drawWhole } from './testing/draw';
import { WHOLE } from './testing/properties';
import { wholeOf } from './testing/whole';

/** So many answers are looked at here; `npm run evaluate -- --whole` looks at thousands. */
const ANSWERS = 250;

describe('every answer as a whole', () => {
  const random = stream(4);
  const all = Array.from({ length: ANSWERS }, () => wholeOf(withEarlier(ENGINE, drawWhole(random))));

  it.each(WHOLE.map(({ name, wrong }) => [name, wrong] as const))('%s', (_, wrong) => {
    const asked = all.map((one) => ({ in: one.input, said: wrong(one) })).filter(({ said }) => said !== null);
    // A property that speaks of nothing holds nothing.
    expect(asked.length).toBeGreaterThan(15);
    for (const one of asked) expect(one).toEqual({ in: one.in, said: '' });
  });
});
