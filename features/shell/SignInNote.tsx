import { useQueryClient } from '@tanstack/react-query';
import { Link, usePathname, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useServerState } from '../../client/server-state';

/** Places that are open to whoever did not come in. */
const OUTSIDE = ['/join', '/trust'];

/**
 * Says that the server asks who is there. A device that has seen nothing yet is led to the door; one that is in the middle of work
 * is not: what is tapped stays, and waits.
 */
export function SignInNote() {
  const { asksWho } = useServerState();
  const path = usePathname();
  const router = useRouter();
  const client = useQueryClient();
  const isOutside = OUTSIDE.includes(path);
  useEffect(() => {
    if (!asksWho || isOutside) return;
    const isSeen = ({ queryKey: [kind], state }: { queryKey: readonly unknown[]; state: { data: unknown } }): boolean =>
      kind !== 'session' && state.data !== undefined;
    if (!client.getQueryCache().getAll().some(isSeen)) router.replace('/join');
  }, [asksWho, isOutside, client, router]);
  if (!asksWho || isOutside) return null;
  return (
    <Row role="status" className="no-print items-center gap-3 border-b-2 border-ink bg-plate px-4 py-2">
      <Words className="min-w-0 flex-1">
        This device is not in any more. What you do stays on it, and goes once it is in again.
      </Words>
      <Link href="/join" asChild>
        <Button tone="act" label="Come in" />
      </Link>
    </Row>
  );
}
