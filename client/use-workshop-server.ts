import type { QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { startListening } from './change-feed';
import { startSending } from './send-changes';

/** Sends what waits and listens to what others write, for as long as the page is open. */
export function useWorkshopServer(client: QueryClient): void {
  useEffect(() => {
    const stopSending = startSending(client);
    const stopListening = startListening(client);
    return () => {
      stopSending();
      stopListening();
    };
  }, [client]);
}
