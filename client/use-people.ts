import { useQuery } from '@tanstack/react-query';
import type { Person } from '@/core/access/people-schema';
import { PERSON } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { request } from './api';

export const PEOPLE = ['people'];

/** Whoever works here, by name; those that were put away as well. */
export const usePeople = () => useQuery({ queryKey: PEOPLE, queryFn: () => request<Person[]>('GET', '/people') });

/** Who works with this device: null for nobody in particular, undefined while it is not known who that is. */
export function useWho(): Person | null | undefined {
  const id = useStoredPart(PERSON, (known) => known);
  const { data } = usePeople();
  return id === null ? null : data?.find((one) => one.id === id);
}
