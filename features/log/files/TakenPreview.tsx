import { View } from 'react-native';
import type { RecordKind } from '@/core/record/kinds/all';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import type { Taken } from './record-api';

const KINDS: { [kind in RecordKind]: string } = {
  rigs: 'Rigs',
  setups: 'Fittings',
  coupons: 'Coupons',
  jobs: 'Jobs',
  beads: 'Beads',
  proven: 'Kept settings',
  welds: 'Welds',
  care: 'Care',
  levels: 'Limits',
  pictures: 'Photographs',
};

/** Returns whether taking it in would leave all as it is. */
const isNothing = ({ counts }: Taken): boolean =>
  Object.values(counts).every(({ added, changed }) => added + changed === 0);

/** Shows what a file would add or change, and the way on; or why nothing of it goes in. */
export function TakenPreview({ name, taken, onTake }: { name: string; taken: Taken; onTake: () => void }) {
  const { refused, reasons } = taken;
  return (
    <View role="region" aria-label={`What ${name} comes to`} className="gap-3 rounded-md bg-plate p-3">
      <Words strong>{name}</Words>
      <Counts taken={taken} />
      {refused > 0 && (
        <View role="alert" className="gap-1">
          <Words strong>
            {refused === 1
              ? 'One thing of it cannot be taken in, so nothing is.'
              : `${refused} things of it cannot be taken in, so nothing is.`}
          </Words>
          {reasons.map((why) => (
            <Words key={why}>{why}</Words>
          ))}
          {refused > reasons.length && <Words className="text-faint">{`and ${refused - reasons.length} more.`}</Words>}
        </View>
      )}
      {refused === 0 &&
        (isNothing(taken) ? (
          <Words>All of it is here already, as it stands in the file.</Words>
        ) : (
          <Button tone="act" label="Take it in" onPress={onTake} />
        ))}
    </View>
  );
}

/** Shows what a file holds, by kind: how much of it is new, how much otherwise. */
export function Counts({ taken: { counts } }: { taken: Taken }) {
  const kinds = (Object.keys(KINDS) as RecordKind[]).filter((kind) => counts[kind] !== undefined);
  if (kinds.length === 0) return null;
  return (
    <View role="table" aria-label="What the file holds" className="gap-1">
      <Row role="row" className="gap-2">
        {['', 'new', 'otherwise', 'same'].map((head) => (
          <Words
            key={head}
            role="columnheader"
            className={`text-sm text-faint ${head === '' ? 'flex-1' : 'w-20 flex-none text-right'}`}
          >
            {head}
          </Words>
        ))}
      </Row>
      {kinds.map((kind) => {
        const { added, changed, same } = counts[kind]!;
        return (
          <Row key={kind} role="row" className="gap-2">
            <Words role="cell" className="min-w-0 flex-1">
              {KINDS[kind]}
            </Words>
            {[added, changed, same].map((count, i) => (
              <Words key={i} role="cell" strong={count > 0 && i < 2} className="w-20 text-right">
                {String(count)}
              </Words>
            ))}
          </Row>
        );
      })}
    </View>
  );
}
