import { Link, useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { PersonMark } from '@/ui/PersonMark';
import { Button } from '@/ui/Press';
import { Loading, StateNote } from '@/ui/State';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { supplyWords, wireWords } from '../shared/rig-words';
import { useUnits } from '../shared/use-habits';
import { useRigs } from '../../client/use-records';
import { useWho } from '../../client/use-people';
import { useSession } from '../../client/use-session';
import { CarePanel } from './care/CarePanel';
import { ChangePanel } from './parts/ChangePanel';
import { ChartPanel } from './chart/ChartPanel';
import { GasPanel } from './gas/GasPanel';
import { HabitsPanel } from './HabitsPanel';
import { KnobsPanel } from './knobs/KnobsPanel';
import { PartsPanel } from './parts/PartsPanel';
import { RigForm } from './form/RigForm';
import type { RigPart } from './machine/rig-places';
import { TaughtPanel } from './taught/TaughtPanel';

/** What is chosen in this place: a rig by its id, or one side of it; how this person welds; or nothing yet. */
export type Chosen = { rigId: string; part?: RigPart } | 'habits' | null;

/** The rigs with what is fitted on each, and how this person welds. */
export function RigPlace({ chosen }: { chosen: Chosen }) {
  const { width } = useWindowDimensions();
  return (
    <WithRigs>
      {(rigs) => {
        // On a wide screen the first rig stands open while none is chosen.
        const [first] = rigs;
        const shown: Chosen = chosen ?? (width >= WIDE && first !== undefined ? { rigId: first.id } : null);
        return (
          <TwoPane
            list={<RigList rigs={rigs} chosen={shown} />}
            detail={<Detail rigs={rigs} chosen={shown} named={chosen !== null} />}
            chosen={chosen !== null}
          />
        );
      }}
    </WithRigs>
  );
}

/** One side of a rig, to stand beside another list than that of the rigs. */
export function RigDetail({ chosen }: { chosen: Chosen }) {
  return <WithRigs>{(rigs) => <Detail rigs={rigs} chosen={chosen} named />}</WithRigs>;
}

function WithRigs({ children }: { children: (rigs: readonly RigRecord[]) => ReactNode }) {
  useTitle('Rig');
  const rigs = useRigs();
  if (rigs.error !== null)
    return (
      <StateNote
        title="The rigs cannot be read"
        text={rigs.error.message}
        action={{ label: 'Try again', onPress: () => void rigs.refetch() }}
      />
    );
  return rigs.data === undefined ? <Loading what="the rigs" /> : children(rigs.data);
}

type DetailProps = { rigs: readonly RigRecord[]; chosen: Chosen; named: boolean };

function Detail({ rigs, chosen, named }: DetailProps) {
  const router = useRouter();
  // Once a form is kept, the next one begins with what is so now.
  const [kept, setKept] = useState(0);
  if (chosen === null)
    return <Words className="p-6 text-faint">Set up a rig: wire, gas, and what its knobs stand for.</Words>;
  if (chosen === 'habits')
    return (
      <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
        <HabitsPanel />
      </ScrollView>
    );
  const { rigId, part } = chosen;
  const record = rigs.find(({ id }) => id === rigId) ?? null;
  if (part !== undefined && record === null)
    return (
      <StateNote
        title="No such rig"
        text="It is not among those of this workshop."
        action={{ label: 'To the rigs', onPress: () => router.replace('/rig') }}
      />
    );
  if (part === 'taught' && record !== null) return <TaughtPanel key={rigId} rig={record} />;
  if (part === 'change' && record !== null) return <ChangePanel key={rigId} rig={record} />;
  if (part === 'parts' && record !== null) return <PartsPanel key={rigId} rig={record} />;
  if (part === 'care' && record !== null) return <CarePanel key={rigId} rig={record} />;
  if (part === 'chart' && record !== null) return <ChartPanel key={rigId} rig={record} />;
  if (part === 'gas' && record !== null) return <GasPanel key={rigId} rig={record} />;
  if (part === 'knobs' && record !== null) return <KnobsPanel key={rigId} rig={record} />;
  return (
    <RigForm
      key={`${rigId} ${kept}`}
      rigId={rigId}
      record={record}
      named={named}
      onKept={() => setKept((times) => times + 1)}
    />
  );
}

function RigList({ rigs, chosen }: { rigs: readonly RigRecord[]; chosen: Chosen }) {
  const router = useRouter();
  const isChosen = (id: string): boolean => chosen !== null && chosen !== 'habits' && chosen.rigId === id;
  const away = rigs.filter(({ putAway }) => putAway);
  return (
    <ScrollView contentContainerClassName="gap-3 p-4 pb-10">
      <Heading level={1}>Rig</Heading>
      {rigs.length === 0 && (
        <Words role="status">No rig yet. Set one up: wire, gas, and what its knobs stand for.</Words>
      )}
      {rigs
        .filter(({ putAway }) => !putAway)
        .map((rig) => (
          <RigCard key={rig.id} rig={rig} here={isChosen(rig.id)} />
        ))}
      <Button
        label="Another rig"
        onPress={() => router.push({ pathname: '/rig/[rigId]', params: { rigId: platform().newId() } })}
      />
      <WhoLink />
      <Link href="/rig/habits" asChild>
        <Pressable
          role="link"
          aria-current={chosen === 'habits' ? 'page' : undefined}
          className={`min-h-14 justify-center gap-1 rounded-md border-2 bg-plate p-4 ${chosen === 'habits' ? 'border-ink' : 'border-transparent'}`}
        >
          <Words strong className="text-xl">
            How you weld
          </Words>
          <Words>Units, and a school wherever welders disagree.</Words>
        </Pressable>
      </Link>
      <DevicesLink />
      {away.length > 0 && (
        <>
          <Heading level={2}>Put away</Heading>
          {away.map((rig) => (
            <RigCard key={rig.id} rig={rig} here={isChosen(rig.id)} />
          ))}
        </>
      )}
    </ScrollView>
  );
}

/** Who works with this device, and the way to say so. */
function WhoLink() {
  const who = useWho();
  return (
    <Link href="/people" asChild>
      <Pressable
        role="link"
        aria-label="Who are you?"
        className="min-h-14 flex-row items-center gap-3 rounded-md border-2 border-transparent bg-plate p-4"
      >
        {who != null && <PersonMark initials={who.initials} colour={who.colour} />}
        <View className="min-w-0 flex-1 gap-1">
          <Words strong className="text-xl">
            {who == null ? 'Who are you?' : who.name}
          </Words>
          <Words>
            {who == null ? 'Pick your name: what you do here carries it.' : 'Works with this device. Somebody else?'}
          </Words>
        </View>
      </Pressable>
    </Link>
  );
}

/** The way to the devices, where the server lets any in. */
function DevicesLink() {
  if (useSession()?.isGuarded !== true) return null;
  return (
    <Link href="/devices" asChild>
      <Pressable
        role="link"
        className="min-h-14 justify-center gap-1 rounded-md border-2 border-transparent bg-plate p-4"
      >
        <Words strong className="text-xl">
          Devices
        </Words>
        <Words>Bring the next phone in by a code; who is in, and who is shut out.</Words>
      </Pressable>
    </Link>
  );
}

function RigCard({ rig, here }: { rig: RigRecord; here: boolean }) {
  const units = useUnits();
  const { id, name, note, setup } = rig;
  return (
    <Link href={{ pathname: '/rig/[rigId]', params: { rigId: id } }} asChild>
      <Pressable
        role="link"
        aria-label={`${name}: what is fitted`}
        aria-current={here ? 'page' : undefined}
        className={`gap-1 rounded-md border-2 bg-plate p-4 ${here ? 'border-ink' : 'border-transparent'}`}
      >
        <Words strong className="text-xl">
          {name}
        </Words>
        <Words strong>{wireWords(setup.rig, units)}</Words>
        <Words>{supplyWords(setup.rig, units)}</Words>
        {note !== '' && <Words className="text-faint">{note}</Words>}
      </Pressable>
    </Link>
  );
}
