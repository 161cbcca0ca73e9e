import { useState } from 'react';
import { View } from 'react-native';
import type { SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { DecimalChoice } from '../shared/DecimalChoice';
import type { Decimal } from '@/core/files/spreadsheet';
import { useUnits } from '../shared/use-habits';
import { provenCsv } from '@/core/files/saved-setting-cells';

/** The settings that are listed, as a file for a spreadsheet. */
export default function ProvenFiles({ settings }: { settings: readonly SavedSetting[] }) {
  const units = useUnits();
  const [decimal, setDecimal] = useState<Decimal>('point');
  return (
    <View role="region" aria-label="As a file" className="gap-2 rounded-md bg-plate p-3">
      <DecimalChoice chosen={decimal} onChoose={setDecimal} />
      <Button
        label={settings.length === 1 ? 'The one listed, as CSV' : `These ${settings.length}, as CSV`}
        onPress={() => platform().saveFile('kept-settings.csv', provenCsv(settings, units, decimal), 'text/csv')}
      />
    </View>
  );
}
