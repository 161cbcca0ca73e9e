import { Controller, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { mixName } from '@/core/case/gas-mix';
import type { Gas } from '@/core/case/schema';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { USUAL_GASES } from '../../shared/rig-words';
import { gasTexts, typedGas, type RigValues } from './rig-form';

const SHARES: readonly { share: keyof Gas; label: string }[] = [
  { share: 'argonPct', label: 'Argon' },
  { share: 'co2Pct', label: 'CO2' },
  { share: 'oxygenPct', label: 'Oxygen' },
  { share: 'heliumPct', label: 'Helium' },
];

/** The name of the mix that was typed, or null while it is none. */
function typedName(texts: Record<keyof Gas, string>): string | null {
  try {
    return mixName(typedGas(texts));
  } catch {
    return null;
  }
}

/** The gas of a rig: a usual mix, or any other by its shares. */
export function GasPart({ control, gas }: { control: Control<RigValues>; gas: Record<keyof Gas, string> }) {
  return (
    <Part title="Gas">
      <Controller
        control={control}
        name="gas"
        render={({ field, fieldState: { error } }) => (
          <>
            <Choice
              label="Gas"
              options={USUAL_GASES.map(({ name }) => ({ value: name, label: name }))}
              chosen={typedName(gas)}
              onChoose={(label) => field.onChange(gasTexts(USUAL_GASES.find(({ name }) => name === label)?.gas ?? {}))}
            />
            <Row className="flex-wrap gap-2">
              {SHARES.map(({ share, label }) => (
                <View key={share} className="min-w-[20%] flex-1">
                  <NumberField
                    label={label}
                    unit="%"
                    text={gas[share]}
                    onType={(text) => field.onChange({ ...gas, [share]: text })}
                  />
                </View>
              ))}
            </Row>
            {error !== undefined && (
              <Words role="alert" strong>
                {`Gas takes ${error.message}.`}
              </Words>
            )}
          </>
        )}
      />
    </Part>
  );
}
