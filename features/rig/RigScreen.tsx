import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, TextInput, View } from 'react-native';
import { mixName, statedTotal } from '@/core/case/gas-mix';
import type { Gas, Rig, WireClass } from '@/core/case/schema';
import type { RigRecord } from '@/core/record/schema';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { usePutRig, useRigs } from '../records/use-records';
import { DISPLAY_WORDS, POLARITY_WORDS, processOf, USUAL_GASES, WIRE_DIAMETERS, WIRE_WORDS } from './rig-words';

const NEW_RIG: Omit<RigRecord, 'id'> = {
  name: '',
  note: '',
  arcControlRising: 'softer',
  display: 'digital',
  rig: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
};

/** One machine: what is fitted now. An id that is not kept yet makes a new one. */
export function RigScreen() {
  const { rigId } = useLocalSearchParams<{ rigId: string }>();
  const rigs = useRigs();
  if (rigs.isError)
    return (
      <StateNote
        title="The machine cannot be read"
        text={rigs.error.message}
        action={{ label: 'Try again', onPress: () => void rigs.refetch() }}
      />
    );
  if (rigs.data === undefined) return <Loading what="the machine" />;
  const record = rigs.data.find(({ id }) => id === rigId) ?? { id: rigId, ...NEW_RIG };
  return <RigForm key={rigId} record={record} />;
}

type GasShare = keyof Gas;
const SHARES: readonly { share: GasShare; label: string }[] = [
  { share: 'argonPct', label: 'Argon' },
  { share: 'co2Pct', label: 'CO2' },
  { share: 'oxygenPct', label: 'Oxygen' },
  { share: 'heliumPct', label: 'Helium' },
];

function RigForm({ record }: { record: RigRecord }) {
  useTitle(record.name || 'New machine');
  const router = useRouter();
  const put = usePutRig();
  const [name, setName] = useState(record.name);
  const [note, setNote] = useState(record.note);
  const [rig, setRig] = useState<Rig>(record.rig);
  const [display, setDisplay] = useState(record.display);
  const [rising, setRising] = useState(record.arcControlRising);
  const [bore, setBore] = useState(String(record.rig.nozzleBoreMm ?? ''));
  const change = (part: Partial<Rig>): void => setRig((old) => ({ ...old, ...part }));
  const boreValue = Number(bore.replace(',', '.'));
  const boreWrong = !(boreValue >= 6 && boreValue <= 30);
  const gas = rig.gas ?? null;
  const total = gas === null ? 100 : statedTotal(gas);
  const gasWrong = gas !== null && Math.abs(total - 100) > 1;
  const fitWire = (wireClass: WireClass): void => {
    const selfShielded = wireClass === 'tubular-self-shielded';
    change({
      process: processOf(wireClass),
      wire: { ...rig.wire, class: wireClass },
      gas: selfShielded
        ? null
        : (rig.gas ?? (wireClass === 'solid-aluminium' ? { argonPct: 100 } : { argonPct: 82, co2Pct: 18 })),
      polarity: selfShielded ? 'electrode-negative' : 'electrode-positive',
    });
  };
  const save = (): void =>
    put.mutate(
      {
        ...record,
        name: name.trim(),
        note,
        display,
        arcControlRising: rising,
        rig: { ...rig, nozzleBoreMm: boreValue },
      },
      { onSuccess: () => router.replace('/rig') },
    );
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>{record.name || 'New machine'}</Heading>
      <TextField
        label="What the workshop calls it"
        value={name}
        onChange={setName}
        problem={name.trim() === '' ? 'Takes a name of up to 80 letters.' : null}
      />
      <Field title="Wire">
        <Choice
          label="Wire"
          options={Object.entries(WIRE_WORDS).map(([value, label]) => ({ value: value as WireClass, label }))}
          chosen={rig.wire?.class ?? null}
          onChoose={fitWire}
        />
        <Choice
          label="Wire diameter, mm"
          options={WIRE_DIAMETERS.map((size) => ({ value: String(size), label: `${size} mm` }))}
          chosen={String(rig.wire?.diameterMm ?? '')}
          onChoose={(size) => change({ wire: { ...rig.wire, diameterMm: Number(size) } })}
        />
      </Field>
      {rig.wire?.class !== 'tubular-self-shielded' && (
        <Field title="Gas">
          <Choice
            label="Gas"
            options={USUAL_GASES.map(({ name: label }) => ({ value: label, label }))}
            chosen={gas === null || gasWrong ? null : mixName(gas)}
            onChoose={(label) => change({ gas: USUAL_GASES.find((usual) => usual.name === label)?.gas ?? null })}
          />
          <GasShares gas={gas ?? {}} onChange={(next) => change({ gas: next })} />
          {gasWrong && <Words role="alert" strong>{`The shares add up to ${total} %; they take 100 %.`}</Words>}
        </Field>
      )}
      <Field title="Polarity">
        <Choice
          label="Polarity"
          options={Object.entries(POLARITY_WORDS).map(([value, label]) => ({
            value: value as keyof typeof POLARITY_WORDS,
            label,
          }))}
          chosen={rig.polarity ?? null}
          onChoose={(polarity) => change({ polarity })}
        />
        <Words className="text-sm text-faint">
          Solid and gas-shielded wire: plus. Self-shielded: minus, unless the spool says otherwise. Welder off before
          leads are moved.
        </Words>
      </Field>
      <NumberField
        label="Nozzle bore"
        unit="mm"
        text={bore}
        onType={setBore}
        problem={boreWrong ? 'Nozzle bore takes 6 to 30 mm.' : null}
      />
      <Field title="How it shows its figures">
        <Choice
          label="How it shows its figures"
          options={Object.entries(DISPLAY_WORDS).map(([value, label]) => ({
            value: value as keyof typeof DISPLAY_WORDS,
            label,
          }))}
          chosen={display}
          onChoose={setDisplay}
        />
      </Field>
      <Field title="More on the arc-control dial is">
        <Choice
          label="More on the arc-control dial is"
          options={[
            { value: 'softer', label: 'softer' },
            { value: 'crisper', label: 'crisper' },
          ]}
          chosen={rising}
          onChoose={setRising}
        />
      </Field>
      <TextField label="Note" value={note} onChange={setNote} />
      {put.isError && <Words role="alert" strong>{`Not saved. ${put.error.message}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Button
          tone="act"
          className="flex-1"
          disabled={name.trim() === '' || boreWrong || gasWrong || put.isPending}
          label={put.isPending ? 'Saving…' : 'Keep it'}
          onPress={save}
        />
      </Row>
    </ScrollView>
  );
}

function GasShares({ gas, onChange }: { gas: Gas; onChange: (next: Gas) => void }) {
  return (
    <Row className="flex-wrap gap-2">
      {SHARES.map(({ share, label }) => (
        <GasShareField
          key={`${share} ${gas[share] ?? 0}`}
          label={label}
          value={gas[share] ?? 0}
          onChange={(value) => onChange({ ...gas, [share]: value })}
        />
      ))}
    </Row>
  );
}

function GasShareField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const typed = Number(text.replace(',', '.'));
  const wrong = !(typed >= 0 && typed <= 100);
  return (
    <View className="min-w-[20%] flex-1">
      <NumberField
        label={label}
        unit="%"
        text={text}
        problem={wrong ? 'Takes 0 to 100.' : null}
        onType={setText}
        onDone={() => {
          if (!wrong) onChange(typed);
        }}
      />
    </View>
  );
}

function Field({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View className="gap-2">
      <Heading level={2} className="text-base">
        {title}
      </Heading>
      {children}
    </View>
  );
}

function TextField({
  label,
  value,
  onChange,
  problem = null,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  problem?: string | null;
}) {
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">{label}</Words>
      <TextInput
        aria-label={label}
        value={value}
        onChangeText={onChange}
        maxLength={label === 'Note' ? 2000 : 80}
        className="min-h-14 rounded-md border-2 border-edge bg-plate px-3 font-plain text-xl text-ink"
      />
      {problem !== null && (
        <Words role="alert" strong>
          {problem}
        </Words>
      )}
    </View>
  );
}
