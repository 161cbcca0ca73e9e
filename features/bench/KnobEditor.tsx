import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { settingLimits, type SettingName } from '@/core/case/schema';
import { dialToValue, valueToDial, type Dial } from '@/core/quantity/dial';
import { fromUser, readable, roundToStep, unitOf } from '@/core/quantity/units';
import { QUANTITY_OF } from '@/core/record/taken-move';
import type { RigRecord } from '@/core/record/schema';
import { useInk } from '@/ui/use-ink';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { READ_SETTINGS } from './draft';
import { NUDGE, SETTING_NAME, takesText, USUAL } from './setting-words';
import type { Bench } from './use-bench';

const CRISP_DIAL: Dial = {
  step: 5,
  points: [
    { mark: 0, value: 100 },
    { mark: 100, value: 0 },
  ],
};

/** The machine's own dial for a setting, when it was taken down. */
export function dialOf(rig: RigRecord, setting: SettingName): Dial | null {
  // Inside, 100 % is soft; a machine whose dial rises toward crisp reads the other way round.
  if (setting === 'arcControlPct' && rig.arcControlRising === 'crisper') return CRISP_DIAL;
  if (setting !== 'voltageV' && setting !== 'wireSpeedMPerMin') return null;
  return rig.rig.dials?.[setting] ?? null;
}

/**
 * One push of the knob from where a setting stands: a mark of the machine's dial, or a fixed step.
 * @param direction +1 or -1
 * @returns the new value in the inside unit, inside what the setting takes
 */
export function nudged(bench: Bench, setting: SettingName, direction: 1 | -1): number {
  const dial = dialOf(bench.rig, setting);
  const value = bench.draft.settings[setting];
  const { minimum, maximum } = settingLimits(setting);
  const from = value ?? USUAL[setting];
  if (dial !== null && value !== undefined) {
    const next = dialToValue(dial, valueToDial(dial, from) + direction * dial.step);
    return Math.min(maximum, Math.max(minimum, Number(next.toFixed(3))));
  }
  const stride = NUDGE[setting][bench.habits.units];
  // The next whole stride beyond where it stands, so that odd figures come onto the scale.
  const strides = direction > 0 ? Math.floor(from / stride + 1e-6) + 1 : Math.ceil(from / stride - 1e-6) - 1;
  const next = value === undefined ? from : roundToStep(strides * stride, stride);
  return Math.min(maximum, Math.max(minimum, next));
}

type EditorProps = { bench: Bench; setting: SettingName; onClose: () => void };

/** Two big pushes and a field; on a machine with marks the mark can be typed as well. */
export function KnobEditor({ bench, setting, onClose }: EditorProps) {
  const { units } = bench.habits;
  const quantity = QUANTITY_OF[setting];
  const value = bench.draft.settings[setting];
  const refused = bench.draft.typed[setting];
  // While a good figure is being typed its exact text stays in the field ("18." on the way to 18.5).
  const [typing, setTyping] = useState<string | null>(null);
  const shown = refused ?? typing ?? (value === undefined ? '' : readable(value, quantity, units));
  const dial = dialOf(bench.rig, setting);
  const turn = (direction: 1 | -1): void => {
    setTyping(null);
    bench.act.set(setting, nudged(bench, setting, direction));
  };
  return (
    <View role="group" aria-label={`Turn ${SETTING_NAME[setting]}`} className="gap-2 rounded-md bg-sunk p-3">
      <Row className="items-end gap-2">
        <Turn label={`${SETTING_NAME[setting]} down`} onPress={() => turn(-1)} direction="down" />
        <NumberField
          className="min-w-0 flex-1"
          label={SETTING_NAME[setting]}
          unit={unitOf(quantity, units)}
          text={shown}
          large
          problem={refused === undefined ? null : `${SETTING_NAME[setting]} ${takesText(setting, units)}.`}
          onType={(text) => {
            setTyping(text);
            bench.act.type(setting, text, (figure) => fromUser(figure, quantity, units));
          }}
        />
        <Turn label={`${SETTING_NAME[setting]} up`} onPress={() => turn(1)} direction="up" />
      </Row>
      <ReadingChoice bench={bench} setting={setting} />
      <Row className="items-end gap-2">
        {dial !== null && (
          <DialField
            key={value}
            dial={dial}
            value={value}
            onMark={(mark) => bench.act.set(setting, dialToValue(dial, mark))}
          />
        )}
        <Button
          label="Not known"
          onPress={() => {
            setTyping(null);
            bench.act.set(setting, null);
          }}
        />
        <Button label="Done" tone="act" className="flex-1" onPress={onClose} />
      </Row>
    </View>
  );
}

const READING_OPTIONS = [
  { value: 'digital', label: 'measured' },
  { value: 'dial', label: 'off the knob' },
  { value: 'estimate', label: 'a guess' },
] as const;

/** How the figure was got: a guess speaks more softly than a meter. */
function ReadingChoice({ bench, setting }: { bench: Bench; setting: SettingName }) {
  const asked = READ_SETTINGS.find((name) => name === setting);
  if (asked === undefined || bench.draft.settings[setting] === undefined) return null;
  return (
    <Choice
      label={`How ${SETTING_NAME[setting].toLowerCase()} was got`}
      options={READING_OPTIONS}
      chosen={bench.input.readings?.[asked] ?? 'digital'}
      onChoose={(reading) => bench.act.read(asked, reading)}
    />
  );
}

function DialField({ dial, value, onMark }: { dial: Dial; value: number | undefined; onMark: (mark: number) => void }) {
  const [text, setText] = useState(value === undefined ? '' : String(valueToDial(dial, value)));
  const marks = dial.points.map(({ mark }) => mark);
  const [low, high] = [Math.min(...marks), Math.max(...marks)];
  const mark = Number(text.replace(',', '.'));
  const wrong = text !== '' && !(mark >= low && mark <= high);
  return (
    <NumberField
      className="w-24"
      label="Knob"
      unit=""
      text={text}
      problem={wrong ? `Takes ${low} to ${high}.` : null}
      onType={(next) => {
        setText(next);
        const typed = Number(next.replace(',', '.'));
        if (next.trim() !== '' && typed >= low && typed <= high) onMark(typed);
      }}
    />
  );
}

function Turn({ label, onPress, direction }: { label: string; onPress: () => void; direction: 'up' | 'down' }) {
  const ink = useInk();
  const Icon = direction === 'up' ? Plus : Minus;
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      className="h-16 w-16 items-center justify-center rounded-md border-2 border-edge bg-plate"
    >
      <Icon size={28} color={ink} />
    </Pressable>
  );
}
