import { View } from 'react-native';
import { arcSetup, withWire } from '@/core/arc/setup';
import { wireWindow } from '@/core/arc/wire-window';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { PART_WORDS, rigCheck, type RigCheckItem } from '@/core/start/rig-check';
import { Part } from '@/ui/Part';
import { Words } from '@/ui/Words';
import { jobWords } from '../../shared/job-words';
import { useTextIn, useUnits } from '../../shared/use-habits';
import { useBenchCase } from '../machine/use-bench-case';

/** A rig held against its wire and against the job that is on the bench for it. */
export function RigCheck({ rig }: { rig: RigRecord }) {
  const units = useUnits();
  const input = useBenchCase(rig);
  const { job } = input;
  const setup = withWire(arcSetup(input));
  if (setup === null) return null;
  const { lowA, highA } = wireWindow(setup.wire, setup.pulse);
  const thickMm = job?.thicknessMm === undefined ? null : Math.max(job.thicknessMm, job.otherThicknessMm ?? 0);
  const items = rigCheck(setup, rig.setup.rig, thickMm, setup.currentAskedA ?? Math.sqrt(lowA * highA));
  const wrong = items.filter(({ state }) => state === 'wrong');
  const fits = items.filter(({ state }) => state === 'fits');
  const open = items.filter(({ state }) => state === 'not-known');
  return (
    <Part title={job === undefined ? 'Does it fit its wire?' : `Does it fit? ${jobWords(job, units)}`}>
      {wrong.length === 0 ? (
        <Words strong>{open.length === 0 ? 'Everything fits.' : 'Nothing that is recorded is wrong.'}</Words>
      ) : (
        <View role="list" aria-label="What does not fit" className="gap-2">
          {wrong.map((item) => (
            <Wrong key={item.part} item={item} />
          ))}
        </View>
      )}
      {fits.length > 0 && (
        <Words>{`Fits: ${fits.map(({ part }) => PART_WORDS[part].toLowerCase()).join(', ')}.`}</Words>
      )}
      <CheckReport title="Not recorded: look at it" items={open} />
    </Part>
  );
}

function Wrong({ item: { part, want, have, does } }: { item: RigCheckItem }) {
  const textIn = useTextIn();
  return (
    <View role="listitem" className="gap-1 rounded-md border-2 border-ink bg-plate p-3">
      <Words strong className="text-lg">{`${PART_WORDS[part]} does not fit`}</Words>
      <Words>{textIn(`Fitted: ${have}. Wanted: ${want}.`)}</Words>
      {does !== null && <Words>{textIn(does)}</Words>}
    </View>
  );
}

function CheckReport({ title, items }: { title: string; items: readonly RigCheckItem[] }) {
  const textIn = useTextIn();
  if (items.length === 0) return null;
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">{title}</Words>
      {items.map(({ part, want, have }) => (
        <Words key={part}>{textIn(`${PART_WORDS[part]}: ${have ?? want}`)}</Words>
      ))}
    </View>
  );
}
