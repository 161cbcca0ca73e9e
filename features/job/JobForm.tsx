import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import { ScrollView } from 'react-native';
import { stillRuledOut } from '@/core/hazard/read-title';
import type { Coupon, RigRecord } from '@/core/record/shapes/record-schema';
import { validateCoupon } from '@/core/record/change/validate-coupon';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { platform } from '@/platform/ports';
import { store } from '@/platform/stored';
import { Part } from '@/ui/Part';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { Heading, Words } from '@/ui/Words';
import { choicesOf } from '../shared/choices';
import {
  CRITICAL_WORDS,
  DRAUGHT_WORDS,
  METAL_WORDS,
  PLACE_WORDS,
  POSITION_WORDS,
  SURFACE_WORDS,
  WORKPIECE_WORDS,
} from '../shared/job-words';
import { recordResolver } from '../shared/record-form';
import { useUnits } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { useSubmit } from '../../client/use-records';
import { couponChanges } from './job-changes';
import { JointPart } from './JointPart';
import { LengthsPart } from './LengthsPart';
import { ProcedurePart } from './ProcedurePart';
import { SafetyPart } from './SafetyPart';
import { SteelPart } from './SteelPart';
import { metalAgainstWire } from './metal-and-wire';
import { workpieceOfTitle } from './workpiece-of-title';
import { couponFrom, fieldOf, startingJob, valuesOf, type Begun, type JobValues } from './job-form';

type FormProps = {
  coupon: Coupon | null;
  like: Coupon | null;
  rigs: readonly RigRecord[];
  /** The rig that a new coupon is begun for, where that is said. */
  rigId: string | null;
};

const toggled = <T,>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter((other) => other !== item) : [...list, item];

/** Shows what the plate is. Makes a new coupon, or corrects the job of one. */
export function JobForm({ coupon: now, like, rigs, rigId }: FormProps) {
  const router = useRouter();
  const leadOn = useLeadOn();
  const units = useUnits();
  const { put, busy, problem } = useSubmit();
  // What another device changes meanwhile moves nothing here: only what is changed in this form is sent.
  const [coupon] = useState(now);
  const from = useMemo(() => coupon?.job.job ?? startingJob(like?.job.job ?? null), [coupon, like]);
  const [begun] = useState<Begun>(() => ({
    couponId: platform().newId(),
    jobId: platform().newId(),
    at: platform().now().toISOString(),
  }));
  const resolver = useMemo(
    () =>
      recordResolver((values: JobValues) => couponFrom(values, coupon, from, begun, units), validateCoupon, fieldOf),
    [coupon, from, begun, units],
  );
  const likeRig = rigs.find(({ id }) => id === (coupon?.rigId ?? rigId ?? like?.rigId)) ?? rigs[0];
  const { control, handleSubmit, formState, getValues, setValue } = useForm<JobValues>({
    defaultValues: valuesOf(coupon?.title ?? '', likeRig.id, from, units),
    resolver,
    mode: 'onChange',
  });
  const save = handleSubmit(async (values) => {
    const record = couponFrom(values, coupon, from, begun, units);
    if (!(await put(couponChanges(record, coupon)))) return;
    store(BENCH_COUPON, record.id);
    leadOn('/');
  });
  const { dirtyFields } = formState;
  const anyWrong = Object.keys(formState.errors).length > 0;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>{coupon === null ? 'New coupon' : 'The job'}</Heading>
      <Controller
        control={control}
        name="title"
        render={({ field, fieldState: { error } }) => (
          <TextField
            label="What is it for?"
            value={field.value}
            onChange={(text) => {
              // What the new title names was not asked of the old one.
              const [before, ruledOut] = getValues(['title', 'ruledOut']);
              setValue('ruledOut', stillRuledOut(before, text, ruledOut), { shouldDirty: true });
              field.onChange(text);
              // What it is called says what it is, until that is chosen by hand.
              const called = workpieceOfTitle(text);
              if (called !== null && dirtyFields.workpiece !== true) setValue('workpiece', called);
            }}
            maxLength={120}
            problem={error === undefined ? null : `Takes ${error.message}.`}
          />
        )}
      />
      <Part title="Rig">
        <Controller
          control={control}
          name="rigId"
          render={({ field }) => (
            <Choice
              label="Rig"
              options={rigs.map(({ id, name }) => ({ value: id, label: name }))}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
      </Part>
      <LengthsPart control={control} setValue={setValue} />
      <ChoicePart control={control} name="baseMetal" title="Metal" words={METAL_WORDS} />
      <MetalNote control={control} rigs={rigs} />
      <SteelPart control={control} setValue={setValue} />
      <JointPart control={control} />
      <ChoicePart control={control} name="position" title="Position" words={POSITION_WORDS} />
      <TogglePart control={control} name="surface" title="Surface" words={SURFACE_WORDS} />
      <ChoicePart control={control} name="draught" title="Air" words={DRAUGHT_WORDS} />
      <ChoicePart control={control} name="workpiece" title="Part of" words={WORKPIECE_WORDS} />
      <ChoicePart control={control} name="place" title="Where" words={PLACE_WORDS} />
      <ChoicePart control={control} name="critical" title="What hangs on it" words={CRITICAL_WORDS} />
      <SafetyPart control={control} setValue={setValue} />
      <ProcedurePart control={control} />
      {coupon !== null && coupon.beads.length > 0 && (
        <Words className="text-faint">
          Beads that are logged keep the job they were run on; a correction counts from the next bead.
        </Words>
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/'))} />
        <Button
          tone="act"
          className="flex-1"
          disabled={anyWrong || busy}
          label={busy ? 'Saving…' : coupon === null ? 'Put it on the bench' : 'Keep it'}
          onPress={() => void save()}
        />
      </Row>
    </ScrollView>
  );
}

/** Shows what is wrong with the metal for the wire of the chosen rig. */
function MetalNote({ control, rigs }: { control: Control<JobValues>; rigs: readonly RigRecord[] }) {
  const [rigId, metal] = useWatch({ control, name: ['rigId', 'baseMetal'] });
  const rig = rigs.find(({ id }) => id === rigId);
  const wrong = rig === undefined ? null : metalAgainstWire(metal, { name: rig.name, wire: rig.setup.rig.wire });
  return wrong === null ? null : (
    <Words role="alert" strong>
      {wrong}
    </Words>
  );
}

type FieldProps<Name extends keyof JobValues> = { control: Control<JobValues>; name: Name; title: string };

function ChoicePart({
  control,
  name,
  title,
  words,
}: FieldProps<'baseMetal' | 'position' | 'draught' | 'workpiece' | 'place' | 'critical'> & {
  words: Record<string, string>;
}) {
  return (
    <Part title={title}>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <Choice label={title} options={choicesOf(words)} chosen={field.value} onChoose={field.onChange} />
        )}
      />
    </Part>
  );
}

function TogglePart({ control, name, title, words }: FieldProps<'surface'> & { words: Record<string, string> }) {
  return (
    <Part title={title}>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <Row className="flex-wrap gap-2">
            {choicesOf(words).map(({ value, label }) => (
              <Toggle
                key={value}
                label={label}
                on={(field.value as string[]).includes(value)}
                onPress={() => field.onChange(toggled(field.value as string[], value))}
              />
            ))}
          </Row>
        )}
      />
    </Part>
  );
}
