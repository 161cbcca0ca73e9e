import type { QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { startListening } from './listening';
import { startSending } from './sending';

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
