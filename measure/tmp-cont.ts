import { answer } from '../core/answer';
import { stream } from '../core/chance/stream';
import { drawSpoiled, FAULTS } from '../core/correction/testing/spoiled';
let n = 0;
FAULTS.forEach((fault, i) => {
  const random = stream(8000 + i);
  for (let k = 0; k < 160; k++) {
    const sp = drawSpoiled(random, fault);
    if ((i * 160 + k) % 8 !== 0) continue;
    const said = answer(sp.input);
    for (const name of ['voltageV', 'wireSpeedMPerMin'] as const) {
      const b = answer({ ...sp.input, settings: { ...sp.input.settings, [name]: sp.input.settings![name]! + 0.1 } });
      if (b.causes[0]?.cause !== said.causes[0]?.cause) continue;
      const mv = Math.abs(b.correction.settings.voltageV! - said.correction.settings.voltageV!),
        mw = Math.abs(b.correction.settings.wireSpeedMPerMin! - said.correction.settings.wireSpeedMPerMin!);
      if (mv > 0.6 || mw > 0.6) {
        n++;
        console.log(
          fault,
          name,
          JSON.stringify(sp.input.job),
          JSON.stringify(sp.input.rig?.wire),
          JSON.stringify(sp.input.rig?.gas),
          JSON.stringify(sp.input.settings),
          JSON.stringify(said.correction.settings),
          JSON.stringify(b.correction.settings),
          said.causes[0].cause,
          said.causes[0].probability,
          said.correction.after?.transfer,
          b.correction.after?.transfer,
          'dial',
          sp.input.rig?.dials !== undefined,
        );
      }
    }
  }
});
console.log(n);
