import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { dialFor } from '@/core/setting/dials';
import { furtherSettings, MAIN_SETTINGS, SETTINGS, type SettingName } from '@/core/setting/table';
import { dialText, figureText, figureWithUnit, unitText } from '@/core/setting/words';
import { Row } from '@/ui/Row';
import { useInk } from '@/ui/use-ink';
import { Figure, Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { useBenchRecords, useDraftPart } from '../state/bench';
import { KnobEditor } from './KnobEditor';

type PanelProps = { open: SettingName | null; onOpen: (setting: SettingName | null) => void; wide: boolean };

/** Shows what the machine was set to for this bead: large figures, the knob's own marks beside them. */
export function SettingsPanel({ open, onOpen, wide }: PanelProps) {
  const [more, setMore] = useState(false);
  const { usesGas, has } = useBenchRecords();
  const ink = useInk();
  const Chevron = more ? ChevronUp : ChevronDown;
  const main = MAIN_SETTINGS.filter((setting) => setting !== 'gasFlowLPerMin' || usesGas);
  const further = more ? furtherSettings(has) : [];
  const all: SettingName[] = [...main, ...further];
  // Four in a row leave no room for their names beside the push that closes them.
  const narrow = further.length > 3 ? 'min-w-[25%]' : 'min-w-[20%]';
  return (
    <View role="region" aria-label="Settings of this bead" className="gap-2 px-4">
      <Row className="flex-wrap gap-1">
        {all.map((setting) => (
          <SettingCell
            key={setting}
            setting={setting}
            open={open === setting}
            width={wide ? 'min-w-[38%]' : further.includes(setting) ? narrow : 'min-w-[20%]'}
            onPress={() => onOpen(open === setting ? null : setting)}
          />
        ))}
        <Pressable
          role="button"
          aria-expanded={more}
          aria-label={more ? 'Fewer settings' : 'More settings: travel, angle, arc control'}
          onPress={() => setMore(!more)}
          className="min-h-20 w-11 items-center justify-center rounded-md border-2 border-edge bg-plate"
        >
          <Chevron size={22} color={ink} />
        </Pressable>
      </Row>
      {open !== null && <KnobEditor key={open} setting={open} onClose={() => onOpen(null)} />}
    </View>
  );
}

type CellProps = { setting: SettingName; open: boolean; width: string; onPress: () => void };

function SettingCell({ setting, open, width, onPress }: CellProps) {
  const { dials } = useBenchRecords();
  const units = useUnits();
  const value = useDraftPart((draft) => draft.settings[setting]);
  const wrong = useDraftPart((draft) => draft.typed[setting] !== undefined);
  const mark = dialText(dialFor(dials, setting), value);
  const said = [SETTINGS[setting].name, figureWithUnit(setting, value, units), ...(mark === null ? [] : [mark])];
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={said.join(', ')}
      onPress={onPress}
      className={`min-h-20 ${width} flex-1 justify-center rounded-md border-2 bg-plate px-1.5 py-1 ${open ? 'border-ink' : wrong ? 'border-dashed border-ink' : 'border-edge'}`}
    >
      <Words className="text-sm leading-tight text-faint" numberOfLines={1}>
        {SETTINGS[setting].short}
      </Words>
      <Figure className="text-2xl leading-tight" numberOfLines={1}>
        {value === undefined ? '?' : figureText(setting, value, units)}
      </Figure>
      <Words className="text-sm leading-tight text-faint">{unitText(setting, value, units)}</Words>
      {mark !== null && (
        <Words strong className="text-lg leading-tight" numberOfLines={1}>
          {mark}
        </Words>
      )}
    </Pressable>
  );
}
