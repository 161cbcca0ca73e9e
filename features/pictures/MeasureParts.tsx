import { lengthOf, rulerOf, type Point } from '@/core/picture/measure';
import { sizeOf, sizesIn } from '@/core/picture/sizes';
import type { weldForm } from '@/core/inspection/measures';
import type { Job } from '@/core/case/schema';
import { MM_PER_INCH, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import type { MeasureDraft, MeasureTarget } from '@/client/stored/work-drafts';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { View } from 'react-native';
import { lengthWords } from '../shared/size-words';
import { useUnits } from '../shared/use-habits';
import { measuringOf, pairAt, typedLength } from './measure-work';

/** Shows what is measured next: first something of known size, then what the picture shows. */
export function What({
  draft,
  view,
  form,
  onAim,
}: {
  draft: MeasureDraft;
  view: ShownPicture['view'];
  form: ReturnType<typeof weldForm>;
  onAim: (target: MeasureTarget) => void;
}) {
  const { target, scale } = draft;
  const isScaled = scale.from !== null && scale.to !== null && (typedLength(scale.text, draft.units) ?? null) !== null;
  const options: { value: MeasureTarget; label: string }[] = [
    { value: 'scale', label: 'Known length' },
    ...(isScaled
      ? [
          ...sizesIn(view, form).map(({ id, name }) => ({ value: id, label: name })),
          { value: 'check' as const, label: 'Second known length' },
        ]
      : []),
  ];
  return (
    <Row role="radiogroup" aria-label="What is measured" className="flex-wrap gap-2">
      {options.map(({ value, label }) => (
        <Toggle key={value} role="radio" label={label} on={value === target} onPress={() => onAim(value)} />
      ))}
    </Row>
  );
}

/** Shows what to do now, and the end that is held moved point by point. */
export function Now({
  draft,
  job,
  step,
  onMove,
  onType,
}: {
  draft: MeasureDraft;
  job: Job;
  step: number;
  onMove: (by: Point) => void;
  onType: (text: string) => void;
}) {
  const { target, held } = draft;
  const pair =
    target === 'scale' || target === 'check'
      ? draft[target]
      : draft.sizes.find(({ id, to }) => id === target && to === null);
  const isFirst = pair === undefined || pair.from === null;
  const isKnown = target === 'scale' || target === 'check';
  const taps = isKnown ? 'one end of something of known size, then its other end' : sizeOf(target).taps;
  const again = !isKnown && draft.sizes.some(({ id, to }) => id === target && to !== null);
  const isDone = isKnown && pair !== undefined && pair.from !== null && pair.to !== null;
  const text = isKnown ? draft[target].text : '';
  const typed = isKnown ? typedLength(text, draft.units) : null;
  return (
    <View className="gap-3">
      <Words role="status">
        <Words strong>
          {isDone ? 'Both ends sit. ' : !isFirst ? 'And now: ' : again ? 'Another place: ' : 'Tap: '}
        </Words>
        {isDone ? 'Tap near one to move it; slide the finger to move it finely.' : taps}
      </Words>
      {isKnown && (
        <>
          <NumberField
            label="How long that is"
            unit={unitOf('length', draft.units)}
            text={text}
            onType={onType}
            problem={
              typed === undefined
                ? `A length from ${readable(0.2, 'length', draft.units)} to ${readable(2000, 'length', draft.units)} ${unitOf('length', draft.units)}.`
                : null
            }
          />
          <Row className="flex-wrap gap-2">
            {knownSizes(job, draft.units).map(({ name, mm }) => (
              <Button
                key={`${name} ${mm}`}
                label={`${name}: ${readable(mm, 'length', draft.units)} ${unitOf('length', draft.units)}`}
                onPress={() => onType(readable(mm, 'length', draft.units))}
              />
            ))}
          </Row>
        </>
      )}
      {held !== null && <Arrows step={step} onMove={onMove} />}
    </View>
  );
}

/** Returns what lies about with a length that everyone knows; a rule is read in the reader's own units. */
function knownSizes({ thicknessMm }: Job, units: UnitSystem): { name: string; mm: number }[] {
  const marks = units === 'inch' ? [0.5, 2].map((inch) => inch * MM_PER_INCH) : [10, 50];
  return [
    ...marks.map((mm) => ({ name: 'Rule', mm })),
    ...(thicknessMm === undefined ? [] : [{ name: 'Plate', mm: thicknessMm }]),
  ];
}

const ARROWS = [
  ['Left', -1, 0],
  ['Right', 1, 0],
  ['Up', 0, -1],
  ['Down', 0, 1],
] as const;

function Arrows({ step, onMove }: { step: number; onMove: (by: Point) => void }) {
  return (
    <Row role="group" aria-label="Move what is held" className="gap-2">
      {ARROWS.map(([name, x, y]) => (
        <Button key={name} label={name} className="flex-1 px-1" onPress={() => onMove([x * step, y * step])} />
      ))}
    </Row>
  );
}

/** Shows what came of it so far, each with how far it may be off. */
export function Found({ draft, onRemove }: { draft: MeasureDraft; onRemove: (index: number) => void }) {
  const units = useUnits();
  const { scale, check, fineness } = measuringOf(draft);
  const ruler = rulerOf({ scale, check, fineness });
  const whole = draft.sizes.flatMap((_, index) => {
    const { from, to } = pairAt(draft, index)!;
    return from === null || to === null ? [] : [{ index, id: draft.sizes[index].id, from, to }];
  });
  if (whole.length === 0) return null;
  return (
    <Part title="Measured">
      {whole.map(({ index, id, from, to }) => (
        <Row key={index} className="items-center gap-2">
          <Words className="min-w-0 flex-1">{sizeOf(id).name}</Words>
          <Words strong className="text-xl" style={{ fontVariant: ['tabular-nums'] }}>
            {ruler === null ? '–' : lengthWords(lengthOf(ruler, from, to, fineness), units)}
          </Words>
          <Button
            label="Away"
            aria-label={`Take ${sizeOf(id).name.toLowerCase()} away`}
            onPress={() => onRemove(index)}
          />
        </Row>
      ))}
    </Part>
  );
}
