import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { changeWords, type Named } from '@/core/record/words/change-words';
import { draftFromBead } from '@/core/record/draft/bead-from-draft';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { couponBegun, couponWith } from '@/core/record/pending/pending-record';
import { BENCH_COUPON, draftOn } from '@/client/stored/device-state';
import { dequeue, markRejected, undoPending, useOutbox, type OutboxItem } from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { store, stored } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { RIGS, seenCoupons } from '../../../client/records-client';
import { makeChange } from '../../../client/send-changes';
import { useSubmit } from '../../../client/use-records';
import { clockWords } from '../../shared/time-words';
import { usePendingWords } from './PendingLine';

/** Everything that waits for the server, in its order: to be read, undone, sent again or thrown away. */
export function PendingPlace() {
  useTitle('Waiting');
  const router = useRouter();
  const waiting = useOutbox();
  const words = usePendingWords();
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Waiting for the server</Heading>
      <Words role="status">
        {words ?? 'Nothing waits. Everything from this device is kept by the workshop server.'}
      </Words>
      {waiting.some(({ refused }) => refused === null) && (
        <Words className="text-faint">
          It is kept on this device and goes by itself, in this order, once the server answers. This page may be closed.
        </Words>
      )}
      {waiting.map((one) => (
        <PendingCard key={one.seq} waiting={one} />
      ))}
      <Button label="To the log" onPress={() => router.push('/log')} />
    </ScrollView>
  );
}

/** Returns what a change is of, from what this device has seen and from what waits. */
function useNamed(change: OutboxItem['change']): Named {
  const client = useQueryClient();
  const waiting = useOutbox();
  const changes = waiting.map((one) => one.change);
  const rigs = client.getQueryData<RigRecord[]>(RIGS) ?? [];
  const seen = seenCoupons(client).map(([, coupon]) => coupon);
  const begun = changes.flatMap(({ kind, of }) =>
    kind === 'begin-coupon' ? (couponBegun(of, changes, rigs) ?? []) : [],
  );
  const coupons = [...seen, ...begun].map((coupon) =>
    couponWith(
      coupon,
      changes.filter(({ kind }) => kind !== 'change-bead'),
      rigs,
    ),
  );
  const coupon = coupons.find(({ id, beads }) => id === change.of || beads.some((bead) => bead.id === change.of));
  const bead = coupon?.beads.find(({ id }) => id === change.of)?.number ?? null;
  return { bead, name: coupon?.title ?? rigs.find(({ id }) => id === change.of)?.name ?? null };
}

function PendingCard({ waiting }: { waiting: OutboxItem }) {
  const { seq, change, refused, tried } = waiting;
  const named = useNamed(change);
  const isBead = change.kind.endsWith('bead');
  return (
    <View
      role="article"
      className={`gap-2 rounded-md border-2 bg-plate p-3 ${refused === null ? 'border-transparent' : 'border-ink'}`}
    >
      <Row className="items-baseline justify-between gap-2">
        <Words strong className="min-w-0 flex-1 text-lg">
          {changeWords(change, named)}
        </Words>
        <Words className="text-sm">{clockWords(change.madeAt)}</Words>
      </Row>
      {isBead && named.name !== null && <Words className="text-faint">{`on ${named.name}`}</Words>}
      {refused === null ? (
        <Words className="text-sm text-faint">{tried ? 'Sent, not answered yet' : 'Not sent yet'}</Words>
      ) : (
        <Words role="alert">{`The server refused it: ${refused.detail}`}</Words>
      )}
      <Row className="flex-wrap gap-2">
        {refused === null ? (
          !tried && <Button label="Undo" onPress={() => void undoPending(change.id)} />
        ) : (
          <RefusedWays waiting={waiting} />
        )}
        {refused !== null && <ThrowAway seq={seq} />}
      </Row>
    </View>
  );
}

/** Shows what can be made of a change that was refused. */
function RefusedWays({ waiting: { seq, change, refused } }: { waiting: OutboxItem }) {
  const router = useRouter();
  const { put } = useSubmit();
  if (refused?.code === 'touched-since')
    return (
      <Button
        label="Take it back all the same"
        onPress={() =>
          void put([{ ...makeChange('change-bead', change.of, { takenBack: true }, change.against), sure: true }]).then(
            (isKept) => (isKept ? dequeue(seq, null) : undefined),
          )
        }
      />
    );
  return (
    <>
      <Button label="Send it again" onPress={() => void markRejected(seq, null)} />
      {change.kind === 'log-bead' && (
        <Button
          label="Back on the bench"
          onPress={() => {
            const { couponId } = change.fields;
            const past = stored(draftOn(couponId))?.past ?? [];
            store(draftOn(couponId), { now: draftFromBead(change.fields, platform().newId()), past });
            store(BENCH_COUPON, couponId);
            void dequeue(seq, null).then(() => router.push('/'));
          }}
        />
      )}
    </>
  );
}

/** Thrown away only when it is said twice: it is the one copy there is. */
function ThrowAway({ seq }: { seq: number }) {
  const [asked, setAsked] = useState(false);
  return asked ? (
    <>
      <Button tone="act" label="Throw it away for good" onPress={() => void dequeue(seq, null)} />
      <Button label="Keep it" onPress={() => setAsked(false)} />
    </>
  ) : (
    <Button label="Throw it away" onPress={() => setAsked(true)} />
  );
}
