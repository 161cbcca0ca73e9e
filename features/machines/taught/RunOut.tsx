import { useState } from 'react';
import { fromUser, unitOf } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { WatchButton } from '@/ui/WatchButton';
import { Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { typedAboveZero } from '../../shared/record-form';
import { useUnits } from '../../shared/use-habits';
import { useStopwatch } from '../../shared/use-stopwatch';
import { useSubmit } from '../../../client/use-records';
import { runOutScale } from './run-out';

const scaleWords = (scale: number): string => {
  const pct = Math.round(100 * (scale - 1));
  return pct === 0 ? 'as fast as it is set' : `${Math.abs(pct)} % ${pct < 0 ? 'slower' : 'faster'} than it is set`;
};

/** The wire run out for some seconds and measured: it tells at once how the drive stands to its figure. */
export function RunOut({ rig }: { rig: RigRecord }) {
  const units = useUnits();
  const watch = useStopwatch();
  const { put, busy, problem } = useSubmit();
  const [set, setSet] = useState('');
  const [seconds, setSeconds] = useState('6');
  const [length, setLength] = useState('');
  const typed = [typedAboveZero(length), typedAboveZero(seconds), typedAboveZero(set)];
  const [lengthMm, time, speed] = typed;
  const scale = runOutScale(
    lengthMm === null ? null : fromUser(lengthMm, 'length', units),
    time,
    speed === null ? null : fromUser(speed, 'wireSpeed', units),
  );
  const kept = rig.runOutScale ?? null;
  const keep = (runOut: number | null): Promise<boolean> =>
    put([makeChange('change-rig', rig.id, { runOutScale: runOut }, rig.revision)]);
  return (
    <Part title="Run-out">
      <Words className="text-faint">
        Gun away from faces, hands, work and clamp, so that no arc strikes. Hold the trigger, cut the wire at the tip,
        measure what came out.
      </Words>
      <Row className="items-end gap-2">
        <NumberField
          className="min-w-0 flex-1"
          label="Wire set at"
          unit={unitOf('wireSpeed', units)}
          text={set}
          onType={setSet}
        />
        <NumberField
          className="min-w-0 flex-1"
          label="Held for"
          unit="s"
          text={watch.running ?? seconds}
          onType={setSeconds}
        />
        <NumberField
          className="min-w-0 flex-1"
          label="Came out"
          unit={unitOf('length', units)}
          text={length}
          onType={setLength}
        />
      </Row>
      <WatchButton
        running={watch.running}
        onPress={() => {
          const took = watch.press();
          if (took !== null) setSeconds(took);
        }}
      />
      {typed.every((figure) => figure !== null) && scale === null && (
        <Words role="alert" strong>
          That cannot be one run: the wire would run less than 70 % or more than 130 % of what is set. Measure again,
          and see that it does not slip.
        </Words>
      )}
      {scale !== null && (
        <>
          <Words strong>{`It runs ${scaleWords(scale)}.`}</Words>
          <Button
            tone="act"
            label="Keep this run-out"
            disabled={busy || scale === kept}
            onPress={() => void keep(scale)}
          />
        </>
      )}
      {kept !== null && (
        <>
          <Words>{`Kept: it runs ${scaleWords(kept)}.`}</Words>
          <Button label="Leave this run-out out" disabled={busy} onPress={() => void keep(null)} />
        </>
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
    </Part>
  );
}
