import { View } from 'react-native';
import type { Judgement } from '@/core/inspection/judge';
import { measuresFor, type MeasureId } from '@/core/inspection/measures';
import { sizesOf, type Sized } from '@/core/picture/measure';
import { measureOf, sizeOf } from '@/core/picture/sizes';
import { readable } from '@/core/quantity/units';
import type { Weld } from '@/core/record/shapes/weld-schema';
import type { InspectionDraft } from '@/client/stored/work-drafts';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { lengthWords } from '../shared/size-words';
import { useUnits } from '../shared/use-habits';
import { usePictures } from '../../client/use-pictures';
import { OVER_BY } from './InspectParts';

type FromProps = {
  weld: Weld;
  draft: InspectionDraft;
  judged: Judgement;
  onType: (id: MeasureId, text: string) => void;
};

/** Returns whether a size is so near its limit that the photograph cannot tell on which side it is. */
function isTooNear({ plusMinusMm }: Sized, id: MeasureId, { lines }: Judgement): boolean {
  const by = OVER_BY[id] ?? (id === 'poreLargestMm' ? ['pores'] : []);
  return lines.some(
    ({ defect, unit, measured, allowed }) =>
      unit === 'mm' && by.includes(defect) && Math.abs(measured - allowed) < plusMinusMm,
  );
}

/** Shows what was measured in photographs of the weld, each put into the inspection by a tap. */
export function FromPhotographs({ weld, draft, judged, onType }: FromProps) {
  const units = useUnits();
  const { data: pictures = [] } = usePictures({ owner: { weldId: weld.id }, beadIds: [] });
  const taken = measuresFor(weld.job.joint);
  const sizes = sizesOf(pictures.map(({ measuring }) => measuring)).flatMap((size) => {
    const id = measureOf(size.id);
    return id !== null && taken.some((measure) => measure.id === id) ? [{ size, id }] : [];
  });
  if (sizes.length === 0) return null;
  return (
    <Part title="From photographs">
      {sizes.map(({ size, id }) => {
        const text = readable(size.mm, 'length', draft.units);
        const isIn = draft.texts[id] === text;
        const { name } = sizeOf(size.id);
        return (
          <View key={id} className="gap-1">
            <Row className="items-center gap-2">
              <Words className="min-w-0 flex-1">{name}</Words>
              <Words strong className="text-lg" style={{ fontVariant: ['tabular-nums'] }}>
                {lengthWords(size, units)}
              </Words>
              <Button
                label={isIn ? 'Is in' : 'Put in'}
                aria-label={`${isIn ? 'Is in' : 'Put in'}: ${name.toLowerCase()} from photographs`}
                disabled={isIn}
                onPress={() => onType(id, text)}
              />
            </Row>
            {isIn && isTooNear(size, id, judged) && (
              <Words role="alert" className="text-sm">
                The limit lies closer than the photograph is sure: measure this one with a gauge.
              </Words>
            )}
          </View>
        );
      })}
    </Part>
  );
}
