import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { fileNameOf } from '@/core/files/file-name';
import { MACHINE_OFF } from '@/core/case/experience-schema';
import type { Teaching, TeachingStep } from '@/core/learning/teaching';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { voltsWords, wireSpeedWords } from '../../shared/machine-words';
import { useTeaching } from '../../../client/use-records';
import { clockWords, dayWords } from '../../shared/time-words';
import { Band, BandScale } from './Band';
import { Forgetting } from './Forgetting';
import { RunOut } from './RunOut';

const VOLTS = { low: -MACHINE_OFF.offsetV, high: MACHINE_OFF.offsetV };
const WIRE = { low: 100 * (MACHINE_OFF.wireScale[0] - 1), high: 100 * (MACHINE_OFF.wireScale[1] - 1) };

type Believed = Teaching['machine'];
const voltsBand = ({ offsetV, sure }: Believed, before: Believed) => ({
  ...VOLTS,
  at: offsetV,
  spread: sure?.offsetSdV ?? 0,
  spreadBefore: before.sure?.offsetSdV ?? 0,
});
const wireBand = ({ wireScale, sure }: Believed, before: Believed) => ({
  ...WIRE,
  at: 100 * (wireScale - 1),
  spread: 100 * (sure?.wireScaleSd ?? 0),
  spreadBefore: 100 * (before.sure?.wireScaleSd ?? 0),
});

/** Shows what a rig has taught: its volts and wire against the arc, from which beads, how sure, and what it is known for. */
export function TaughtPanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: what it has taught`);
  const router = useRouter();
  const { data, error, refetch } = useTeaching(rig.id);
  if (error !== null)
    return (
      <StateNote
        title="What it has taught cannot be read"
        text={error.message}
        action={{ label: 'Try again', onPress: () => void refetch() }}
      />
    );
  if (data === undefined) return <Loading what="what it has taught" />;
  const { machine, before, steps, causes } = data;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-6 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{rig.name}</Heading>
        <Words className="text-faint">
          {steps.length === 0
            ? 'No judged bead has taught anything yet. Judge beads on the bench; each one counts.'
            : `Learned from ${steps.length} judged ${steps.length === 1 ? 'bead' : 'beads'}. The next answer counts on it.`}
        </Words>
      </View>
      <Part title="Volts">
        <Words strong className="text-lg">
          {voltsWords(machine)}
        </Words>
        <Band {...voltsBand(machine, before)} />
        <BandScale marks={['3 V less arrives', 'as shown', '3 V more']} />
      </Part>
      <Part title="Wire">
        <Words strong className="text-lg">
          {wireSpeedWords(machine)}
        </Words>
        <Band {...wireBand(machine, before)} />
        <BandScale marks={['20 % slower', 'as set', '20 % faster']} />
        <Words className="text-sm text-faint">
          Dark: where this rig lies, nineteen times in twenty. Pale: any rig.
        </Words>
      </Part>
      {causes.length > 0 && (
        <Part title="Known for">
          {causes.map(({ cause, name, confirmed, beads }) => (
            <Words
              key={cause}
            >{`${name}: its cure helped, about ${whole(confirmed)} of ${whole(beads)} bad ${whole(beads) === 1 ? 'bead' : 'beads'}.`}</Words>
          ))}
          <Words className="text-sm text-faint">Older beads count less; a new part begins anew.</Words>
        </Part>
      )}
      <RunOut rig={rig} />
      {steps.length > 0 && <Steps steps={steps} before={before} />}
      <Forgetting rig={rig} beads={steps.length} />
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Button
          className="flex-1"
          label="Save as a file"
          disabled={steps.length === 0}
          onPress={() =>
            platform().saveFile(
              `${fileNameOf(rig.name)}-taught.json`,
              JSON.stringify(data, null, 2),
              'application/json',
            )
          }
        />
      </Row>
    </ScrollView>
  );
}

/** A count that has faded, as a whole number. */
const whole = (count: number): number => Math.max(1, Math.round(count));

/** Steps drawn at first; the older ones on asking. */
const DRAWN = 10;

/** The beads that taught, the newest first, each with the bands as they stood after it. */
function Steps({ steps, before }: { steps: readonly TeachingStep[]; before: Believed }) {
  const [all, setAll] = useState(false);
  const newest = [...steps].reverse();
  const drawn = all ? newest : newest.slice(0, DRAWN);
  return (
    <Part title="Bead by bead">
      <View className="flex-row gap-2 px-2">
        {['Volts', 'Wire'].map((of) => (
          <Words key={of} className="flex-1 text-center text-sm text-faint">
            {of}
          </Words>
        ))}
      </View>
      {drawn.map((step) => (
        <Link key={step.beadId} href={{ pathname: '/coupon/[couponId]', params: { couponId: step.couponId } }} asChild>
          <Pressable role="link" className="min-h-14 gap-1 rounded-sm bg-plate p-2">
            <Words>
              {`${step.title}, bead ${step.number}: ${step.outcome === null ? '' : OUTCOME_WORDS[step.outcome]}`}
            </Words>
            <Words className="text-sm text-faint">{`${dayWords(step.ranAt)}, ${clockWords(step.ranAt)}`}</Words>
            <View className="flex-row gap-2">
              <View className="flex-1">
                <Band thin {...voltsBand(step.machine, before)} />
              </View>
              <View className="flex-1">
                <Band thin {...wireBand(step.machine, before)} />
              </View>
            </View>
          </Pressable>
        </Link>
      ))}
      {newest.length > drawn.length && (
        <Button label={`${newest.length - drawn.length} before these`} onPress={() => setAll(true)} />
      )}
    </Part>
  );
}
