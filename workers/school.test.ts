import type { ToWorker } from './call';
import { schoolCall, type SchoolAsked } from './school';

it('answers each plate with its own sheet, though the second was typed before the first was worked out', async () => {
  const worker = {
    asked: [] as ToWorker<SchoolAsked>[],
    onmessage: null as ((event: MessageEvent) => unknown) | null,
    onerror: null,
    postMessage: (message: ToWorker<SchoolAsked>) => void worker.asked.push(message),
    terminate: () => undefined,
  };
  const call = schoolCall(() => worker as never);
  const plate = (thicknessMm: number): SchoolAsked => ({
    ...{ kind: 'coupons', dials: {}, seed: 0 },
    input: { format: 'jolly-tinker/case@1', job: { thicknessMm } },
  });
  const [three, eight] = [call(plate(3)), call(plate(8))];
  for (const { id, asked } of [...worker.asked].reverse())
    worker.onmessage?.({
      data: { id, reply: { kind: 'coupons', of: 'input' in asked && asked.input.job!.thicknessMm } },
    } as unknown as MessageEvent);
  expect([await three, await eight]).toEqual([expect.objectContaining({ of: 3 }), expect.objectContaining({ of: 8 })]);
});
