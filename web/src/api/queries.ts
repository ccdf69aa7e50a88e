import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, ServiceError, type Sandwich } from './client';

/** Tries again while the service is away, and never when it refused. */
export function retryWhenAway(_count: number, error: Error): boolean {
  return error instanceof ServiceError && error.away;
}

export const shelfQuery = queryOptions({ queryKey: ['shelf'], queryFn: api.listShelf });

export const sandwichesQuery = queryOptions({ queryKey: ['sandwiches'], queryFn: api.listSandwiches });

export const sandwichQuery = (id: string) =>
  queryOptions({
    queryKey: ['sandwich', id],
    queryFn: () => api.getSandwich(id),
    staleTime: Infinity,
    gcTime: 0,
  });

/** The judgement of exactly this sandwich; the one before stays visible until it is there. */
export const assessmentQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['assessment', sandwich],
    queryFn: ({ signal }) => api.assess(sandwich, signal),
    staleTime: Infinity,
    gcTime: 20_000,
    placeholderData: keepPreviousData,
  });

/** The same with the pressure at every point. */
export const pressureQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['pressure', sandwich],
    queryFn: ({ signal }) => api.assess(sandwich, signal, true),
    staleTime: Infinity,
    gcTime: 5_000,
    placeholderData: keepPreviousData,
  });

export const fixesQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['fixes', sandwich],
    queryFn: ({ signal }) => api.previewFixes(sandwich, signal),
    staleTime: Infinity,
    gcTime: 20_000,
    placeholderData: keepPreviousData,
  });
