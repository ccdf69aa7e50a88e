import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  type QueryClient,
} from '@tanstack/react-query';
import { decodeFields } from './packedField';
import {
  api,
  ServiceError,
  type Category,
  type FeedWish,
  type FieldName,
  type FlapRequest,
  type PlateFace,
  type Sandwich,
  type ShelfEntry,
  type ShelfPage,
  type Wish,
} from './client';

/** Tries again while the service is away, and never when it refused. */
export function retryWhenAway(_count: number, error: Error): boolean {
  return error instanceof ServiceError && error.away;
}

/** Everything that is known of the shelf, of sandwiches and of runs; what changes one of them makes all of it old. */
export const SHELF = ['shelf'];
export const SANDWICHES = ['sandwiches'];
export const RUNS = ['runs'];

const WINDOW = 200;

/** All entries of one category, a window after the other. */
export const categoryQuery = (category: Category) =>
  queryOptions({
    queryKey: [...SHELF, 'category', category],
    queryFn: async ({ signal }) => {
      const entries: ShelfEntry[] = [];
      let after: string | undefined;
      do {
        const page: ShelfPage = await api.listShelf({ category, after, limit: WINDOW }, signal);
        entries.push(...page.entries);
        after = page.next ?? undefined;
      } while (after);
      return entries;
    },
    staleTime: 10_000,
  });

/** What the shelf finds for some typed words. */
export const shelfFindQuery = (q: string) =>
  queryOptions({
    queryKey: [...SHELF, 'find', q],
    queryFn: ({ signal }) => api.listShelf({ q, limit: WINDOW }, signal),
    placeholderData: keepPreviousData,
  });

/** The shelf as it is looked through, window by window. */
export const shelfWindowsQuery = (category: Category | undefined, q: string) =>
  infiniteQueryOptions({
    queryKey: [...SHELF, 'windows', category ?? 'all', q],
    queryFn: ({ pageParam, signal }) =>
      api.listShelf({ category, q, after: pageParam, limit: WINDOW }, signal),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData,
  });

/** Sandwiches for some typed words, last worked on first. */
export const sandwichesQuery = (q = '') =>
  queryOptions({
    queryKey: [...SANDWICHES, q],
    queryFn: ({ signal }) => api.listSandwiches(q, undefined, signal),
    placeholderData: keepPreviousData,
  });

export const sandwichQuery = (id: string) =>
  queryOptions({
    queryKey: ['sandwich', id],
    queryFn: () => api.getSandwich(id),
    staleTime: Infinity,
    gcTime: 0,
  });

/** What is judged anew once a sheet's full computation is there: all of it stands on the same nip. */
const JUDGED = [['assessment'], ['pressure'], ['fixes'], ['lying'], ['feed'], ['card'], ['plates', 'next']];

export async function judgeAnew(client: QueryClient): Promise<void> {
  await Promise.all(JUDGED.map((queryKey) => client.invalidateQueries({ queryKey })));
}

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

/** Runs that are open, or that have ended, window by window. */
export const runsQuery = (state: 'open' | 'ended') =>
  infiniteQueryOptions({
    queryKey: [...RUNS, state],
    queryFn: ({ pageParam, signal }) => api.listRuns(state, pageParam, signal),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  });

export const runQuery = (id: string) =>
  queryOptions({
    queryKey: ['run', id],
    queryFn: () => api.getRun(id),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
