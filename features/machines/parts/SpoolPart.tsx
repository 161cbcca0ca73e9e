import { useState } from 'react';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { stockOf } from '@/core/start/stock';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { dayWords } from '../../shared/time-words';
import { useUnits } from '../../shared/use-habits';
import { useTaken } from '../../../client/use-records';
import { spoolFrom, spoolTexts } from './spool-work';
import { useRefit } from '../machine/use-refit';

/** Wire as it is weighed by hand: to a tenth, under a kilogram to a hundredth. */
const massText = (kg: number, units: UnitSystem): string =>
  `${readable(Number(kg.toFixed(kg < 1 ? 2 : 1)), 'mass', units)} ${unitOf('mass', units)}`;

/** The wire on the spool: what was on it when it was weighed or looked at, and what is left by the beads since. */
export function SpoolPart({ rig }: { rig: RigRecord }) {
  const units = useUnits();
  const { spool } = rig.setup.rig;
  const [texts, setTexts] = useState(() => spoolTexts(spool, units));
  const { refit, busy, problem } = useRefit(rig);
  const { wireKg } = stockOf(rig.setup.rig, useTaken(rig));
  const typed = spoolFrom(texts, units);
  return (
    <Part title="Wire on the spool">
      {wireKg !== null && spool?.at !== undefined && (
        <Words strong>{`Said ${dayWords(spool.at)}; by the beads since about ${massText(wireKg, units)} left.`}</Words>
      )}
      <Row className="items-start gap-2">
        <NumberField
          className="min-w-0 flex-1"
          label="A full one has"
          unit={unitOf('mass', units)}
          text={texts.full}
          problem={typed.problem?.field === 'full' ? typed.problem.text : null}
          onType={(full) => setTexts({ ...texts, full })}
        />
        <NumberField
          className="min-w-0 flex-1"
          label="On it now"
          unit={unitOf('mass', units)}
          text={texts.left}
          problem={typed.problem?.field === 'left' ? typed.problem.text : null}
          onType={(left) => setTexts({ ...texts, left })}
        />
        <Button
          label={busy ? 'Saving…' : 'Keep'}
          aria-label="Keep what is on the spool"
          className="mt-6"
          disabled={busy || typed.spool === null}
          onPress={() => void refit((fitted, at) => ({ ...fitted, spool: { ...typed.spool, at } }))}
        />
      </Row>
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
    </Part>
  );
}
