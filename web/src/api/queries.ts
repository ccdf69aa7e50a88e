import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { decodeFields } from './packedField';
import {
  api,
  ServiceError,
  type FeedWish,
  type FieldName,
  type FlapRequest,
  type PlateFace,
  type Sandwich,
  type Wish,
} from './client';

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

/** Fields that every picture of a pressed sheet needs. */
export const SHAPE: FieldName[] = ['upper', 'lower', 'pressure'];

const POLL = 300; // ms between looks at a run

/** The pressed sheet of exactly this sandwich: coarse at first, looked at again until the full one is there. */
export const impressionQuery = (sandwich: Sandwich | undefined, tab: string) =>
  queryOptions({
    queryKey: ['impression', tab, sandwich],
    queryFn: async ({ signal, client }) => {
      if (!sandwich) throw new Error('There is no sandwich to press.');
      const answer = await api.pressSheet(sandwich, tab, signal);
      // what every picture needs is asked for right away, before the page has even heard of the answer
      if (answer.stage) void client.prefetchQuery(fieldsQuery(answer.key, answer.stage, SHAPE));
      return answer;
    },
    enabled: sandwich !== undefined,
    gcTime: 60_000,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) =>
      state.data?.state === 'waiting' || state.data?.state === 'running' ? POLL : false,
  });

/** Fields of a pressed sheet at one stage, by name. */
export const fieldsQuery = (key: string, stage: string, names: FieldName[]) =>
  queryOptions({
    queryKey: ['fields', key, stage, names],
    queryFn: async ({ signal }) => decodeFields(await api.impressionFields(key, names, signal), names),
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
  });

export const effectsQuery = queryOptions({
  queryKey: ['effects'],
  queryFn: api.listEffects,
  staleTime: Infinity,
});

/** What the shelf gives for a wish; the answer before stays visible until the new one is there. */
export const recipesQuery = (pressId: string | undefined, wish: Wish | undefined) =>
  queryOptions({
    queryKey: ['recipes', pressId, wish],
    queryFn: ({ signal }) => {
      if (!pressId || !wish) throw new Error('There is no wish yet.');
      return api.searchRecipes(pressId, wish, signal);
    },
    enabled: pressId !== undefined && wish !== undefined,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });

export const transferQuery = (pressId: string | undefined, sandwich: Sandwich | undefined) =>
  queryOptions({
    queryKey: ['transfer', pressId, sandwich],
    queryFn: ({ signal }) => {
      if (!pressId || !sandwich) throw new Error('There is nothing to take to another press.');
      return api.transfer(pressId, sandwich, signal);
    },
    enabled: pressId !== undefined && sandwich !== undefined,
    gcTime: 60_000,
  });

export const orderLossQuery = (sandwich: Sandwich, wanted: boolean) =>
  queryOptions({
    queryKey: ['order-loss', sandwich],
    queryFn: ({ signal }) => api.orderLoss(sandwich, signal),
    enabled: wanted,
    staleTime: Infinity,
  });

/** The run card of exactly this sandwich. */
export const cardQuery = (sandwich: Sandwich | undefined, unit: 'mm' | 'in') =>
  queryOptions({
    queryKey: ['card', unit, sandwich],
    queryFn: ({ signal }) => {
      if (!sandwich) throw new Error('There is no sandwich.');
      return api.runCard(sandwich, unit, signal);
    },
    enabled: sandwich !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });

/** How exactly this sandwich lies on the bed; follows a drag. */
export const lyingQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['lying', sandwich],
    queryFn: ({ signal }) => api.lying(sandwich, signal),
    staleTime: Infinity,
    gcTime: 5_000,
    placeholderData: keepPreviousData,
  });

/** How it would lie better, and its two passes. */
export const feedQuery = (sandwich: Sandwich, wish: FeedWish) =>
  queryOptions({
    queryKey: ['feed', wish, sandwich],
    queryFn: ({ signal }) => api.feed(sandwich, wish, signal),
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });

/** Dies on the shelf that can be used in the same run. */
export const togetherQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['together', sandwich],
    queryFn: ({ signal }) => api.together(sandwich, signal),
    gcTime: 20_000,
    placeholderData: keepPreviousData,
  });

export const flapQuery = (request: FlapRequest) =>
  queryOptions({
    queryKey: ['flap', request],
    queryFn: ({ signal }) => api.flap(request, signal),
    staleTime: Infinity,
    retry: false,
    placeholderData: keepPreviousData,
  });

export const platesQuery = queryOptions({ queryKey: ['plates'], queryFn: api.listPlates });

export const plateWearQuery = (id: string | undefined, face: PlateFace, marks: number) =>
  queryOptions({
    queryKey: ['plates', id, face, marks],
    queryFn: ({ signal }) => {
      if (!id) throw new Error('There is no plate.');
      return api.plateWear(id, face, signal);
    },
    enabled: id !== undefined,
    staleTime: Infinity,
  });

/** What the next run would leave on the plate that its blade meets. */
export const nextRunQuery = (sandwich: Sandwich) =>
  queryOptions({
    queryKey: ['plates', 'next', sandwich],
    queryFn: ({ signal }) => api.nextRun(sandwich, signal),
    gcTime: 20_000,
    placeholderData: keepPreviousData,
  });

export const runsQuery = queryOptions({ queryKey: ['runs'], queryFn: api.listRuns });

export const runQuery = (id: string) =>
  queryOptions({
    queryKey: ['run', id],
    queryFn: () => api.getRun(id),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
