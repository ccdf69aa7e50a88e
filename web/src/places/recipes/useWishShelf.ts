import { useQueries } from '@tanstack/react-query';
import type { ShelfEntry } from '../../api/gen/types.gen';
import type { Category } from '../../api/types';
import { categoryQuery } from '../../api/queries';

const PARTS: Category[] = ['press', 'tool', 'stock', 'ink'];

interface Found {
  data: ShelfEntry[] | undefined;
  error: Error | null;
}

/** What a wish chooses among: presses, tools, stocks and inks. Plates and mats are the search's own business. */
export function useWishShelf(): Found {
  return useQueries({
    queries: PARTS.map((category) => categoryQuery(category)),
    combine: (parts) => ({
      data: parts.every((part) => part.data) ? parts.flatMap((part) => part.data ?? []) : undefined,
      error: parts.find((part) => part.error)?.error ?? null,
    }),
  });
}
