import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { Controller, useWatch, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { PROCEDURE_SCHEMA } from '@/core/case/schema';
import { readable, toUser, unitOf, type UnitSystem } from '@/core/quantity/units';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useInk } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { useUnits } from '../shared/use-habits';
import { ENDS, LIMITS, type JobValues, type LimitField, type LimitName } from './job-form';

const NAMES: Record<LimitName, string> = {
  voltageV: 'Volts',
  wireSpeedMPerMin: 'Wire speed',
  currentA: 'Current',
  heatInputKJPerMm: 'Heat input',
};
const unitFor = (name: LimitName, units: UnitSystem): string =>
  name === 'wireSpeedMPerMin'
    ? unitOf('wireSpeed', units)
    : { voltageV: 'V', currentA: 'A', heatInputKJPerMm: 'kJ/mm' }[name];

const LIMIT_FIELDS = LIMITS.flatMap((name) => ENDS.map((end): LimitField => `${name}:${end}`));

const TRANSFERS = [
  { value: 'any', label: 'any' },
  { value: 'short-circuit', label: 'short circuit' },
  { value: 'spray', label: 'spray' },
  { value: 'pulse', label: 'pulse' },
] as const;

/** Shows what the procedure of a job allows; closed where there is none, for most repairs have none. */
export function ProcedurePart({ control }: { control: Control<JobValues> }) {
  const said = useWatch({ control, name: [...LIMIT_FIELDS, 'transfer'] });
  const stated = said.some((value) => value !== '' && value !== null);
  const [open, setOpen] = useState(stated);
  const ink = useInk();
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <Part title="Procedure">
      {!open ? (
        <Button
          label="Keep to a procedure"
          icon={<Chevron size={20} color={ink} />}
          aria-expanded={false}
          onPress={() => setOpen(true)}
        />
      ) : (
        <View className="gap-3">
          <Words className="text-faint">
            Nothing outside these is proposed. Leave out what the procedure leaves open.
          </Words>
          {LIMITS.map((name) => (
            <LimitFields key={name} control={control} name={name} />
          ))}
          <Words className="text-sm text-faint">How the metal crosses</Words>
          <Controller
            control={control}
            name="transfer"
            render={({ field }) => (
              <Choice
                label="Transfer"
                options={TRANSFERS}
                chosen={field.value ?? 'any'}
                onChoose={(value) => field.onChange(value === 'any' ? null : value)}
              />
            )}
          />
        </View>
      )}
    </Part>
  );
}

function LimitFields({ control, name }: { control: Control<JobValues>; name: LimitName }) {
  const units = useUnits();
  const unit = unitFor(name, units);
  const { minimum, maximum } = PROCEDURE_SCHEMA.properties[name].properties.low;
  const shown = (value: number): string =>
    name === 'wireSpeedMPerMin' ? readable(value, 'wireSpeed', units) : String(value);
  const wrong = (text: string): boolean => {
    const factor = name === 'wireSpeedMPerMin' ? toUser(1, 'wireSpeed', units) : 1;
    const value = Number(text.replace(',', '.')) / factor;
    return text.trim() !== '' && !(value >= minimum - 1e-9 && value <= maximum + 1e-9);
  };
  return (
    <Row className="gap-3">
      {ENDS.map((end) => (
        <View key={end} className="flex-1">
          <Controller
            control={control}
            name={`${name}:${end}`}
            // The other end is wrong or right with this one.
            rules={{ deps: ENDS.map((other): LimitField => `${name}:${other}`) }}
            render={({ field, fieldState: { error } }) => (
              <NumberField
                label={`${NAMES[name]} ${end === 'low' ? 'from' : 'to'}`}
                unit={unit}
                text={field.value}
                problem={
                  wrong(field.value)
                    ? `Takes ${shown(minimum)} to ${shown(maximum)} ${unit}.`
                    : error === undefined
                      ? null
                      : `Takes ${error.message}.`
                }
                onType={field.onChange}
              />
            )}
          />
        </View>
      ))}
    </Row>
  );
}
