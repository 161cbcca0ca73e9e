import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { mixName } from '@/core/case/gas-mix';
import { BLIND_KNOBS, MOST_BEADS } from '@/core/school/blind-knobs';
import type { BlindBead, BlindMachine } from '@/core/school/set-blind';
import { figureWithUnit } from '@/core/setting/words';
import { SETTINGS } from '@/core/setting/table';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { StateNote } from '@/ui/State';
import { Figure, Words } from '@/ui/Words';
import { askSchool, type BlindKnobs } from '@/workers/school';
import { useUnits } from '../shared/use-habits';
import { usePlayer } from '../shared/use-player';
import type { SoundSource } from '../shared/use-sounded';
import { Sound } from './ByEar';
import { Columns } from './Columns';
import { AS_FEW, MORE } from './drills';
import { DrillHead } from './DrillHead';
import { Next } from './Next';
import { useMade } from './use-made';
import { newSeed, useDrill } from './use-practice';
import { clamp } from '@/core/quantity/clamp';

/** Where the last one left the knobs. */
const LEFT_AT: BlindKnobs = { voltageV: 18, wireSpeedMPerMin: 5, stickOutMm: 12 };
const KNOBS = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm'] as const;

type Ran = { knobs: BlindKnobs; bead: BlindBead };

/** A hidden machine and a job: beads are run until one is sound, and held against what the product takes on the same machine. */
export default function SetBlind() {
  const { answers, level, keep } = useDrill('set-blind');
  const [knobs, setKnobs] = useState(LEFT_AT);
  const [ran, setRan] = useState<Ran[]>([]);
  const [busy, setBusy] = useState(false);
  const [own, setOwn] = useState<number | null>(null);
  const [broken, setBroken] = useState(false);
  const { made, again } = useMade(
    async (turn) => (await askSchool({ kind: 'blind', level, seed: newSeed() + turn })).blind,
  );
  const blind = broken ? 'failed' : made;
  const next = useCallback(() => {
    setBroken(false);
    setKnobs(LEFT_AT);
    setRan([]);
    setOwn(null);
    again();
  }, [again]);
  if (blind === 'failed')
    return (
      <View className="p-4">
        <StateNote
          title="No machine came"
          text="It could not be worked out."
          action={{ label: 'Try again', onPress: next }}
        />
      </View>
    );
  const isOver = ran.length > 0 && (ran[ran.length - 1].bead.sound || ran.length >= MOST_BEADS);
  const run = async (): Promise<void> => {
    if (blind === null || busy || isOver) return;
    setBusy(true);
    try {
      const { bead } = await askSchool({ kind: 'bead', blind, knobs, seed: newSeed() + ran.length });
      const all = [...ran, { knobs, bead }];
      if (bead.sound || all.length >= MOST_BEADS) {
        const { beads } = await askSchool({ kind: 'count', blind, seed: newSeed() });
        setOwn(beads);
        keep(AS_FEW, bead.sound && all.length <= beads + 1 ? AS_FEW : MORE, level);
      }
      setRan(all);
    } catch {
      setBroken(true);
    } finally {
      setBusy(false);
    }
  };
  return (
    <View role="region" aria-label="Set it blind" className="gap-4 p-4">
      <DrillHead part="set-blind" level={level} answers={answers} />
      {blind === null ? (
        <Words role="status">A machine is being fetched…</Words>
      ) : (
        <Columns
          left={
            <>
              <Words>
                {`Fillet, flat, ${blind.job.thicknessMm} mm mild steel. ${blind.machine.wire.diameterMm} mm wire, ${mixName(blind.machine.gas)}. What the machine shows may be off, and so may its wire.`}
              </Words>
              <Knobs knobs={knobs} still={busy || isOver} onTurn={setKnobs} />
              {!isOver && (
                <Button
                  counts
                  tone="act"
                  label={`Run bead ${ran.length + 1}`}
                  disabled={busy}
                  onPress={() => void run()}
                />
              )}
            </>
          }
          right={
            <>
              <Beads ran={ran} isOver={isOver} />
              {isOver && own !== null && <Over blind={blind} ran={ran} own={own} />}
              {isOver && <Next onNext={next} label="Next machine" />}
            </>
          }
        />
      )}
    </View>
  );
}

/** The last bead, drawn, told and heard; under it those before, newest first. */
function Beads({ ran, isOver }: { ran: readonly Ran[]; isOver: boolean }) {
  const units = useUnits();
  const player = usePlayer();
  const last = ran[ran.length - 1];
  const source = useMemo<SoundSource | null>(
    () => (last?.bead.run == null ? null : { run: last.bead.run, noise: null }),
    [last],
  );
  if (last === undefined) return <Words className="text-faint">Set it, and run a first bead.</Words>;
  const which = `bead ${ran.length}`;
  return (
    <>
      <View className="overflow-hidden rounded-sm">
        <BeadDrawing
          bead={last.bead.bead}
          view="top"
          height={110}
          lengthMm={50}
          title={`Bead ${ran.length} from above`}
        />
      </View>
      <Words role="status">
        <Words strong>{`Bead ${ran.length}${last.bead.sound ? ', sound: ' : ': '}`}</Words>
        {showsWords(last.bead)}
      </Words>
      {source !== null && (
        <Sound key={which} source={source} which={which} player={player} told={isOver} title={`Play ${which}`} keyed />
      )}
      {ran
        .slice(0, -1)
        .map(({ knobs, bead }, i) => (
          <Words key={i} className="text-sm text-faint">
            {`Bead ${i + 1}, ${KNOBS.map((name) => figureWithUnit(name, knobs[name], units)).join(', ')}: ${showsWords(bead)}`}
          </Words>
        ))
        .reverse()}
    </>
  );
}

const showsWords = ({ shows }: BlindBead): string =>
  shows.length === 0 ? 'nothing strikes the eye.' : `${shows.join('; ').toLowerCase()}.`;

/** Shows how it came out, and what nobody knew. @param own beads that the product took */
function Over({ blind: { machine }, ran, own }: { blind: BlindMachine; ran: readonly Ran[]; own: number }) {
  const isSound = ran[ran.length - 1].bead.sound;
  const volts = `${Math.abs(machine.offsetV).toFixed(1)} V ${machine.offsetV < 0 ? 'less' : 'more'} reached the arc than it showed`;
  const wire = `its wire ran ${Math.abs(Math.round(100 * (machine.scale - 1)))} % ${machine.scale < 1 ? 'slower' : 'faster'} than set`;
  return (
    <>
      <Words role="status" strong>
        {isSound
          ? `Sound with bead ${ran.length}. This product took ${own} on the same machine.`
          : `Not sound in ${MOST_BEADS} beads. This product took ${own}.`}
      </Words>
      <Words>{`Hidden: ${volts}, and ${wire}.`}</Words>
    </>
  );
}

/** Steps of a knob, fine and coarse. */
const TURNS = [
  { by: -4, sign: '−−', words: 'down, four steps' },
  { by: -1, sign: '−', words: 'down' },
  { by: 1, sign: '+', words: 'up' },
  { by: 4, sign: '++', words: 'up, four steps' },
] as const;

function Knobs({ knobs, still, onTurn }: { knobs: BlindKnobs; still: boolean; onTurn: (next: BlindKnobs) => void }) {
  const units = useUnits();
  return (
    <View className="gap-2">
      {KNOBS.map((name) => {
        const { least, most, step } = BLIND_KNOBS[name];
        const label = SETTINGS[name].name;
        return (
          <Row key={name} role="group" aria-label={label} className="items-center gap-1">
            <View className="min-w-0 flex-1">
              <Words className="text-sm text-faint">{label}</Words>
              <Figure className="text-xl">{figureWithUnit(name, knobs[name], units)}</Figure>
            </View>
            {TURNS.map(({ by, sign, words }) => (
              <Button
                key={by}
                label={sign}
                aria-label={`${label} ${words}`}
                disabled={still}
                className="min-w-14 px-1"
                onPress={() => onTurn({ ...knobs, [name]: clamp(knobs[name] + by * step, least, most) })}
              />
            ))}
          </Row>
        );
      })}
    </View>
  );
}
