import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { fromUser, unitOf } from '@/core/quantity/units';
import { dialEnds, dialToValue, isBeyondPairs, valueToDial, type Dial } from '@/core/setting/dial';
import { markFromText, markText, takesMarkText } from '@/core/setting/dial-marks';
import { dialFor, nudged } from '@/core/setting/dials';
import {
  READ_SETTINGS,
  READINGS,
  readingText,
  setting as settingOf,
  SETTINGS,
  type SettingName,
} from '@/core/setting/table';
import { figureText, takesText } from '@/core/setting/words';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useInk } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { useBenchActions, useBenchRecords, useDraftPart, useLive } from '../state/bench';
import { TravelTimer } from './TravelTimer';

type EditorProps = { setting: SettingName; onClose: () => void };

/** Two big pushes and a field; on a machine with marks the mark can be typed as well. */
export function KnobEditor({ setting, onClose }: EditorProps) {
  const { dials } = useBenchRecords();
  const act = useBenchActions();
  const units = useUnits();
  const { name, quantity, onlyRead = false } = settingOf(setting);
  const value = useDraftPart((draft) => draft.settings[setting]);
  const refused = useDraftPart((draft) => draft.typed[setting]);
  // While a good figure is being typed its exact text stays in the field ("18." on the way to 18.5).
  const [typing, setTyping] = useState<string | null>(null);
  const shown = refused ?? typing ?? (value === undefined ? '' : figureText(setting, value, units));
  const dial = dialFor(dials, setting);
  const turn = (direction: 1 | -1): void => {
    setTyping(null);
    act.set(setting, nudged({ name: setting, value, dial, units }, direction));
  };
  // An angle is typed without its sign; which way it leans is a choice of its own.
  const side = setting === 'travelAngleDeg' && (value ?? 1) < 0 ? -1 : 1;
  return (
    <View role="group" aria-label={onlyRead ? name : `Turn ${name}`} className="gap-2 rounded-md bg-sunk p-3">
      <Row className="items-end gap-2">
        {!onlyRead && <Turn label={`${name} down`} onPress={() => turn(-1)} direction="down" />}
        <NumberField
          className="min-w-0 flex-1"
          label={name}
          unit={unitOf(quantity, units)}
          text={shown}
          large
          problem={refused === undefined ? null : `${name} ${takesText(setting, units)}.`}
          onType={(text) => {
            setTyping(text);
            act.type(setting, text, (figure) => side * fromUser(figure, quantity, units));
          }}
        />
        {!onlyRead && <Turn label={`${name} up`} onPress={() => turn(1)} direction="up" />}
      </Row>
      {setting === 'travelAngleDeg' && value !== undefined && value !== 0 && (
        <Choice
          label="Which way the gun leans"
          options={[
            { value: 'push', label: 'push' },
            { value: 'drag', label: 'drag' },
          ]}
          chosen={value > 0 ? 'push' : 'drag'}
          onChoose={(way) => act.set(setting, Math.abs(value) * (way === 'push' ? 1 : -1))}
        />
      )}
      {onlyRead && (
        <Words className="text-faint">As the meter shows in the middle of the bead, not at its start.</Words>
      )}
      {setting === 'travelSpeedMmPerMin' && <TravelTimer />}
      <ReadingChoice setting={setting} />
      <Row className="flex-wrap items-end gap-2">
        {dial !== null && (
          <DialField dial={dial} value={value} onMark={(mark) => act.set(setting, dialToValue(dial, mark))} />
        )}
        <Button
          label="Not known"
          onPress={() => {
            setTyping(null);
            act.set(setting, null);
          }}
        />
        <Button label="Done" tone="act" className="flex-1" onPress={onClose} />
      </Row>
    </View>
  );
}

/** Shows how the figure was got: a guess speaks more softly than a meter. */
function ReadingChoice({ setting }: { setting: SettingName }) {
  const { read } = useBenchActions();
  const { input } = useLive();
  const asked = READ_SETTINGS.find((name) => name === setting);
  if (asked === undefined || input.settings?.[setting] === undefined) return null;
  return (
    <Choice
      label={`How ${SETTINGS[setting].name.toLowerCase()} was got`}
      options={READINGS.map((reading) => ({ value: reading, label: readingText(asked, reading) }))}
      chosen={input.readings?.[asked] ?? 'digital'}
      onChoose={(reading) => read(asked, reading)}
    />
  );
}

type DialProps = { dial: Dial; value: number | undefined; onMark: (mark: number) => void };

/** The mark on the machine's own knob; what is typed stays as typed until the field is left. */
function DialField({ dial, value, onMark }: DialProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const mark = value === undefined ? null : valueToDial(dial, value);
  const ends = dialEnds(dial);
  if (dial.scale === 'taps')
    return (
      <Choice
        label="Tap"
        className="flex-1"
        options={tapsOf(ends).map((tap) => ({ value: String(tap), label: markText(dial, tap) }))}
        chosen={mark === null ? null : String(mark)}
        onChoose={(tap) => onMark(Number(tap))}
      />
    );
  const text = typed ?? (mark === null ? '' : markText(dial, mark));
  const named = markFromText(dial, ends, text);
  return (
    <NumberField
      className="w-28"
      label={mark !== null && isBeyondPairs(dial, mark) ? 'Knob, beyond its pairs' : 'Knob'}
      unit=""
      text={text}
      problem={text !== '' && named === null ? `Knob ${takesMarkText(dial, ends)}.` : null}
      onDone={() => setTyped(null)}
      onType={(next) => {
        setTyped(next);
        const entered = markFromText(dial, ends, next);
        if (entered !== null) onMark(entered);
      }}
    />
  );
}

/** Every tap of a switch. */
const tapsOf = ({ low, high }: { low: number; high: number }): number[] =>
  Array.from({ length: high - low + 1 }, (_, i) => low + i);

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
