import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { SettingName } from '@/core/case/schema';
import { valueToDial } from '@/core/quantity/dial';
import { readable, unitOf } from '@/core/quantity/units';
import { QUANTITY_OF } from '@/core/record/taken-move';
import { Row } from '@/ui/Row';
import { useInk } from '@/ui/use-ink';
import { Figure, Words } from '@/ui/Words';
import { dialOf, KnobEditor } from './KnobEditor';
import { MAIN_SETTINGS, MORE_SETTINGS, SETTING_NAME, SHORT_NAME } from './setting-words';
import type { Bench } from './use-bench';

type PanelProps = {
  bench: Bench;
  open: SettingName | null;
  onOpen: (setting: SettingName | null) => void;
  wide: boolean;
};

/** What the machine was set to for this bead: large figures, the knob's own marks beside them. */
export function SettingsPanel({ bench, open, onOpen, wide }: PanelProps) {
  const [more, setMore] = useState(false);
  const ink = useInk();
  const More = more ? ChevronUp : ChevronDown;
  const usesGas = bench.rig.rig.gas !== null;
  const shown = MAIN_SETTINGS.filter((setting) => setting !== 'gasFlowLPerMin' || usesGas);
  const all: SettingName[] = more ? [...shown, ...MORE_SETTINGS] : shown;
  return (
    <View role="region" aria-label="Settings of this bead" className="gap-2 px-4">
      <Row className="flex-wrap gap-1">
        {all.map((setting) => (
          <SettingCell
            key={setting}
            bench={bench}
            setting={setting}
            open={open === setting}
            wide={wide}
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
          <More size={22} color={ink} />
        </Pressable>
      </Row>
      {open !== null && <KnobEditor key={open} bench={bench} setting={open} onClose={() => onOpen(null)} />}
    </View>
  );
}

type CellProps = { bench: Bench; setting: SettingName; open: boolean; wide: boolean; onPress: () => void };

function SettingCell({ bench, setting, open, wide, onPress }: CellProps) {
  const { units } = bench.habits;
  const value = bench.draft.settings[setting];
  const quantity = QUANTITY_OF[setting];
  const figure = value === undefined ? '?' : readable(value, quantity, units);
  const unit = unitOf(quantity, units);
  const dial = dialOf(bench.rig, setting);
  const mark = dial !== null && value !== undefined ? `knob ${valueToDial(dial, value)}` : null;
  const wrong = bench.draft.typed[setting] !== undefined;
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${SETTING_NAME[setting]}, ${value === undefined ? 'not known' : `${figure} ${unit}`}${mark === null ? '' : `, ${mark}`}`}
      onPress={onPress}
      className={`min-h-20 ${wide ? 'min-w-[38%]' : 'min-w-[19%]'} flex-1 justify-center rounded-md border-2 bg-plate px-1.5 py-1 ${open ? 'border-ink' : wrong ? 'border-dashed border-ink' : 'border-edge'}`}
    >
      <Words className="text-sm leading-tight text-faint" numberOfLines={1}>
        {SHORT_NAME[setting]}
      </Words>
      <Figure className="text-2xl leading-tight" numberOfLines={1}>
        {figure}
      </Figure>
      <Words className="text-sm leading-tight text-faint">{unit}</Words>
      {mark !== null && (
        <Words strong className="text-lg leading-tight" numberOfLines={1}>
          {mark}
        </Words>
      )}
    </Pressable>
  );
}
