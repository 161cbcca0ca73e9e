import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { SettingName } from '@/core/setting/table';
import { Row } from '@/ui/Row';
import { LogButton, UndoButton } from './BenchButtons';
import { BenchHead } from './BenchHead';
import { CouponStrip } from './CouponStrip';
import { FindingsPanel } from './findings/FindingsPanel';
import { JudgeBar } from './JudgeBar';
import { TakeBack } from './verdict/TakeBack';
import { SettingsPanel } from './settings/SettingsPanel';
import { StartHere } from './start/StartHere';
import { useBenchKeys } from './use-bench-keys';
import { Verdict } from './verdict/Verdict';
import { VerdictPeek } from './verdict/VerdictPeek';

/** The bench on a phone: coupon, settings and findings; the verdict on the lower edge, opening over them. */
export function PhoneBench() {
  const [open, setOpen] = useState(false);
  const [knob, setKnob] = useState<SettingName | null>(null);
  const { searchField } = useBenchKeys(knob, setKnob);
  return (
    <View className="flex-1">
      <View className="min-h-0 flex-1">
        <ScrollView className="flex-1" contentContainerClassName="gap-2 pb-4">
          <BenchHead />
          <CouponStrip />
          <JudgeBar />
          <TakeBack />
          <SettingsPanel open={knob} onOpen={setKnob} wide={false} />
          {!open && <StartHere onMore={() => setOpen(true)} />}
          <FindingsPanel wide={false} searchField={searchField} />
        </ScrollView>
        {open && (
          <ScrollView role="region" aria-label="Verdict" className="absolute inset-0 bg-ground">
            <Verdict
              onOpenKnob={(setting) => {
                setOpen(false);
                setKnob(setting);
              }}
            />
          </ScrollView>
        )}
      </View>
      <Row className="items-center gap-2 border-t-4 border-ink bg-plate px-3 py-1">
        <VerdictPeek open={open} onPress={() => setOpen(!open)} />
        <View className="gap-2 py-1">
          <LogButton />
          <UndoButton />
        </View>
      </Row>
    </View>
  );
}
