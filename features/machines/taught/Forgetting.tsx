import { useState } from 'react';
import { View } from 'react-native';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { clockWords, dayWords } from '../../shared/time-words';
import { useSubmit } from '../../../client/use-records';

/** Lets a rig forget what its beads taught, as after a repair; the beads stay, and it can be brought back. */
export function Forgetting({ rig, beads }: { rig: RigRecord; beads: number }) {
  const { put, busy, problem } = useSubmit();
  const [asking, setAsking] = useState(false);
  const since = rig.learnsSince ?? null;
  const learnSince = (instant: string | null): void => {
    setAsking(false);
    void put([makeChange('change-rig', rig.id, { learnsSince: instant }, rig.revision)]);
  };
  return (
    <View className="gap-2">
      {since !== null && (
        <>
          <Words>{`What was run before ${dayWords(since)}, ${clockWords(since)} is forgotten.`}</Words>
          <Button label="Count it again" disabled={busy} onPress={() => learnSince(null)} />
        </>
      )}
      {asking ? (
        <>
          <Words strong>
            Forget it after a repair of machine, drive or leads. The beads stay in the log, and it can be brought back.
          </Words>
          <Row className="gap-2">
            <Button label="Keep it" className="flex-1" onPress={() => setAsking(false)} />
            <Button
              label="Forget it"
              className="flex-1"
              tone="act"
              disabled={busy}
              onPress={() => learnSince(platform().now().toISOString())}
            />
          </Row>
        </>
      ) : (
        <Button label="Forget what was learned" disabled={busy || beads === 0} onPress={() => setAsking(true)} />
      )}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
    </View>
  );
}
