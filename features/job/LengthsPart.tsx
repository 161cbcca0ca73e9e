import { useState } from 'react';
import { Controller, useWatch, type Control, type UseFormSetValue } from 'react-hook-form';
import { View } from 'react-native';
import { JOB_SCHEMA, type BaseMetal } from '@/core/case/schema';
import { COMMON_GAUGES, gaugeToMm, nearestGauge } from '@/core/quantity/gauge';
import { fromUser, readable, unitOf } from '@/core/quantity/units';
import { NumberField } from '@/ui/NumberField';
import { Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { METAL_WORDS } from '../shared/job-words';
import { typedFigure } from '../shared/record-form';
import { useTextIn, useUnits } from '../shared/use-habits';
import { LENGTHS, type JobValues, type LengthName } from './job-form';

const LENGTH_WORDS: Record<LengthName, string> = {
  thicknessMm: 'Thickness',
  otherThicknessMm: 'Other part',
  gapMm: 'Gap',
  lengthMm: 'Weld length',
};

/** How a thickness is found out where nothing is written on the plate. */
const MEASURING: readonly string[] = [
  'Plate: calliper on a filed edge, away from the cut and the rust; three places, take the thinnest.',
  'Tube: look into an open end, or drill 3 mm where it will be welded over and hook the edge with a wire.',
  'Car and duct sheet: fold the jaws over a clean flange; paint adds 0.1 to 0.2 mm a face, so scrape it first.',
  'Nothing to get hold of: weigh a piece of known size. Steel weighs 7.85 g a cubic centimetre, aluminium 2.7 g.',
];

/** Thicknesses, gap and length, with gauge numbers and help for measuring. */
export function LengthsPart({
  control,
  setValue,
}: {
  control: Control<JobValues>;
  setValue: UseFormSetValue<JobValues>;
}) {
  const units = useUnits();
  const textIn = useTextIn();
  const [open, setOpen] = useState<'gauge' | 'measure' | null>(null);
  const metal = useWatch({ control, name: 'baseMetal' }) ?? 'mild-steel';
  const other = (part: 'gauge' | 'measure') => (): void => setOpen(open === part ? null : part);
  return (
    <View className="gap-2">
      <Row className="flex-wrap gap-3">
        {LENGTHS.map((name) => (
          <LengthField key={name} control={control} name={name} metal={metal} />
        ))}
      </Row>
      <Row className="flex-wrap gap-2">
        <Toggle label="By gauge" on={open === 'gauge'} onPress={other('gauge')} />
        <Toggle label="How to measure it" on={open === 'measure'} onPress={other('measure')} />
      </Row>
      {open === 'gauge' && (
        <Row role="group" aria-label={`Gauge of ${METAL_WORDS[metal]} sheet`} className="flex-wrap gap-2">
          {COMMON_GAUGES.map((gauge) => {
            const shown = readable(gaugeToMm(gauge, metal), 'length', units);
            return (
              <Toggle
                key={gauge}
                label={`${gauge} ga: ${shown} ${unitOf('length', units)}`}
                on={false}
                onPress={() => {
                  setValue('thicknessMm', shown, { shouldDirty: true, shouldValidate: true });
                  setOpen(null);
                }}
              />
            );
          })}
        </Row>
      )}
      {open === 'measure' && MEASURING.map((line) => <Words key={line}>{textIn(line)}</Words>)}
    </View>
  );
}

type LengthFieldProps = { control: Control<JobValues>; name: LengthName; metal: BaseMetal };

function LengthField({ control, name, metal }: LengthFieldProps) {
  const units = useUnits();
  const { minimum, maximum } = JOB_SCHEMA.properties[name];
  const unit = unitOf('length', units);
  const gaugeOf = (text: string): number | null => {
    const typed = typedFigure(text);
    return name === 'gapMm' || name === 'lengthMm' || typed === undefined || !(typed > 0)
      ? null
      : nearestGauge(fromUser(typed, 'length', units), metal);
  };
  return (
    <View className="min-w-[30%] flex-1">
      <Controller
        control={control}
        name={name}
        render={({ field, fieldState: { error } }) => (
          <>
            <NumberField
              label={LENGTH_WORDS[name]}
              unit={unit}
              text={field.value}
              problem={
                error === undefined
                  ? null
                  : `Takes ${readable(minimum, 'length', units)} to ${readable(maximum, 'length', units)} ${unit}.`
              }
              onType={field.onChange}
            />
            {error === undefined && gaugeOf(field.value) !== null && (
              <Words className="text-sm text-faint">{`about ${gaugeOf(field.value)} gauge`}</Words>
            )}
          </>
        )}
      />
    </View>
  );
}
