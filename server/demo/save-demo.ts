import type { NewBead } from '../../core/record/shapes/record-schema';
import { saveSetting } from '../db/records/saved-settings';
import { inspect, logWeld, repair } from '../db/records/welds';
import type { Writing } from '../db/records/write';
import { demoId } from './demo-id';
import type { DemoSavedSetting } from './welds';

const STEP_AFTER = 60 * 60 * 1000;

/**
 * Keeps the setting of a bead as it is told, with its welds: each the same day, an hour after what came before it.
 * @param index of the setting among all of the demo
 */
export function saveDemo(
  writing: Writing,
  { welds, ...setting }: Omit<DemoSavedSetting, 'coupon'>,
  index: number,
  bead: Pick<NewBead, 'id' | 'couponId' | 'ranAt'>,
): void {
  let at = Date.parse(bead.ranAt);
  const later = (): string => new Date((at += STEP_AFTER)).toISOString();
  const provenId = demoId(5, index);
  saveSetting(writing, { ...setting, id: provenId, couponId: bead.couponId, beadId: bead.id, provenAt: later() });
  welds.forEach(({ steps, note = '', ...weld }, w) => {
    const weldId = demoId(6, index * 100 + w);
    logWeld(writing, { ...weld, note, id: weldId, provenId, weldedAt: later() });
    let inspectionId = '';
    steps.forEach(({ note: said = '', ...step }, s) => {
      const id = demoId(7, (index * 100 + w) * 100 + s);
      if (step.kind === 'inspection') {
        inspectionId = id;
        const { by, measured, level } = step;
        const { id: levelId, name, limits } = level;
        const held = { level: { id: levelId, name, limits }, measured, by, note: said };
        inspect(writing, weldId, { id, inspectedAt: later(), ...held });
      } else {
        const { by, defects, done, settings } = step;
        repair(writing, weldId, { id, inspectionId, repairedAt: later(), by, defects, done, settings, note: said });
      }
    });
  });
}
