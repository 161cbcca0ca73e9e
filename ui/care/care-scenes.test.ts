import { svgPathProperties } from 'svg-path-properties';
import { CARE } from '@/core/care/tasks';
import { CARE_SCENES, SCENE } from './care-scenes';

describe('the steps of care, drawn', () => {
  it('are as many as are told, each another', () => {
    for (const { id, steps } of CARE) expect([id, CARE_SCENES[id].length]).toEqual([id, steps.length]);
    const all = Object.values(CARE_SCENES).flatMap((scenes) => scenes.map((scene) => JSON.stringify(scene)));
    expect(new Set(all).size).toBe(all.length);
  });

  it('each show something that is done or looked at, whole within the frame', () => {
    for (const [task, scenes] of Object.entries(CARE_SCENES))
      scenes.forEach((scene, step) => {
        expect([task, step, scene.some(({ as }) => as.startsWith('act') || as === 'air')]).toEqual([task, step, true]);
        for (const { d } of scene) {
          const path = new svgPathProperties(d);
          const length = path.getTotalLength();
          for (let at = 0; at <= 1; at += 0.05) {
            const { x, y } = path.getPointAtLength(at * length);
            expect([
              task,
              step,
              d,
              x >= -0.5 && x <= SCENE.width + 0.5 && y >= -0.5 && y <= SCENE.height + 0.5,
            ]).toEqual([...[task, step, d], true]);
          }
        }
      });
  });
});
