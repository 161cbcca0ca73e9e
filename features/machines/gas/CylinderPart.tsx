import { useState } from 'react';
import { View } from 'react-native';
import { unitOf } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { BESIDE_THE_ARC } from '@/core/start/gas-supply';
import { stockOf } from '@/core/start/stock';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Figure, Words } from '@/ui/Words';
import { dayWords } from '../../shared/time-words';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useTaken } from '../../../client/use-records';
import { flowText, type GasWanted } from './gas-wanted';
import {
  arcTimeWords,
  ballOf,
  cylinderFrom,
  gasText,
  gasWorkOf,
  METERS,
  reckon,
  VOLUME_FIELD,
  type GasWork,
} from './gas-work';
import { useRefit } from '../machine/use-refit';

const KINDS = [
  { value: 'compressed', label: 'a mix or argon' },
  { value: 'liquid-co2', label: 'CO2' },
] as const;
const OWN_GAS = 'what flows';

type CylinderProps = { rig: RigRecord; wanted: GasWanted; lengthMm: number | null };

/** The flowmeter, and the cylinder: what it held when it was read, what is left of that, how long it lasts. */
export function CylinderPart({ rig, wanted, lengthMm }: CylinderProps) {
  const units = useUnits();
  const textIn = useTextIn();
  const [work, setWork] = useState<GasWork>(() => gasWorkOf(rig.setup.rig.cylinder, units));
  const set = (some: Partial<GasWork>): void => setWork({ ...work, ...some });
  const { flow, travelMmPerMin, gas, passes } = wanted;
  const { supply, problem } = reckon(work, flow.wanted, travelMmPerMin, { lengthMm, passes }, units);
  const ball = ballOf(work.madeFor, flow.wanted, gas);
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
        <Held rig={rig} flowLPerMin={flow.wanted} />
        <Choice label="In the cylinder" options={KINDS} chosen={work.kind} onChoose={(kind) => set({ kind })} />
        <Row className="items-start gap-2">
          {work.kind === 'compressed' ? (
            <>
              <NumberField
                className="min-w-0 flex-1"
                label="Gauge"
                unit={unitOf('pressure', units)}
                text={work.pressure}
                onType={(pressure) => set({ pressure })}
              />
              <NumberField
                className="min-w-0 flex-1"
                {...VOLUME_FIELD[units]}
                text={work.volume}
                onType={(volume) => set({ volume })}
              />
            </>
          ) : (
            <NumberField
              className="min-w-0 flex-1"
              label="Weight less empty"
              unit={unitOf('mass', units)}
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
            <Words>
              {textIn(
                `About ${Math.round(supply.litres)} L: some ${supply.weldM < 10 ? supply.weldM.toFixed(1) : Math.round(supply.weldM)} m of weld in one pass.`,
              )}
            </Words>
            {supply.finishes === true && (
              <Words>{`This job takes about ${gasText(supply.jobLitres ?? 0, units)}: it will do.`}</Words>
            )}
            {supply.finishes === false && (
              <Words
                strong
              >{`This job takes about ${gasText(supply.jobLitres ?? 0, units)}: it will not finish. Have a full one ready.`}</Words>
            )}
            {supply.costPerM !== null && <Words>{`Gas costs ${supply.costPerM.toFixed(2)} a metre of weld.`}</Words>}
          </View>
        )}
        <KeepReading rig={rig} work={work} />
        <Words className="text-sm text-faint">
          {`A small throw-away bottle holds about ${gasText(100, units)}: ${arcTimeWords(100 / flow.wanted)}. Type its price and size to see what it costs beside a large one.`}
        </Words>
      </Part>
    </>
  );
}

/** Shows what the cylinder still holds by its last reading and the beads since. */
function Held({ rig, flowLPerMin }: { rig: RigRecord; flowLPerMin: number }) {
  const units = useUnits();
  const { gasL } = stockOf(rig.setup.rig, useTaken(rig));
  const at = rig.setup.rig.cylinder?.at;
  if (gasL === null || at === undefined) return null;
  return (
    <Words
      strong
    >{`Read ${dayWords(at)}; by the beads since about ${gasText(gasL, units)} left, ${arcTimeWords(gasL / (flowLPerMin * BESIDE_THE_ARC))} of arc.`}</Words>
  );
}

/** Keeps what the gauge or the scales say with the rig, so that a job that will not finish is said before it is begun. */
function KeepReading({ rig, work }: { rig: RigRecord; work: GasWork }) {
  const units = useUnits();
  const { refit, busy, problem } = useRefit(rig);
  const { cylinder } = cylinderFrom(work, units);
  if (cylinder === null) return null;
  return (
    <>
      <Button
        label={busy ? 'Saving…' : 'Keep this reading'}
        disabled={busy}
        onPress={() => void refit((fitted, at) => ({ ...fitted, cylinder: { ...cylinder, at } }))}
      />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
    </>
  );
}
