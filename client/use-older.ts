import { useCallback } from 'react';

/** What is asked of a list that comes in pages. */
type Pages = { hasNextPage: boolean; fetchNextPage: (how: { cancelRefetch: boolean }) => Promise<unknown> };

/** Asks for the next page of a list where there is one; a page that is coming is not asked for again. */
export function useOlder({ hasNextPage, fetchNextPage }: Pages): () => void {
  return useCallback(() => {
    if (hasNextPage) void fetchNextPage({ cancelRefetch: false });
  }, [hasNextPage, fetchNextPage]);
}
