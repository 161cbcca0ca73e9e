import { useState } from 'react';
import { View } from 'react-native';
import { changeWords, fieldWords } from '@/core/record/words/change-words';
import type { HistoryEntry } from '@/core/record/change/change-schema';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { deviceId } from '@/client/stored/device-state';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { useHistory } from '../../../client/use-records';
import { clockWords, dayWords } from '../../shared/time-words';

/** Every change of a coupon and its beads, asked for when it is wanted. */
export function CouponHistory({ coupon }: { coupon: Coupon }) {
  const [open, setOpen] = useState(false);
  const history = useHistory(coupon.id, open);
  if (!open)
    return (
      <Row>
        <Button label="What was changed" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <View role="region" aria-label="What was changed" className="gap-2 rounded-md bg-plate p-3">
      <Heading level={2}>What was changed</Heading>
      {history.data === undefined && <Words role="status">{history.error?.message ?? 'Fetching it…'}</Words>}
      {history.data?.length === 0 && <Words>Nothing that was written down.</Words>}
      {history.data?.map((entry) => (
        <Entry key={entry.id} entry={entry} coupon={coupon} />
      ))}
    </View>
  );
}

const whose = ({ by, device }: HistoryEntry): string =>
  by !== null ? by : device === null ? 'a program' : device === deviceId() ? 'this device' : 'another device';

function Entry({ entry, coupon }: { entry: HistoryEntry; coupon: Coupon }) {
  const bead = coupon.beads.find(({ id }) => id === entry.of)?.number ?? null;
  const was = Object.entries(entry.before)
    .filter(([field]) => field === 'outcome' || field === 'note' || field === 'title')
    .map(([field, value]) => fieldWords(field, value));
  return (
    <View className="gap-0.5 border-t border-edge pt-2">
      <Words strong>{changeWords(entry, { bead, name: coupon.title })}</Words>
      <Words className="text-sm text-faint">
        {`${dayWords(entry.madeAt)}, ${clockWords(entry.madeAt)}, ${whose(entry)}${was.length === 0 ? '' : `; before: ${was.join(', ')}`}${entry.overrode.length === 0 ? '' : '; changed by two at once'}`}
      </Words>
    </View>
  );
}
