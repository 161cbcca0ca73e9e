import { useQuery } from '@tanstack/react-query';
import type { Session } from '@/core/access/access-schema';
import { request } from './api';

export const SESSION = ['session'];

/** Returns how this device stands with the server; undefined until it is known. Never remembered: only the server knows. */
export const useSession = (): Session | undefined =>
  useQuery({
    queryKey: SESSION,
    queryFn: () => request<Session>('GET', '/session'),
    staleTime: 0,
    persister: undefined,
  }).data;
