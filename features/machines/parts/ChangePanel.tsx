import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { WIRE_CLASSES, type WireClass } from '@/core/case/terms';
import { wireSize } from '@/core/quantity/wire-size';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { withRefitted } from '@/core/record/shapes/part-wear';
import { changedOver, changeover, type ChangeStep } from '@/core/start/changeover';
import { changeoverOn } from '@/client/stored/changeover-steps';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { Part } from '@/ui/Part';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { supplyWords, WIRE_WORDS, wireWords } from '../../shared/rig-words';
import { makeChange } from '../../../client/send-changes';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useLeadOn } from '../../shared/use-lead-on';
import { useSubmit } from '../../../client/use-records';

/** Sizes that each wire is sold in for machines of this kind, mm; the usual one first. */
const SIZES: Record<WireClass, readonly [number, ...number[]]> = {
  'solid-steel': [0.8, 0.6, 0.9, 1.0, 1.2],
  'solid-stainless': [0.9, 0.8, 1.0, 1.2],
  'solid-aluminium': [1.2, 0.9, 1.0],
  'metal-cored': [1.2, 1.0, 0.9],
  'tubular-self-shielded': [0.9, 0.8, 1.2],
  'tubular-gas-shielded': [1.2, 0.9, 1.0],
};

/** A rig changed over to another wire: the whole list in the order of the hand, with the parts to swap. */
export function ChangePanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: another wire`);
  const router = useRouter();
  const leadOn = useLeadOn();
  const units = useUnits();
  const [under, setUnder] = useStored(changeoverOn(rig.id));
  const { put, busy, problem } = useSubmit();
  const { rig: fitted, display, arcControlRising } = rig.setup;
  const to = under === null ? null : { class: under.class, diameterMm: under.diameterMm };
  const steps = to === null ? [] : changeover(fitted, to);
  const done = new Set(under?.done ?? []);
  const left = steps.filter(({ id }) => !done.has(id));
  const toggle = (id: string): void => {
    if (under === null) return;
    setUnder({ ...under, done: done.has(id) ? under.done.filter((other) => other !== id) : [...under.done, id] });
  };
  const keep = async (): Promise<void> => {
    if (to === null) return;
    const at = platform().now().toISOString();
    const setup = {
      id: platform().newId(),
      fittedAt: at,
      rig: withRefitted(fitted, changedOver(fitted, to), at),
      ...{ display, arcControlRising },
    };
    if (!(await put([makeChange('refit', rig.id, setup, rig.revision)]))) return;
    setUnder(null);
    leadOn({ pathname: '/rig/[rigId]', params: { rigId: rig.id } });
  };
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: another wire`}</Heading>
        <Words>{`Now: ${wireWords(fitted, units)}, ${supplyWords(fitted, units)}`}</Words>
      </View>
      <Part title="Change over to">
        <Choice
          label="Change over to"
          options={WIRE_CLASSES.map((value) => ({ value, label: WIRE_WORDS[value] }))}
          chosen={under?.class ?? null}
          onChoose={(wireClass) => setUnder({ class: wireClass, diameterMm: SIZES[wireClass][0], done: [] })}
        />
      </Part>
      {under !== null && (
        <Part title="Size of wire">
          <Choice
            label="Size of wire"
            options={[...SIZES[under.class]]
              .sort((a, b) => a - b)
              .map((mm) => ({ value: String(mm), label: wireSize(mm, units) }))}
            chosen={String(under.diameterMm)}
            onChoose={(mm) => setUnder({ ...under, diameterMm: Number(mm), done: [] })}
          />
        </Part>
      )}
      {steps.length > 0 && (
        <View role="list" aria-label="Steps" className="gap-3">
          <Words strong>
            {left.length === 0
              ? 'All done.'
              : `${left.length} of ${steps.length} left. What is wrong for this wire, or not recorded, is swapped.`}
          </Words>
          {steps.map((step) => (
            <Step key={step.id} step={step} done={done.has(step.id)} onPress={() => toggle(step.id)} />
          ))}
        </View>
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Button
          tone="act"
          className="flex-1"
          disabled={busy || to === null || left.length > 0}
          label={busy ? 'Saving…' : 'It is fitted'}
          onPress={() => void keep()}
        />
      </Row>
      {to !== null && (
        <Words className="text-faint">
          What is fitted becomes a new setup: beads that were run keep theirs. Then run a trial bead.
        </Words>
      )}
    </ScrollView>
  );
}

type StepProps = { step: ChangeStep; done: boolean; onPress: () => void };

function Step({ step: { do: does, because, swap, caution }, done, onPress }: StepProps) {
  const textIn = useTextIn();
  return (
    <View role="listitem" className="gap-2 rounded-md bg-plate p-3">
      <Words strong className="text-lg">
        {textIn(does)}
      </Words>
      {!done && <Words>{textIn(because)}</Words>}
      {!swap && <Words className="text-faint">What is recorded will do: look that it is so.</Words>}
      {!done && caution !== null && <Words strong>{textIn(`Mind: ${caution}`)}</Words>}
      <Toggle label={done || swap ? 'Done' : 'Looked at'} of={textIn(does)} on={done} onPress={onPress} />
    </View>
  );
}
