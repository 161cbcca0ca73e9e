import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import type { EntryPage, Facets } from '@/core/record/shapes/log-entry-schema';
import { request } from '../../../client/api';
import { DAYS } from '../../../client/records-client';
import { known, type Known } from '../../../client/use-records';

/** Everything by the day, a page at a time. @param asked as the server takes it */
export function useDays(asked: Record<string, string>) {
  return useInfiniteQuery({
    queryKey: [...DAYS, 'list', asked],
    queryFn: ({ pageParam }): Promise<EntryPage> => {
      const query = new URLSearchParams({ ...asked, ...(pageParam === null ? {} : { after: pageParam }) });
      return request('GET', `/log?${query}`);
    },
    initialPageParam: null as string | null,
    // Pages are only added; holding each against what it was would go through all of them at every one.
    structuralSharing: false,
    getNextPageParam: ({ next }) => next,
  });
}

/** Returns what the log can be narrowed to. @param enabled whether anybody looks at it */
export function useFacets(enabled: boolean): Known<Facets> {
  const query = useQuery({
    queryKey: [...DAYS, 'facets'],
    queryFn: (): Promise<Facets> => request('GET', '/log/facets'),
    enabled,
  });
  return known(query, query.data);
}
