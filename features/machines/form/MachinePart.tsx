import type { ReactNode } from 'react';
import { Controller, type Control } from 'react-hook-form';
import { readable, unitOf } from '@/core/quantity/units';
import { SETTINGS } from '@/core/setting/table';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { CONTROL_WORDS, DISPLAY_WORDS, METER_WORDS } from '../../shared/rig-words';
import { useUnits } from '../../shared/use-habits';
import type { Ends, RigValues } from './rig-form';
import { choicesOf } from '../../shared/choices';

const RISING = choicesOf({ softer: 'softer', crisper: 'crisper' });
const MODES = choicesOf({ conventional: 'no pulse', pulse: 'pulse, set by trim' });
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
              options={choicesOf(DISPLAY_WORDS)}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
      </Part>
      <Part title="Meters while it welds">
        <Controller
          control={control}
          name="meters"
          render={({ field }) => (
            <Many
              words={METER_WORDS}
              none="no meter"
              chosen={field.value ?? null}
              onChange={field.onChange}
              notSaid="Not said. With amps to read, a long stick-out or a slipping wire shows in figures."
              said="Amps are asked for with a bead’s other settings; volts are read for the pairs of its knob."
            />
          )}
        />
      </Part>
      <Part title="What it can be set to, as its plate says">
        {RANGES.map(({ field: name, of, limits }) => {
          const { name: called, short, quantity } = SETTINGS[of];
          return (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field, fieldState: { error } }) => (
                <>
                  <EndsFields
                    from={`${short} from`}
                    unit={unitOf(quantity, units)}
                    ends={field.value}
                    onChange={(ends) => field.onChange({ ...field.value, ...ends })}
                  >
                    <NumberField
                      className="min-w-0 flex-1"
                      label="in steps of"
                      unit={unitOf(quantity, units)}
                      text={field.value.step}
                      onType={(step) => field.onChange({ ...field.value, step })}
                    />
                  </EndsFields>
                  {error !== undefined && (
                    <Words role="alert" strong>
                      {`${called} takes a low end below its high end, ${limits.map((limit) => readable(limit, quantity, units)).join(' to ')} ${unitOf(quantity, units)}, and a step that a hand can set, above 0; or all empty.`}
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
          render={({ field }) => (
            <Many
              words={CONTROL_WORDS}
              none="none of these"
              chosen={field.value ?? null}
              onChange={field.onChange}
              notSaid="Not said: a start names a figure for each of them."
              said="A start names figures for these, and what the hand does in place of the others."
            />
          )}
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

type ManyProps<T extends string> = {
  words: Record<T, string>;
  none: string;
  chosen: readonly T[] | null;
  onChange: (chosen: T[] | null) => void;
  /** What holds while nothing is said, and once something is. */
  notSaid: string;
  said: string;
};

/** Any of a few, or none of them. Not known is not the same as none. */
function Many<T extends string>({ words, none, chosen, onChange, notSaid, said }: ManyProps<T>) {
  const all = Object.keys(words) as T[];
  const toggled = (one: T): T[] => all.filter((other) => (other === one) !== (chosen ?? []).includes(other));
  return (
    <>
      <Row className="flex-wrap gap-2">
        {all.map((one) => (
          <Toggle
            key={one}
            label={words[one]}
            on={chosen?.includes(one) ?? false}
            onPress={() => onChange(toggled(one))}
          />
        ))}
        <Toggle label={none} on={chosen?.length === 0} onPress={() => onChange(chosen?.length === 0 ? null : [])} />
      </Row>
      <Words className="text-faint">{chosen === null ? notSaid : said}</Words>
    </>
  );
}

type EndsProps = {
  from: string;
  unit?: string;
  signed?: boolean;
  ends: Ends;
  onChange: (ends: Ends) => void;
  children?: ReactNode;
};

/** Where something begins and ends, side by side. */
function EndsFields({ from, unit = '', signed = false, ends, onChange, children }: EndsProps) {
  return (
    <Row className="items-end gap-2">
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
      {children}
    </Row>
  );
}
