import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, TextInput, View } from 'react-native';
import { v7 as newId } from 'uuid';
import { JOB_SCHEMA, type Job } from '@/core/case/schema';
import { nearestGauge } from '@/core/quantity/gauge';
import { fromUser, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { CouponSummary, RigRecord } from '@/core/record/schema';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { store } from '@/ui/use-stored';
import { Heading, Words } from '@/ui/Words';
import {
  CONCERN_WORDS,
  DRAUGHT_WORDS,
  JOINT_WORDS,
  METAL_WORDS,
  POSITION_WORDS,
  SURFACE_WORDS,
} from '../bench/job-words';
import { BENCH_COUPON } from '../bench/use-bench';
import { usePreferences } from '../preferences/use-preferences';
import { useCoupons, usePutCoupon, useRigs } from '../records/use-records';

/** The job of a coupon: what the plate is. Makes a new coupon, or changes one. */
export function JobScreen() {
  const { couponId } = useLocalSearchParams<{ couponId?: string }>();
  const router = useRouter();
  useTitle(couponId === undefined ? 'New coupon' : 'Job');
  const coupons = useCoupons();
  const rigs = useRigs();
  if (coupons.isError || rigs.isError)
    return (
      <StateNote
        title="The records cannot be read"
        text="The workshop server cannot be reached."
        action={{ label: 'Try again', onPress: () => void Promise.all([coupons.refetch(), rigs.refetch()]) }}
      />
    );
  if (coupons.data === undefined || rigs.data === undefined) return <Loading what="the job" />;
  if (rigs.data.length === 0)
    return (
      <StateNote
        title="No machine yet"
        text="Set up a machine under Rig first: wire, gas and what its knobs stand for."
        action={{
          label: 'Set up a machine',
          onPress: () => router.push({ pathname: '/rig/[rigId]', params: { rigId: newId() } }),
        }}
      />
    );
  const coupon = coupons.data.find(({ id }) => id === couponId);
  if (couponId !== undefined && coupon === undefined)
    return <StateNote title="No such coupon" text="It is not in the log of this workshop." />;
  return <JobForm key={couponId ?? 'new'} coupon={coupon ?? null} like={coupons.data[0] ?? null} rigs={rigs.data} />;
}

type FormProps = { coupon: CouponSummary | null; like: CouponSummary | null; rigs: RigRecord[] };

const options = <T extends string>(words: Record<T, string>): { value: T; label: string }[] =>
  Object.entries(words).map(([value, label]) => ({ value: value as T, label: label as string }));

function JobForm({ coupon, like, rigs }: FormProps) {
  const router = useRouter();
  const [{ units }] = usePreferences();
  const put = usePutCoupon();
  const start = coupon ?? like;
  const [title, setTitle] = useState(coupon?.title ?? '');
  const [rigId, setRigId] = useState(start?.rigId ?? rigs[0].id);
  // A new coupon starts as the last job, but what can hurt is asked anew.
  const [job, setJob] = useState<Job>(() => ({
    ...(start?.job ?? { baseMetal: 'mild-steel', joint: 'fillet', position: 'flat', draught: 'still' }),
    ...(coupon === null ? { concerns: [] } : {}),
  }));
  const [wrong, setWrong] = useState<Partial<Record<keyof Job, boolean>>>({});
  const change = (part: Partial<Job>): void => setJob((old) => ({ ...old, ...part }));
  const toggled = <T,>(list: readonly T[] | undefined, item: T): T[] =>
    list?.includes(item) ? list.filter((other) => other !== item) : [...(list ?? []), item];
  const anyWrong = Object.values(wrong).some(Boolean);
  const save = (): void => {
    const id = coupon?.id ?? newId();
    const record = {
      id,
      rigId,
      title: title.trim() || 'Trial plate',
      job: JSON.parse(JSON.stringify(job)) as Job,
      createdAt: coupon?.createdAt ?? new Date().toISOString(),
    };
    put.mutate(record, {
      onSuccess: () => {
        store(BENCH_COUPON, id);
        router.replace('/');
      },
    });
  };
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>{coupon === null ? 'New coupon' : 'The job'}</Heading>
      <View className="gap-1">
        <Words className="text-sm text-faint">What is it for?</Words>
        <TextInput
          aria-label="What is it for?"
          value={title}
          onChangeText={setTitle}
          maxLength={120}
          className="min-h-14 rounded-md border-2 border-edge bg-plate px-3 font-plain text-xl text-ink"
        />
      </View>
      <Part title="Machine">
        <Choice
          label="Machine"
          options={rigs.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={rigId}
          onChoose={setRigId}
        />
      </Part>
      <Row className="flex-wrap gap-3">
        {(['thicknessMm', 'otherThicknessMm', 'gapMm'] as const).map((field) => (
          <LengthField
            key={field}
            field={field}
            value={job[field]}
            units={units}
            onChange={(value, bad) => {
              setWrong((old) => ({ ...old, [field]: bad }));
              if (!bad) change({ [field]: value });
            }}
          />
        ))}
      </Row>
      <Part title="Metal">
        <Choice
          label="Metal"
          options={options(METAL_WORDS)}
          chosen={job.baseMetal ?? null}
          onChoose={(baseMetal) => change({ baseMetal })}
        />
      </Part>
      <Part title="Joint">
        <Choice
          label="Joint"
          options={options(JOINT_WORDS)}
          chosen={job.joint ?? null}
          onChoose={(joint) => change({ joint })}
        />
      </Part>
      <Part title="Position">
        <Choice
          label="Position"
          options={options(POSITION_WORDS)}
          chosen={job.position ?? null}
          onChoose={(position) => change({ position })}
        />
      </Part>
      <Part title="Surface">
        <Row className="flex-wrap gap-2">
          {options(SURFACE_WORDS).map(({ value, label }) => (
            <Toggle
              key={value}
              label={label}
              on={job.surface?.includes(value) ?? false}
              onPress={() => change({ surface: toggled(job.surface, value) })}
            />
          ))}
        </Row>
      </Part>
      <Part title="Air">
        <Choice
          label="Air"
          options={options(DRAUGHT_WORDS)}
          chosen={job.draught ?? null}
          onChoose={(draught) => change({ draught })}
        />
      </Part>
      <Part title="Is any of this so?">
        <Row className="flex-wrap gap-2">
          {options(CONCERN_WORDS).map(({ value, label }) => (
            <Toggle
              key={value}
              label={label}
              on={job.concerns?.includes(value) ?? false}
              onPress={() => change({ concerns: toggled(job.concerns, value) })}
            />
          ))}
        </Row>
      </Part>
      {put.isError && <Words role="alert" strong>{`Not saved. ${put.error.message}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/'))} />
        <Button
          tone="act"
          className="flex-1"
          disabled={anyWrong || put.isPending}
          label={put.isPending ? 'Saving…' : coupon === null ? 'Put it on the bench' : 'Keep it'}
          onPress={save}
        />
      </Row>
    </ScrollView>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View className="gap-2">
      <Heading level={2} className="text-base">
        {title}
      </Heading>
      {children}
    </View>
  );
}

const LENGTH_WORDS = { thicknessMm: 'Thickness', otherThicknessMm: 'Other part', gapMm: 'Gap' } as const;
type LengthProps = {
  field: keyof typeof LENGTH_WORDS;
  value: number | undefined;
  units: UnitSystem;
  onChange: (value: number | undefined, bad: boolean) => void;
};

function LengthField({ field, value, units, onChange }: LengthProps) {
  const { minimum, maximum } = JOB_SCHEMA.properties[field];
  const [text, setText] = useState(value === undefined ? '' : readable(value, 'length', units));
  const inside = fromUser(Number(text.replace(',', '.')), 'length', units);
  const bad = text.trim() !== '' && !(inside >= minimum && inside <= maximum);
  const unit = unitOf('length', units);
  const gauge = field !== 'gapMm' && !bad && text !== '' ? nearestGauge(inside) : null;
  return (
    <View className="min-w-[30%] flex-1">
      <NumberField
        label={LENGTH_WORDS[field]}
        unit={unit}
        text={text}
        problem={
          bad ? `Takes ${readable(minimum, 'length', units)} to ${readable(maximum, 'length', units)} ${unit}.` : null
        }
        onType={(next) => {
          setText(next);
          const figure = fromUser(Number(next.replace(',', '.')), 'length', units);
          const empty = next.trim() === '';
          onChange(empty ? undefined : figure, !empty && !(figure >= minimum && figure <= maximum));
        }}
      />
      {gauge !== null && <Words className="text-sm text-faint">{`about ${gauge} gauge`}</Words>}
    </View>
  );
}
