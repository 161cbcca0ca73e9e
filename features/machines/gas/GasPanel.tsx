import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { mixName, type GasMix } from '@/core/case/gas-mix';
import type { Case } from '@/core/case/schema';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { outletAdvice } from '@/core/start/gas-outlet';
import { gasesCompared } from '@/core/start/gas-compared';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Figure, Heading, Words } from '@/ui/Words';
import { jobWords } from '../../shared/job-words';
import { TRANSFER_WORDS } from '../../shared/transfer-words';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { flowText, gasWanted, type GasWanted } from './gas-wanted';
import { CylinderPart } from './CylinderPart';
import { useBenchCase } from '../machine/use-bench-case';

/** The gas of a rig: what has to flow, where the ball stands, how long the cylinder lasts, and what other gases would do. */
export function GasPanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: its gas`);
  const router = useRouter();
  const units = useUnits();
  const input = useBenchCase(rig);
  const wanted = gasWanted(input);
  const back = (): void => (router.canGoBack() ? router.back() : router.replace('/rig'));
  if (rig.setup.rig.gas === null)
    return (
      <StateNote
        title="No gas on this rig"
        text="Its wire makes its own. Keep draughts off all the same, and the fume away from your face."
        action={{ label: 'Back', onPress: back }}
      />
    );
  if (wanted === null)
    return (
      <StateNote
        title="What flows is not known"
        text="Say which wire and which nozzle are fitted; then the flow can be worked out."
        action={{ label: 'Back', onPress: back }}
      />
    );
  const lengthMm = input.job?.lengthMm ?? null;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-6 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: its gas`}</Heading>
        <Words className="text-faint">
          {`${mixName(rig.setup.rig.gas)}${input.job === undefined ? '' : `, for ${jobWords(input.job, units)}`}`}
        </Words>
      </View>
      <Flow wanted={wanted} />
      <CylinderPart key={units} rig={rig} wanted={wanted} lengthMm={lengthMm} />
      <Compared input={input} />
      <Line gas={wanted.gas} />
      <Button label="Back" onPress={back} />
    </ScrollView>
  );
}

/** What holds of every gas line. Source: the trade's own rules. */
const LINE = [
  'A gauge that reads pressure in the hose shows no flow: a tube on the nozzle does, with the trigger pulled and the wire rolls open.',
  'Crack the valve before the regulator is fitted; screw backed off, valve opened slowly, nobody in front of it. Chain the cylinder.',
  'Argon and CO2 are heavier than air: in a pit or a tank they stay and smother. Test the air, have somebody outside.',
];

/** The way of the gas from the valve on: which thread the cylinder has, its seal, and what holds of every line. */
function Line({ gas }: { gas: GasMix }) {
  const textIn = useTextIn();
  const { threads, plain } = outletAdvice(gas);
  return (
    <Part title="On the line">
      {[...plain, ...LINE].map((words) => (
        <Words key={words}>{textIn(words)}</Words>
      ))}
      {threads.length > 0 && (
        <>
          <Words strong>The thread of this cylinder, by where it was filled</Words>
          {threads.map((thread) => (
            <Words key={thread}>{thread}</Words>
          ))}
          <Words className="text-faint">What is stamped on the valve goes before this list. Never force one.</Words>
        </>
      )}
    </Part>
  );
}

function Flow({ wanted: { flow, currentA } }: { wanted: GasWanted }) {
  const units = useUnits();
  return (
    <Part title="What has to flow">
      <Figure className="text-4xl">{flowText(flow.wanted, units)}</Figure>
      <Words>
        {`At about ${Math.round(currentA)} A. Under ${flowText(flow.low, units)} the cover is thin; over ${flowText(flow.high, units)} it turns turbulent and draws air in.`}
      </Words>
    </Part>
  );
}

/** From here a gas spatters more than the usual mixes do, in balance. */
const MORE_SPATTER = 0.08;

function Compared({ input }: { input: Case }) {
  const textIn = useTextIn();
  const gases = useMemo(() => gasesCompared(input), [input]);
  return (
    <Part title="Other gases on this job">
      {gases.map(({ name, suits, fitted, voltageV, transfer, penetration, spatter, plain }) => (
        <View
          key={name}
          className={`gap-1 rounded-md border-2 bg-plate p-3 ${fitted ? 'border-ink' : 'border-transparent'}`}
        >
          <Words strong className="text-lg">{`${name}${fitted ? ', fitted' : ''}`}</Words>
          {suits ? (
            <Words>
              {[
                `${voltageV.toFixed(1)} V`,
                TRANSFER_WORDS[transfer],
                ...(penetration === null || fitted ? [] : [depthWords(penetration)]),
                spatter > MORE_SPATTER ? 'more spatter' : 'little spatter',
              ].join(', ')}
            </Words>
          ) : (
            <Words strong>Not for this wire and metal.</Words>
          )}
          <Words className="text-faint">{textIn(plain)}</Words>
        </View>
      ))}
    </Part>
  );
}

function depthWords(ratio: number): string {
  const pct = Math.round(100 * (ratio - 1));
  return Math.abs(pct) < 4 ? 'as deep' : `about ${Math.abs(pct)} % ${pct > 0 ? 'deeper' : 'shallower'}`;
}
