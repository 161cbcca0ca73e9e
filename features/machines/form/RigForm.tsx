import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { ScrollView } from 'react-native';
import type { WireClass } from '@/core/case/schema';
import { wireSize } from '@/core/quantity/wire-size';
import { unitOf } from '@/core/quantity/units';
import type { Change } from '@/core/record/change/change';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { validateRig } from '@/core/record/change/validate-rig';
import { platform } from '@/platform/ports';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { recordResolver } from '../../shared/record-form';
import { POLARITY_WORDS, WIRE_DIAMETERS, WIRE_WORDS } from '../../shared/rig-words';
import { useUnits } from '../../shared/use-habits';
import { makeChange } from '../../../client/send-changes';
import { useLeadOn } from '../../shared/use-lead-on';
import { useSubmit } from '../../../client/use-records';
import { FeedPart } from './FeedPart';
import { GasPart } from './GasPart';
import { KnobsLink } from './KnobsLink';
import { MachinePart } from './MachinePart';
import { RigCheck } from './RigCheck';
import { rigChanges } from './rig-changes';
import { RigLink } from './RigLink';
import { TaughtLink } from './TaughtLink';
import { fieldOf, fittedFor, NEW_RIG, rigFrom, valuesOf, type Begun, type RigValues } from './rig-form';
import { choicesOf } from '../../shared/choices';

type FormProps = {
  rigId: string;
  /** As it is kept, or null for a new one. */
  record: RigRecord | null;
  /** Whether the page is of this rig, and not of the list it stands beside. */
  named: boolean;
  onKept: () => void;
};

/** One rig: what is fitted now. */
export function RigForm({ rigId, record: now, named, onKept }: FormProps) {
  // What another device changes meanwhile moves nothing here: only what is changed in this form is sent.
  const [record] = useState(now);
  const from = record ?? NEW_RIG;
  const title = record?.name ?? 'New rig';
  useTitle(named ? title : 'Rig');
  const router = useRouter();
  const leadOn = useLeadOn();
  const units = useUnits();
  const { put, busy, problem } = useSubmit();
  const [begun] = useState<Begun>(() => ({
    rigId,
    setupId: platform().newId(),
    at: platform().now().toISOString(),
  }));
  const resolver = useMemo(
    () => recordResolver((values: RigValues) => rigFrom(values, from, begun, units), validateRig, fieldOf),
    [from, begun, units],
  );
  const { control, handleSubmit, setValue, formState } = useForm<RigValues>({
    defaultValues: valuesOf(from, units),
    resolver,
    mode: 'onChange',
  });
  const gas = useWatch({ control, name: 'gas' });
  const fitWire = (wireClass: WireClass): void => {
    const fitted = fittedFor(wireClass, gas);
    setValue('wireClass', wireClass);
    setValue('gas', fitted.gas, { shouldValidate: true });
    setValue('polarity', fitted.polarity);
  };
  const keep = async (changes: readonly Change[], next: Href = '/rig'): Promise<void> => {
    if (!(await put(changes))) return;
    onKept();
    leadOn(next);
  };
  const save = handleSubmit((values) => {
    // A new machine with marks is nothing to set by until they are taken down.
    const marked = record === null && values.display === 'dial';
    const next: Href = marked ? { pathname: '/rig/[part]/[rigId]', params: { part: 'knobs', rigId } } : '/rig';
    return keep(rigChanges(rigFrom(values, from, begun, units), record), next);
  });
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>{title}</Heading>
      {record !== null && (
        <>
          <RigCheck rig={record} />
          <RigLink
            href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'parts', rigId } }}
            title="Its parts"
            gist="What is in place since when, and a new one fitted."
          />
          <RigLink
            href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'care', rigId } }}
            title="Its care"
            gist="What is due by the arc and by what beads show, and how it is done."
          />
          <RigLink
            href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'change', rigId } }}
            title="Another wire"
            gist="Changing over, step by step: aluminium, self-shielded, any wire."
          />
          <KnobsLink rig={record} />
          <RigLink
            href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'gas', rigId } }}
            title="Its gas"
            gist={
              gas === null
                ? 'None: its wire makes its own.'
                : 'What has to flow, how long the cylinder lasts, other gases.'
            }
          />
          <RigLink
            href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'chart', rigId } }}
            title="Its own chart"
            gist="What to set by thickness and position, in its own marks; to print."
          />
          <TaughtLink rigId={rigId} />
        </>
      )}
      <Controller
        control={control}
        name="name"
        render={({ field, fieldState: { error } }) => (
          <TextField
            label="What the workshop calls it"
            value={field.value}
            onChange={field.onChange}
            maxLength={80}
            problem={error === undefined ? null : 'Takes a name of up to 80 letters.'}
          />
        )}
      />
      <Part title="Wire">
        <Controller
          control={control}
          name="wireClass"
          render={({ field }) => (
            <Choice label="Wire" options={choicesOf(WIRE_WORDS)} chosen={field.value} onChoose={fitWire} />
          )}
        />
        <Controller
          control={control}
          name="diameterMm"
          render={({ field }) => (
            <Choice
              label="Wire diameter"
              options={WIRE_DIAMETERS.map((size) => ({ value: String(size), label: wireSize(size, units) }))}
              chosen={String(field.value)}
              onChoose={(size) => field.onChange(Number(size))}
            />
          )}
        />
        <Controller
          control={control}
          name="grade"
          render={({ field, fieldState: { error } }) => (
            <TextField
              label="Grade, as printed on the spool"
              value={field.value}
              onChange={field.onChange}
              maxLength={24}
              problem={error === undefined ? null : 'Takes a grade of up to 24 letters.'}
            />
          )}
        />
      </Part>
      {gas !== null && <GasPart control={control} gas={gas} />}
      <Part title="Polarity">
        <Controller
          control={control}
          name="polarity"
          render={({ field }) => (
            <Choice
              label="Polarity"
              options={choicesOf(POLARITY_WORDS)}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
        <Words className="text-sm text-faint">
          Solid and gas-shielded wire: plus. Self-shielded: minus, unless the spool says otherwise. Welder off before
          leads are moved.
        </Words>
      </Part>
      <Controller
        control={control}
        name="bore"
        render={({ field, fieldState: { error } }) => (
          <NumberField
            label="Nozzle bore"
            unit={unitOf('length', units)}
            text={field.value}
            onType={field.onChange}
            problem={
              error === undefined
                ? null
                : units === 'metric'
                  ? 'Nozzle bore takes 6 to 30 mm.'
                  : 'Nozzle bore takes 0.24 to 1.18 in.'
            }
          />
        )}
      />
      <FeedPart control={control} />
      <MachinePart control={control} />
      <Controller
        control={control}
        name="note"
        render={({ field, fieldState: { error } }) => (
          <TextField
            label="Note"
            value={field.value}
            onChange={field.onChange}
            maxLength={2000}
            lines={2}
            problem={error === undefined ? null : 'Takes text of up to 2000 letters.'}
          />
        )}
      />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Button
          tone="act"
          className="flex-1"
          disabled={Object.keys(formState.errors).length > 0 || busy}
          label={busy ? 'Saving…' : 'Keep it'}
          onPress={() => void save()}
        />
      </Row>
      {record !== null && (
        <Button
          label={record.putAway ? 'Bring this rig back' : 'Put this rig away'}
          disabled={busy}
          onPress={() => void keep([makeChange('change-rig', rigId, { putAway: !record.putAway }, record.revision)])}
        />
      )}
    </ScrollView>
  );
}
