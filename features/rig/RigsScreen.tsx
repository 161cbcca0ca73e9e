import { Link, useRouter } from 'expo-router';
import { Pressable, ScrollView, View } from 'react-native';
import { v7 as newId } from 'uuid';
import { mixName } from '@/core/case/gas-mix';
import type { RigRecord } from '@/core/record/schema';
import { Button } from '@/ui/Press';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { useRigs } from '../records/use-records';
import { HabitsPanel } from './HabitsPanel';
import { POLARITY_WORDS, WIRE_WORDS } from './rig-words';

/** The machines, what is fitted on each, and how this person welds. */
export function RigsScreen() {
  useTitle('Rig');
  const rigs = useRigs();
  const router = useRouter();
  if (rigs.isError)
    return (
      <StateNote
        title="The machines cannot be read"
        text={rigs.error.message}
        action={{ label: 'Try again', onPress: () => void rigs.refetch() }}
      />
    );
  if (rigs.data === undefined) return <Loading what="the machines" />;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Rig</Heading>
      {rigs.data.length === 0 && (
        <Words role="status">No machine yet. Set one up: wire, gas, and what its knobs stand for.</Words>
      )}
      {rigs.data.map((rig) => (
        <RigCard key={rig.id} record={rig} />
      ))}
      <Button
        label="Another machine"
        onPress={() => router.push({ pathname: '/rig/[rigId]', params: { rigId: newId() } })}
      />
      <HabitsPanel />
    </ScrollView>
  );
}

function RigCard({ record }: { record: RigRecord }) {
  const { wire, gas, polarity, nozzleBoreMm } = record.rig;
  return (
    <Link href={{ pathname: '/rig/[rigId]', params: { rigId: record.id } }} asChild>
      <Pressable role="link" aria-label={`${record.name}: what is fitted`} className="gap-1 rounded-md bg-plate p-4">
        <Words strong className="text-xl">
          {record.name}
        </Words>
        <Words
          strong
        >{`${wire?.diameterMm ?? '?'} mm ${wire?.class === undefined ? 'wire not known' : WIRE_WORDS[wire.class]}`}</Words>
        <View>
          <Words>{`${mixName(gas)}${nozzleBoreMm === undefined ? '' : `, nozzle ${nozzleBoreMm} mm`}${polarity === undefined ? '' : `, ${POLARITY_WORDS[polarity]}`}`}</Words>
          {record.note !== '' && <Words className="text-faint">{record.note}</Words>}
        </View>
      </Pressable>
    </Link>
  );
}
