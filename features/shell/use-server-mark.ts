import { useEffect, useState } from 'react';
import { useOutbox } from '@/client/outbox/outbox';
import { useServerState } from '@/client/server-state';
import { platform } from '@/platform/ports';

/** What is sent within this time need not be said to wait, ms. */
const SAID_AFTER = 1500;

/** The shortest word on how the device stands with the server; null while all is sent and well. */
export function useServerMark(): string | null {
  const waiting = useOutbox();
  const { away, asksWho } = useServerState();
  const refused = waiting.filter((one) => one.refused !== null).length;
  const count = waiting.length - refused;
  const isWaiting = count > 0;
  const [lasting, setLasting] = useState(false);
  // Begins anew only once all was sent.
  useEffect(() => {
    if (!isWaiting) return;
    const callOff = platform().after(SAID_AFTER, () => setLasting(true));
    return () => {
      callOff();
      setLasting(false);
    };
  }, [isWaiting]);
  if (refused > 0) return `${refused} refused`;
  if (isWaiting && (lasting || away || asksWho)) return `${count} waiting`;
  if (asksWho) return 'not in';
  return away ? 'no server' : null;
}
