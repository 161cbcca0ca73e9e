import { useState } from 'react';
import { View } from 'react-native';
import type { Judgement } from '@/core/inspection/judge';
import { measuresFor, weldForm, type Measure, type MeasureId } from '@/core/inspection/measures';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { Weld } from '@/core/record/shapes/weld-schema';
import type { InspectionDraft } from '@/client/stored/work-drafts';
import { PLACES, WeldDrawing } from '@/ui/joint/WeldDrawing';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useTextIn, useUnits } from '../shared/use-habits';

type PartProps = {
  weld: Weld;
  draft: InspectionDraft;
  said: { [id in MeasureId]?: string };
  onType: (id: MeasureId, text: string) => void;
};

const unitText = (unit: Measure['unit'], units: UnitSystem): string => (unit === null ? '' : unitOf('length', units));

/** What is looked for first: "none" is an answer, and nothing said is not. */
const LOOKED_FOR: readonly MeasureId[] = ['crackMm', 'unfusedMm', 'poreCount', 'burnThroughs', 'craterMm'];

export function LookedFor({ weld, draft, said, onType }: PartProps) {
  const textIn = useTextIn();
  return (
    <Part title="Looked for">
      {measuresFor(weld.job.joint)
        .filter(({ id }) => LOOKED_FOR.includes(id))
        .map(({ id, name, unit, how }) => {
          const text = draft.texts[id] ?? '';
          return (
            <View key={id} role="group" aria-label={name} className="gap-1 rounded-md bg-plate p-3">
              <Row className="items-end gap-2">
                <NumberField
                  className="min-w-0 flex-1"
                  label={name}
                  unit={unitText(unit, draft.units)}
                  text={text}
                  onType={(next) => onType(id, next)}
                  problem={said[id] ?? null}
                />
                <Button
                  label="None"
                  aria-label={`None: ${name}`}
                  tone={text === '0' ? 'act' : 'plain'}
                  onPress={() => onType(id, '0')}
                />
              </Row>
              {id === 'poreCount' && !['', '0'].includes(text) && (
                <NumberField
                  label="Largest hole"
                  unit={unitText('mm', draft.units)}
                  text={draft.texts.poreLargestMm ?? ''}
                  onType={(next) => onType('poreLargestMm', next)}
                  problem={said.poreLargestMm ?? null}
                />
              )}
              {text === '' && <Words className="text-sm text-faint">{textIn(how)}</Words>}
            </View>
          );
        })}
    </Part>
  );
}

/** Sizes, on the drawing where they are measured: one is chosen, and typed under it. */
export function Sizes({ weld, draft, said, judged, onType }: PartProps & { judged: Judgement }) {
  const textIn = useTextIn();
  const form = weldForm(weld.job.joint);
  const places = PLACES[form];
  const measures = measuresFor(weld.job.joint);
  const drawn = measures.filter(({ id }) => places[id] !== undefined);
  const [chosenId, setChosen] = useState<string>(
    drawn.find(({ needed, form: of }) => needed && of !== null)?.id ?? drawn[0].id,
  );
  const chosen = drawn.find(({ id }) => id === chosenId) ?? drawn[0];
  const over = new Set(judged.lines.filter((line) => line.over).map(({ defect }) => defect as string));
  const others = measures.filter(({ id }) => id === 'badLengthMm' || id === 'lengthMm');
  return (
    <Part title="Measured">
      <WeldDrawing
        form={form}
        figures={drawn.map(({ id, name }) => ({
          ...{ id, name, text: draft.texts[id] ?? '' },
          over: (OVER_BY[id] ?? []).some((defect) => over.has(defect)),
        }))}
        chosen={chosen.id}
        onChoose={setChosen}
      />
      <NumberField
        key={chosen.id}
        large
        signed={chosen.minimum < 0}
        label={chosen.name}
        unit={unitText(chosen.unit, draft.units)}
        text={draft.texts[chosen.id] ?? ''}
        onType={(next) => onType(chosen.id, next)}
        problem={said[chosen.id] ?? null}
      />
      <Words className="text-sm text-faint">{textIn(chosen.how)}</Words>
      <Computed judged={judged} />
      {others.map(({ id, name, unit, how }) => (
        <View key={id} className="gap-1">
          <NumberField
            label={name}
            unit={unitText(unit, draft.units)}
            text={draft.texts[id] ?? ''}
            onType={(next) => onType(id, next)}
            problem={said[id] ?? null}
          />
          <Words className="text-sm text-faint">{textIn(how)}</Words>
        </View>
      ))}
    </Part>
  );
}

/** Which defects a measure shows. */
export const OVER_BY: { [id in MeasureId]?: string[] } = {
  legUprightMm: ['throat-short', 'legs-unequal'],
  legFlatMm: ['throat-short', 'legs-unequal'],
  throatMm: ['throat-short', 'too-full'],
  undercutMm: ['undercut'],
  overlapMm: ['overlap'],
  capMm: ['too-full', 'underfilled'],
  rootMm: ['root-short', 'root-excess'],
  misalignmentMm: ['misaligned'],
};

/** Shows what follows from the figures: the throat that counts, beside the one that is wanted. */
function Computed({ judged: { computed } }: { judged: Judgement }) {
  const units = useUnits();
  const mm = (value: number): string => `${readable(value, 'length', units)} ${unitOf('length', units)}`;
  const { fillet, wantedLegMm, wantedThroatMm } = computed;
  if (wantedLegMm === null || wantedThroatMm === null) return null;
  return (
    <View role="status" aria-label="What follows" className="gap-1 border-l-4 border-ink pl-3">
      {fillet !== null && (
        <Words strong>{`Throat that counts ${mm(fillet.throatMm)}, as an equal leg of ${mm(fillet.equalLegMm)}`}</Words>
      )}
      <Words>{`This plate wants a leg of ${mm(wantedLegMm)}, a throat of ${mm(wantedThroatMm)}.`}</Words>
    </View>
  );
}
