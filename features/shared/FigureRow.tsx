import { View } from 'react-native';
import { dialFor, type Dials } from '@/core/setting/dials';
import { SETTINGS, type SettingName } from '@/core/setting/table';
import { dialText, figureWithUnit } from '@/core/setting/words';
import { Row } from '@/ui/Row';
import { Figure, Words } from '@/ui/Words';
import { useUnits } from './use-habits';

type FigureRowProps = {
  figures: readonly (readonly [SettingName, number])[];
  /** Of the machine: its own mark stands before the figure. */
  dials: Dials;
  /** What the row is, where it is a region of its own. */
  label?: string;
  className?: string;
};

/** Settings side by side, large enough to be read from the gun, as they stand on the machine's own knobs. */
export function FigureRow({ figures, dials, label, className = '' }: FigureRowProps) {
  const units = useUnits();
  return (
    <Row
      {...(label === undefined ? {} : { role: 'region', 'aria-label': label })}
      className={`flex-wrap gap-x-6 gap-y-2 ${className}`}
    >
      {figures.map(([name, value]) => {
        const mark = dialText(dialFor(dials, name), value);
        return (
          <View key={name}>
            <Words className="text-sm text-faint">{SETTINGS[name].name}</Words>
            {mark !== null && <Figure className="text-3xl leading-tight">{mark}</Figure>}
            <Figure className={mark === null ? 'text-3xl leading-tight' : 'text-xl leading-tight'}>
              {figureWithUnit(name, value, units)}
            </Figure>
          </View>
        );
      })}
    </Row>
  );
}
