import { useState } from 'react';
import { View } from 'react-native';
import { legAtTravel, pacesDisagree, travelFromLeg, travelFromRun } from '@/core/arc/travel';
import { fromUser, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { takesFigure, type Reading } from '@/core/setting/table';
import { figureWithUnit } from '@/core/setting/words';
import { NumberField } from '@/ui/NumberField';
import { Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { WatchButton } from '@/ui/WatchButton';
import { Words } from '@/ui/Words';
import { typedAboveZero } from '../../shared/record-form';
import { useUnits } from '../../shared/use-habits';
import { useStopwatch } from '../../shared/use-stopwatch';
import { useBenchActions, useDraftPart, useLive } from '../state/bench';

/** What is usual to run on a scrap plate. */
const USUAL_RUN: Record<UnitSystem, string> = { metric: '100', inch: '4' };
const WAYS = [
  { value: 'time', label: 'by time' },
  { value: 'leg', label: 'by leg' },
] as const;
type Way = (typeof WAYS)[number]['value'];

/** A pace, or null where what was typed cannot give one. */
function paceOf(work: () => number): number | null {
  try {
    const pace = Math.round(work());
    return takesFigure('travelSpeedMmPerMin', pace) ? pace : null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Travel speed by a watch on the run, by seconds counted, or by the leg that was laid; and whether they agree. */
export function TravelTimer() {
  const [way, setWay] = useState<Way>('time');
  const [byTime, setByTime] = useState<number | null>(null);
  const [byLeg, setByLeg] = useState<number | null>(null);
  const act = useBenchActions();
  const take = (pace: number | null, reading: Reading): void => {
    if (pace === null) return;
    act.set('travelSpeedMmPerMin', pace);
    act.read('travelSpeedMmPerMin', reading);
  };
  return (
    <View role="group" aria-label="Find the travel speed" className="gap-2">
      <Choice label="Travel found" options={WAYS} chosen={way} onChoose={setWay} />
      {way === 'time' ? (
        <ByTime
          onPace={(pace, reading) => {
            setByTime(pace);
            take(pace, reading);
          }}
        />
      ) : (
        <ByLeg
          onPace={(pace) => {
            setByLeg(pace);
            take(pace, 'digital');
          }}
        />
      )}
      <AgainstWire byTime={byTime} byLeg={byLeg} />
    </View>
  );
}

function ByTime({ onPace }: { onPace: (pace: number | null, reading: Reading) => void }) {
  const units = useUnits();
  const [run, setRun] = useState(USUAL_RUN[units]);
  const [seconds, setSeconds] = useState('');
  const watch = useStopwatch();
  const pace = (runText: string, secondsText: string): number | null => {
    const [length, time] = [typedAboveZero(runText), typedAboveZero(secondsText)];
    return length === null || time === null
      ? null
      : paceOf(() => travelFromRun(fromUser(length, 'length', units), time));
  };
  const press = (): void => {
    const took = watch.press();
    if (took === null) return;
    setSeconds(took);
    onPace(pace(run, took), 'digital');
  };
  const wrong = typedAboveZero(run) !== null && typedAboveZero(seconds) !== null && pace(run, seconds) === null;
  return (
    <View className="gap-2">
      <Row className="items-end gap-2">
        <NumberField
          className="min-w-0 flex-1"
          label="Run"
          unit={unitOf('length', units)}
          text={run}
          onType={(text) => {
            setRun(text);
            onPace(pace(text, seconds), 'digital');
          }}
        />
        <NumberField
          className="min-w-0 flex-1"
          label="Took or counted"
          unit="s"
          text={watch.running ?? seconds}
          onType={(text) => {
            setSeconds(text);
            onPace(pace(run, text), 'dial');
          }}
        />
      </Row>
      <WatchButton running={watch.running} onPress={press} />
      {wrong && (
        <Words role="alert" strong>
          {`A run of ${readable(5, 'length', units)} to ${readable(5000, 'length', units)} ${unitOf('length', units)} in half a second to an hour.`}
        </Words>
      )}
    </View>
  );
}

function ByLeg({ onPace }: { onPace: (pace: number | null) => void }) {
  const units = useUnits();
  const { answer } = useLive();
  const [leg, setLeg] = useState('');
  const legAtMetre = answer?.arc.legAtMetreMm ?? null;
  const pace = (text: string): number | null => {
    const figure = typedAboveZero(text);
    return figure === null || legAtMetre === null
      ? null
      : paceOf(() => travelFromLeg(fromUser(figure, 'length', units), legAtMetre));
  };
  if (legAtMetre === null) return <Words>The leg tells the pace once wire and wire speed are known.</Words>;
  const wrong = typedAboveZero(leg) !== null && pace(leg) === null;
  return (
    <NumberField
      label="Leg measured"
      unit={unitOf('length', units)}
      text={leg}
      large
      problem={
        wrong
          ? `A leg of ${readable(1, 'length', units)} to ${readable(40, 'length', units)} ${unitOf('length', units)}.`
          : null
      }
      onType={(text) => {
        setLeg(text);
        onPace(pace(text));
      }}
    />
  );
}

/** Shows what the wire that is fed makes of the pace, and whether watch and leg can both be right. */
function AgainstWire({ byTime, byLeg }: { byTime: number | null; byLeg: number | null }) {
  const units = useUnits();
  const { answer } = useLive();
  const travel = useDraftPart((draft) => draft.settings.travelSpeedMmPerMin);
  const { legAtMetreMm = null, expectedTravelMmPerMin = null } = answer?.arc ?? {};
  if (legAtMetreMm === null || expectedTravelMmPerMin === null) return null;
  const pace = (value: number): string => figureWithUnit('travelSpeedMmPerMin', value, units);
  const leg = (value: number): string =>
    `${readable(legAtTravel(value, legAtMetreMm), 'length', units)} ${unitOf('length', units)}`;
  const usual = `This wire is usually run at about ${pace(Math.round(expectedTravelMmPerMin / 10) * 10)} here, for a leg of ${leg(expectedTravelMmPerMin)}.`;
  return (
    <View className="gap-1">
      <Words className="text-faint">
        {travel === undefined ? usual : `At ${pace(travel)} this wire lays a leg of about ${leg(travel)}. ${usual}`}
      </Words>
      {byTime !== null && byLeg !== null && pacesDisagree(byTime, byLeg) && (
        <Words role="alert" strong>
          {`The watch says ${pace(byTime)}, the leg ${pace(byLeg)}: both cannot be. Time it again, or the wire does not run at what is set.`}
        </Words>
      )}
    </View>
  );
}
