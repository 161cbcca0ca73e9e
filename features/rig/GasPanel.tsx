import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { mixName, type GasMix } from '@/core/case/gas-mix';
import type { Case } from '@/core/case/schema';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/schema';
import { outletAdvice } from '@/core/start/gas-outlet';
import { gasesCompared } from '@/core/start/gas-compared';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Figure, Heading, Words } from '@/ui/Words';
import { jobWords } from '../shared/job-words';
import { TRANSFER_WORDS } from '../shared/transfer-words';
import { useTextIn, useUnits } from '../shared/use-habits';
import { gasWanted, type GasWanted } from './gas-wanted';
import { arcTimeWords, ballOf, METERS, NO_GAS_WORK, reckon, type GasWork } from './gas-work';
import { useBenchCase } from './use-bench-case';

const flowText = (litres: number, units: UnitSystem): string =>
  `${readable(litres, 'gasFlow', units)} ${unitOf('gasFlow', units)}`;

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
      <CylinderPart wanted={wanted} lengthMm={lengthMm} />
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

const KINDS = [
  { value: 'compressed', label: 'a mix or argon' },
  { value: 'liquid-co2', label: 'CO2' },
] as const;
const OWN_GAS = 'what flows';

function CylinderPart({ wanted, lengthMm }: { wanted: GasWanted; lengthMm: number | null }) {
  const units = useUnits();
  const [work, setWork] = useState<GasWork>(NO_GAS_WORK);
  const set = (some: Partial<GasWork>): void => setWork({ ...work, ...some });
  const { flow, travelMmPerMin, gas, passes } = wanted;
  const ball = ballOf(work.madeFor, flow.wanted, gas);
  const { supply, problem } = reckon(work, flow.wanted, travelMmPerMin, { lengthMm, passes });
  return (
    <>
      <Part title="The flowmeter was made for">
        <Choice
          label="The flowmeter was made for"
          options={[{ value: '', label: OWN_GAS }, ...METERS.map(({ name }) => ({ value: name, label: name }))]}
          chosen={work.madeFor ?? ''}
          onChoose={(name) => set({ madeFor: name === '' ? null : name })}
        />
        {work.madeFor !== null && (
          <Words strong>{`Set its ball to ${flowText(ball, units)}: then ${flowText(flow.wanted, units)} flow.`}</Words>
        )}
      </Part>
      <Part title="How long it lasts">
        <Choice label="In the cylinder" options={KINDS} chosen={work.kind} onChoose={(kind) => set({ kind })} />
        <Row className="items-start gap-2">
          {work.kind === 'compressed' ? (
            <>
              <NumberField
                className="min-w-0 flex-1"
                label="Gauge"
                unit="bar"
                text={work.pressure}
                onType={(pressure) => set({ pressure })}
              />
              <NumberField
                className="min-w-0 flex-1"
                label="Volume"
                unit="L"
                text={work.volume}
                onType={(volume) => set({ volume })}
              />
            </>
          ) : (
            <NumberField
              className="min-w-0 flex-1"
              label="Weight less empty"
              unit="kg"
              text={work.weight}
              onType={(weight) => set({ weight })}
            />
          )}
          <NumberField
            className="min-w-0 flex-1"
            label="A full one costs"
            unit=""
            text={work.price}
            onType={(price) => set({ price })}
          />
        </Row>
        {work.kind === 'liquid-co2' && (
          <Words className="text-faint">CO2 lies liquid: its gauge stands still until the end. Weigh it.</Words>
        )}
        {problem !== null && (
          <Words role="alert" strong>
            {problem}
          </Words>
        )}
        {supply !== null && (
          <View role="status" className="gap-1 rounded-md bg-plate p-3">
            <Figure className="text-3xl">{`${arcTimeWords(supply.arcMinutes)} of arc`}</Figure>
            <Words>{`About ${Math.round(supply.litres)} L: some ${supply.weldM < 10 ? supply.weldM.toFixed(1) : Math.round(supply.weldM)} m of weld in one pass.`}</Words>
            {supply.finishes === true && (
              <Words>{`This job takes about ${Math.ceil(supply.jobLitres ?? 0)} L: it will do.`}</Words>
            )}
            {supply.finishes === false && (
              <Words
                strong
              >{`This job takes about ${Math.ceil(supply.jobLitres ?? 0)} L: it will not finish. Have a full one ready.`}</Words>
            )}
            {supply.costPerM !== null && <Words>{`Gas costs ${supply.costPerM.toFixed(2)} a metre of weld.`}</Words>}
          </View>
        )}
        <Words className="text-sm text-faint">
          {`A small throw-away bottle of 1 L holds about 100 L: ${arcTimeWords(100 / flow.wanted)}. Type its price and volume to see what it costs beside a large one.`}
        </Words>
      </Part>
    </>
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
