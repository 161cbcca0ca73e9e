import Undo from 'lucide-react-native/icons/undo-2';
import { Link, useRouter } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, type TextInput, useWindowDimensions, View } from 'react-native';
import type { SettingName } from '@/core/case/schema';
import { mixName } from '@/core/case/gas-mix';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useInk } from '@/ui/use-ink';
import { useKeys, useTitle, type Keys } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { CouponStrip } from './CouponStrip';
import { FindingsPanel } from './FindingsPanel';
import { jobWords } from './job-words';
import { JudgeBar } from './JudgeBar';
import { KeyList } from './KeyList';
import { nudged } from './KnobEditor';
import { MAIN_SETTINGS } from './setting-words';
import { SettingsPanel } from './SettingsPanel';
import { useBench, type Bench } from './use-bench';
import { Comparison, Verdict } from './Verdict';
import { VerdictPeek } from './VerdictPeek';

const NO_FINDINGS: readonly string[] = [];

/** From this width settings, findings and verdict stand side by side. */
const WIDE = 1000;

/** The bench: the coupon in work. */
export function BenchScreen() {
  useTitle('Bench');
  const state = useBench();
  const router = useRouter();
  if (state.status === 'loading') return <Loading what="the bench" />;
  if (state.status === 'failed')
    return (
      <StateNote
        title="The records cannot be read"
        text={state.message}
        action={{ label: 'Try again', onPress: state.retry }}
      />
    );
  if (state.status === 'empty')
    return (
      <StateNote
        title="An empty bench"
        text="Put a coupon on it: say what the plate is and which machine you use."
        action={{ label: 'New coupon', onPress: () => router.push('/job/new') }}
      />
    );
  return <ReadyBench bench={state} />;
}

function ReadyBench({ bench }: { bench: Bench }) {
  const { width } = useWindowDimensions();
  const [knob, setKnob] = useState<SettingName | null>(null);
  const [keysShown, setKeysShown] = useState(false);
  const searchField = useRef<TextInput | null>(null);
  const keys = useMemo<Keys>(() => {
    const at = knob ?? 'voltageV';
    const other = (by: number): void =>
      setKnob(
        MAIN_SETTINGS[
          (Math.max(0, (MAIN_SETTINGS as readonly string[]).indexOf(at)) + by + MAIN_SETTINGS.length) %
            MAIN_SETTINGS.length
        ],
      );
    return {
      ArrowUp: () => bench.act.set(at, nudged(bench, at, 1)),
      ArrowDown: () => bench.act.set(at, nudged(bench, at, -1)),
      ArrowRight: () => other(1),
      ArrowLeft: () => other(-1),
      '/': () => searchField.current?.focus(),
      n: bench.act.log,
      u: bench.act.undo,
      '?': () => setKeysShown((shown) => !shown),
      Escape: () => setKeysShown(false),
    };
  }, [bench, knob]);
  useKeys(keys);
  const findings = (
    <FindingsPanel
      key={`${bench.coupon.id} ${bench.coupon.beads.length}`}
      findings={bench.draft.findings}
      telling={bench.live.answer?.telling ?? NO_FINDINGS}
      onTap={bench.act.tap}
      wide={width >= WIDE}
      searchField={searchField}
    />
  );
  const settings = <SettingsPanel bench={bench} open={knob} onOpen={setKnob} wide={width >= WIDE} />;
  const top = (
    <>
      <BenchHead bench={bench} />
      <CouponStrip coupon={bench.coupon} rig={bench.rig} next={bench.input} />
      <JudgeBar bench={bench} />
      {bench.saveProblem !== null && <StateNote title="Not saved" text={bench.saveProblem} />}
    </>
  );
  if (width < WIDE)
    return <PhoneBench bench={bench} top={top} settings={settings} findings={findings} onOpenKnob={setKnob} />;
  return (
    <Row className="flex-1">
      <ScrollView className="w-[340px] flex-none" contentContainerClassName="gap-3 pb-6">
        {top}
        {settings}
        {keysShown && <KeyList />}
        <View className="px-4 pt-2">
          <Comparison bench={bench} />
        </View>
        {!keysShown && <Words className="px-4 text-sm text-faint">Press ? for the keys.</Words>}
      </ScrollView>
      <ScrollView className="flex-1 border-x-2 border-edge" contentContainerClassName="py-3">
        {findings}
      </ScrollView>
      <View className="w-[400px]">
        <ScrollView className="flex-1">
          <Verdict bench={bench} onOpenKnob={setKnob} beside />
        </ScrollView>
        <Row className="gap-2 border-t-2 border-edge p-3">
          <UndoButton bench={bench} />
          <LogButton bench={bench} className="flex-1" />
        </Row>
      </View>
    </Row>
  );
}

type PhoneProps = {
  bench: Bench;
  top: React.ReactNode;
  settings: React.ReactNode;
  findings: React.ReactNode;
  onOpenKnob: (setting: SettingName) => void;
};

function PhoneBench({ bench, top, settings, findings, onOpenKnob }: PhoneProps) {
  const [open, setOpen] = useState(false);
  return (
    <View className="flex-1">
      <ScrollView className="flex-1" contentContainerClassName="gap-2 pb-4">
        {top}
        {settings}
        {findings}
      </ScrollView>
      {open && (
        <ScrollView
          role="region"
          aria-label="Verdict"
          className="absolute inset-x-0 top-0 bg-ground"
          style={{ bottom: 0, paddingBottom: 130 }}
        >
          <View className="pb-36">
            <Verdict
              bench={bench}
              onOpenKnob={(setting) => {
                setOpen(false);
                onOpenKnob(setting);
              }}
            />
          </View>
        </ScrollView>
      )}
      <Row className="items-center gap-2 border-t-4 border-ink bg-plate px-3 py-1">
        <VerdictPeek bench={bench} open={open} onPress={() => setOpen(!open)} />
        <View className="gap-2 py-1">
          <LogButton bench={bench} />
          <UndoButton bench={bench} />
        </View>
      </Row>
    </View>
  );
}

function BenchHead({ bench }: { bench: Bench }) {
  const { coupon, rig } = bench;
  return (
    <Row className="items-start justify-between gap-2 px-4 pt-2">
      <Link href={{ pathname: '/job/[couponId]', params: { couponId: coupon.id } }} asChild>
        <Pressable
          role="link"
          aria-label={`Job: ${coupon.title}. Change it`}
          className="min-h-14 min-w-0 flex-1 justify-center"
        >
          <Heading level={1} numberOfLines={1} className="underline">
            {coupon.title}
          </Heading>
          <Words className="text-sm text-faint" numberOfLines={1}>
            {`${jobWords(coupon.job, bench.habits.units)} · ${rig.name}, ${rig.rig.wire?.diameterMm ?? '?'} mm, ${mixName(rig.rig.gas)}`}
          </Words>
        </Pressable>
      </Link>
      <Link href="/job/new" asChild>
        <Pressable
          role="link"
          aria-label="New coupon"
          className="min-h-14 justify-center rounded-md border-2 border-edge bg-plate px-3"
        >
          <Words strong>New</Words>
        </Pressable>
      </Link>
    </Row>
  );
}

function LogButton({ bench, className = '' }: { bench: Bench; className?: string }) {
  const number = (bench.lastBead?.number ?? 0) + 1;
  const blocked = Object.keys(bench.draft.typed).length > 0;
  return (
    <Button
      tone="act"
      className={className}
      disabled={bench.saving || blocked || bench.live.answer === null}
      label={bench.saving ? 'Saving…' : `Log bead ${number}`}
      onPress={bench.act.log}
    />
  );
}

function UndoButton({ bench }: { bench: Bench }) {
  const ink = useInk();
  return (
    <Button label="Undo" icon={<Undo size={20} color={ink} />} disabled={!bench.canUndo} onPress={bench.act.undo} />
  );
}
