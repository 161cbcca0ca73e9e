import { Controller, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { unitOf } from '@/core/quantity/units';
import { wireSize } from '@/core/quantity/wire-size';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { WIRE_DIAMETERS } from '../../shared/rig-words';
import { useUnits } from '../../shared/use-habits';
import type { RigValues } from './rig-form';
import { COOLING_WORDS, GROOVE_WORDS, LINER_SIZES, LINER_WORDS, NOZZLE_WORDS, type PartValues } from './rig-parts';
import { choicesOf } from '../../shared/choices';

const NOT_KNOWN = 'not known';
type Option = { value: string; label: string };

/** One of a few, or not known. */
function OneOf({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string;
  options: readonly Option[];
  chosen: string | null;
  onChoose: (value: string | null) => void;
}) {
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">{label}</Words>
      <Choice
        label={label}
        options={[...options, { value: '', label: NOT_KNOWN }]}
        chosen={chosen ?? ''}
        onChoose={(value) => onChoose(value === '' ? null : value)}
      />
    </View>
  );
}

/** The parts that the wire runs through, gun and rating plate: what the rig check holds against wire and job. */
export function FeedPart({ control }: { control: Control<RigValues> }) {
  const units = useUnits();
  const sizes = (of: readonly number[]): Option[] =>
    of.map((size) => ({ value: String(size), label: wireSize(size, units) }));
  return (
    <Controller
      control={control}
      name="parts"
      render={({ field, fieldState: { error } }) => {
        const { value } = field;
        const set = (some: Partial<PartValues>): void => field.onChange({ ...value, ...some });
        return (
          <>
            <Part title="Feed">
              <OneOf
                label="Drive roll, groove"
                options={choicesOf(GROOVE_WORDS)}
                chosen={value.groove}
                onChoose={(groove) => set({ groove })}
              />
              <OneOf
                label="Drive roll, size"
                options={sizes(WIRE_DIAMETERS)}
                chosen={value.rollMm}
                onChoose={(rollMm) => set({ rollMm })}
              />
              <OneOf
                label="Liner"
                options={choicesOf(LINER_WORDS)}
                chosen={value.liner}
                onChoose={(liner) => set({ liner })}
              />
              <OneOf
                label="Liner, for wire up to"
                options={sizes(LINER_SIZES)}
                chosen={value.linerMm}
                onChoose={(linerMm) => set({ linerMm })}
              />
              <OneOf
                label="Contact tip"
                options={sizes([...WIRE_DIAMETERS, 1.4])}
                chosen={value.tipMm}
                onChoose={(tipMm) => set({ tipMm })}
              />
              <OneOf
                label="Nozzle, shape"
                options={choicesOf(NOZZLE_WORDS)}
                chosen={value.nozzle}
                onChoose={(nozzle) => set({ nozzle })}
              />
              <NumberField
                label="Tip stands back in the nozzle (less than 0 where it stands out)"
                unit={unitOf('length', units)}
                signed
                text={value.recess}
                onType={(recess) => set({ recess })}
              />
            </Part>
            <Part title="Gun and rating plate">
              <OneOf
                label="Gun cooled by"
                options={choicesOf(COOLING_WORDS)}
                chosen={value.cooling}
                onChoose={(cooling) => set({ cooling })}
              />
              <Row className="gap-2">
                <NumberField
                  className="min-w-0 flex-1"
                  label="Gun rated"
                  unit="A"
                  text={value.gunA}
                  onType={(gunA) => set({ gunA })}
                />
                <NumberField
                  className="min-w-0 flex-1"
                  label="Machine gives"
                  unit="A"
                  text={value.sourceA}
                  onType={(sourceA) => set({ sourceA })}
                />
                <NumberField
                  className="min-w-0 flex-1"
                  label="for, of 10 min"
                  unit="%"
                  text={value.sourcePct}
                  onType={(sourcePct) => set({ sourcePct })}
                />
              </Row>
              {error !== undefined && (
                <Words role="alert" strong>
                  {`That takes ${error.message}.`}
                </Words>
              )}
            </Part>
          </>
        );
      }}
    />
  );
}
