import { Controller, type Control } from 'react-hook-form';
import { CONTROLS, type Control as MachineControl } from '@/core/case/terms';
import { readable, unitOf } from '@/core/quantity/units';
import { SETTINGS } from '@/core/setting/table';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { CONTROL_WORDS, DISPLAY_WORDS } from '../shared/rig-words';
import { useUnits } from '../shared/use-habits';
import type { Ends, RigValues } from './rig-form';

const choices = <T extends string>(words: Record<T, string>): { value: T; label: string }[] =>
  Object.entries(words).map(([value, label]) => ({ value: value as T, label: label as string }));

const RISING = choices({ softer: 'softer', crisper: 'crisper' });
const MODES = choices({ conventional: 'no pulse', pulse: 'pulse, set by trim' });
const ENDS = ['low', 'high'] as const;

const RANGES = [
  { field: 'volts', of: 'voltageV', limits: [0, 100] },
  { field: 'wire', of: 'wireSpeedMPerMin', limits: [0, 100] },
] as const;

/** The machine itself: how it is read, what it can be set to, whether it pulses, and its arc control. */
export function MachinePart({ control }: { control: Control<RigValues> }) {
  const units = useUnits();
  return (
    <>
      <Part title="How it shows its figures">
        <Controller
          control={control}
          name="display"
          render={({ field }) => (
            <Choice
              label="How it shows its figures"
              options={choices(DISPLAY_WORDS)}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
      </Part>
      <Part title="What it can be set to, as its plate says">
        {RANGES.map(({ field: name, of, limits }) => {
          const { name: called, quantity } = SETTINGS[of];
          return (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field, fieldState: { error } }) => (
                <>
                  <EndsFields
                    from={`${called} from`}
                    unit={unitOf(quantity, units)}
                    ends={field.value}
                    onChange={field.onChange}
                  />
                  {error !== undefined && (
                    <Words role="alert" strong>
                      {`${called} takes a low end below its high end, ${limits.map((limit) => readable(limit, quantity, units)).join(' to ')} ${unitOf(quantity, units)}, or both empty.`}
                    </Words>
                  )}
                </>
              )}
            />
          );
        })}
      </Part>
      <Part title="Pulse">
        <Controller
          control={control}
          name="mode"
          render={({ field }) => (
            <Choice label="Pulse" options={MODES} chosen={field.value} onChoose={field.onChange} />
          )}
        />
      </Part>
      <Part title="What else it lets you set">
        <Controller
          control={control}
          name="controls"
          render={({ field }) => <Controls chosen={field.value ?? null} onChange={field.onChange} />}
        />
      </Part>
      <Part title="More on the arc-control dial is">
        <Controller
          control={control}
          name="rising"
          render={({ field }) => (
            <Choice
              label="More on the arc-control dial is"
              options={RISING}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="arcMarks"
          render={({ field, fieldState: { error } }) => (
            <>
              <EndsFields from="Its marks from" signed ends={field.value} onChange={field.onChange} />
              {error !== undefined && (
                <Words role="alert" strong>
                  Arc control takes the first and the last mark on its dial, the lower first, from -100 to 1000; or both
                  empty.
                </Words>
              )}
            </>
          )}
        />
      </Part>
    </>
  );
}

type ControlsProps = {
  chosen: readonly MachineControl[] | null;
  onChange: (controls: MachineControl[] | null) => void;
};

/** What a machine lets be set besides volts and wire. Not known is not the same as none of it. */
function Controls({ chosen, onChange }: ControlsProps) {
  const toggled = (control: MachineControl): MachineControl[] =>
    CONTROLS.filter((other) => (other === control) !== (chosen ?? []).includes(other));
  return (
    <>
      <Row className="flex-wrap gap-2">
        {CONTROLS.map((control) => (
          <Toggle
            key={control}
            label={CONTROL_WORDS[control]}
            on={chosen?.includes(control) ?? false}
            onPress={() => onChange(toggled(control))}
          />
        ))}
        <Toggle
          label="none of these"
          on={chosen?.length === 0}
          onPress={() => onChange(chosen?.length === 0 ? null : [])}
        />
      </Row>
      <Words className="text-faint">
        {chosen === null
          ? 'Not said: a start names a figure for each of them.'
          : 'A start names figures for these, and what the hand does in place of the others.'}
      </Words>
    </>
  );
}

type EndsProps = { from: string; unit?: string; signed?: boolean; ends: Ends; onChange: (ends: Ends) => void };

/** Where something begins and ends, side by side. */
function EndsFields({ from, unit = '', signed = false, ends, onChange }: EndsProps) {
  return (
    <Row className="gap-2">
      {ENDS.map((end) => (
        <NumberField
          key={end}
          className="min-w-0 flex-1"
          label={end === 'low' ? from : 'to'}
          unit={unit}
          signed={signed}
          text={ends[end]}
          onType={(text) => onChange({ ...ends, [end]: text })}
        />
      ))}
    </Row>
  );
}
