import { useQuery } from '@tanstack/react-query';
import { NO_COPIES, type Copies } from '@/core/record/shapes/copies-schema';
import { platform } from '@/platform/ports';
import { Part } from '@/ui/Part';
import { Words } from '@/ui/Words';
import { request } from '../../../client/api';
import { clockWords, dayWords } from '../../shared/time-words';
import { copiedAgo, isNotCopied } from './copies-words';

const EVERY_MS = 5000;
/** In a list it is enough to see it now and then. */
const SELDOM_MS = 60_000;

type Known = { copies: Copies; now: Date };

/** Returns how the copies stand; undefined until it is known, and where the server cannot be reached. */
function useCopies(every: number): Known | undefined {
  // With each answer it is a later hour, though the answer be the same: how long nothing was copied is seen by that alone.
  const { data, dataUpdatedAt } = useQuery({
    queryKey: ['copies'],
    queryFn: () => request<Copies>('GET', '/copies'),
    ...{ staleTime: every / 2, refetchInterval: every, retry: false, persister: undefined },
  });
  const now = new Date(Math.max(dataUpdatedAt, platform().now().getTime()));
  return data === undefined ? undefined : { copies: data, now };
}

/** Where the record is copied to all the time, and how far. */
export function CopiesPart() {
  const known = useCopies(EVERY_MS);
  if (known === undefined) return null;
  return <Part title="Never only one copy">{known.copies.to === null ? <NoCopies /> : <Standing {...known} />}</Part>;
}

function NoCopies() {
  return (
    <>
      <Words strong>The record is on one disk only. When that is lost, all of it is.</Words>
      <Words>
        Whoever keeps the machine can have every change copied within a second, to another disk or a store: stop the
        server, and start it with COPY_TO set to a folder there, or to the address of the store.
      </Words>
    </>
  );
}

function Standing({ copies, now }: Known) {
  const { to, upTo, trouble, since, isSameDisk } = copies;
  return (
    <>
      {isNotCopied(copies, now) ? (
        <Words role="alert" strong className="border-l-4 border-ink pl-3">
          {`Nothing is copied${since === null ? '' : ` since ${dayWords(since)}, ${clockWords(since)}`}: ${trouble ?? 'the copying has not begun'}.`}
        </Words>
      ) : (
        <Words strong>{upTo === null ? 'The first copy is being made.' : copiedAgo(upTo, now)}</Words>
      )}
      <Words selectable>{`To ${to}, with every moment of the last 30 days.`}</Words>
      {isSameDisk && (
        <Words strong>That is on the disk of the record itself: a disk that breaks takes both with it.</Words>
      )}
    </>
  );
}

/** That nothing is copied, where it should be: said wherever the record is looked at. */
export function CopiesLine() {
  const { copies, now } = useCopies(SELDOM_MS) ?? { copies: NO_COPIES, now: platform().now() };
  if (copies.to === null || !isNotCopied(copies, now)) return null;
  return (
    <Words role="alert" strong className="border-l-4 border-ink pl-3">
      {`The record is not copied${copies.since === null ? '' : ` since ${dayWords(copies.since)}, ${clockWords(copies.since)}`}. See Files.`}
    </Words>
  );
}
