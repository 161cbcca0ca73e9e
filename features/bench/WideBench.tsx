import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { SettingName } from '@/core/setting/table';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { LogButton, UndoButton } from './BenchButtons';
import { BenchHead } from './BenchHead';
import { Comparison } from './chart/Comparison';
import { CouponStrip } from './CouponStrip';
import { FindingsPanel } from './findings/FindingsPanel';
import { JudgeBar } from './JudgeBar';
import { TakeBack } from './verdict/TakeBack';
import { KeyList } from './KeyList';
import { SettingsPanel } from './settings/SettingsPanel';
import { useBenchKeys } from './use-bench-keys';
import { Verdict } from './verdict/Verdict';

/** The bench on a wide screen: settings, findings and verdict side by side, worked by keyboard too. */
export function WideBench() {
  const [knob, setKnob] = useState<SettingName | null>(null);
  const { searchField, keysShown } = useBenchKeys(knob, setKnob);
  return (
    <Row className="flex-1">
      <ScrollView className="w-[330px] flex-none" contentContainerClassName="gap-3 pb-6">
        <BenchHead />
        <CouponStrip />
        <JudgeBar />
        <TakeBack />
        <SettingsPanel open={knob} onOpen={setKnob} wide />
        {keysShown && <KeyList />}
        <View className="px-4 pt-2">
          <Comparison />
        </View>
        {!keysShown && <Words className="px-4 text-sm text-faint">Press ? for the keys.</Words>}
      </ScrollView>
      <ScrollView className="flex-1 border-x-2 border-edge" contentContainerClassName="py-3">
        <FindingsPanel wide searchField={searchField} />
      </ScrollView>
      <View className="w-[380px]">
        <ScrollView className="flex-1">
          <Verdict onOpenKnob={setKnob} beside />
        </ScrollView>
        <Row className="gap-2 border-t-2 border-edge p-3">
          <UndoButton />
          <LogButton className="flex-1" />
        </Row>
      </View>
    </Row>
  );
}
