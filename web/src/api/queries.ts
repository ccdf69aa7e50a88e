import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  type QueryClient,
} from '@tanstack/react-query';

import {
  assessOptions,
  feedOptions,
  flapOptions,
  getRoomOptions,
  getRunOptions,
  getSandwichOptions,
  knownPilesOptions,
  listEffectsOptions,
  listPlatesOptions,
  listSandwichesOptions,
  lyingOptions,
  nextRunOptions,
  nextTrialOptions,
  orderLossOptions,
  listFixesOptions,
  readListOptions,
  runCardOptions,
  searchRecipesOptions,
  togetherOptions,
  transferSandwichOptions,
} from './gen/@tanstack/react-query.gen';
import { getImpressionFields, listRuns, listShelf, plateWear, pressSheet, runFilters } from './gen/sdk.gen';
import type { FlapRequest, ListRunsData, Sandwich, ShelfEntry, ShelfPage, Wish } from './gen/types.gen';
import { decodeFields } from './packedField';
import { ServiceError } from './refusal';
import type { Category, FeedWish, FieldName, PlateFace, ShelfWindow } from './types';

// How long answers are kept, and what is shown until a new one is there. What is asked, and how, is generated.

/** Tries again while the service is away, and never when it refused. */
export function retryWhenAway(_count: number, error: Error): boolean {
  return error instanceof ServiceError && error.away;
}

/** Everything that is known of the shelf, of sandwiches and of runs; what changes one of them makes all of it old. */
export const SHELF = ['shelf'];
export const SANDWICHES = [{ _id: 'listSandwiches' }];
export const SANDWICH = [{ _id: 'getSandwich' }];
export const RUN = [{ _id: 'getRun' }];
export const RUNS = ['runs'];
export const PLATES = [{ _id: 'listPlates' }];
export const NEXT_RUN = [{ _id: 'nextRun' }];
export const WEAR = ['wear'];
export const ROOM = [{ _id: 'getRoom' }];
const OF_THE_ROOM = ['getRoom', 'knownPiles', 'nextTrial'];

const WINDOW = 200;

/** What is true of exactly this sandwich for ever; the answer for the one before stays visible until it is there. */
const OF_A_SANDWICH = { staleTime: Infinity, gcTime: 20_000, placeholderData: keepPreviousData };

/** What must be there before a question can be asked; without it the question waits. */
const given = <T>(value: T | undefined): T => value as T;

/** All entries of one category, a window after the other. */
export const categoryQuery = (category: Category) =>
  queryOptions({
    queryKey: [...SHELF, 'category', category],
    queryFn: async ({ signal }) => {
      const entries: ShelfEntry[] = [];
      let after: string | undefined;
      do {
        const page: ShelfPage = await listShelf({ query: { category, after, limit: WINDOW }, signal });
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
    queryFn: ({ signal }) => listShelf({ query: { q, limit: WINDOW }, signal }),
    placeholderData: keepPreviousData,
  });

/** The shelf as it is looked through, window by window. */
export const shelfWindowsQuery = (sought: Pick<ShelfWindow, 'category' | 'q' | 'press' | 'tool'>) =>
  infiniteQueryOptions({
    queryKey: [...SHELF, 'windows', sought],
    queryFn: ({ pageParam, signal }) =>
      listShelf({ query: { ...sought, after: pageParam, limit: WINDOW }, signal }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData,
  });

/** Sandwiches for some typed words, last worked on first. */
export const sandwichesQuery = (q = '') => ({
  ...listSandwichesOptions({ query: { q } }),
  placeholderData: keepPreviousData,
});

export const sandwichQuery = (id: string) => ({
  ...getSandwichOptions({ path: { sandwich_id: id } }),
  staleTime: Infinity,
  gcTime: 0,
});

/** What is judged anew once a sheet's full computation is there: all of it stands on the same nip. */
const JUDGED = [
  'coach',
  'explainVerdict',
  'assess',
  'listFixes',
  'lying',
  'feed',
  'runCard',
  'nextRun',
  ...OF_THE_ROOM,
];

export async function judgeAnew(client: QueryClient): Promise<void> {
  await Promise.all(JUDGED.map((_id) => client.invalidateQueries({ queryKey: [{ _id }] })));
}

/** What is believed of the press room. */
export const roomQuery = getRoomOptions();

/** Piles that people usually know, on one press. */
export const pilesQuery = (pressId: string | undefined) => ({
  ...knownPilesOptions({ query: { press_id: given(pressId) } }),
  enabled: pressId !== undefined,
  placeholderData: keepPreviousData,
  staleTime: 60_000,
});

/** What to find out about a sandwich next. */
export const nextQuery = (sandwich: Sandwich) => ({
  ...nextTrialOptions({ body: sandwich }),
  staleTime: 60_000,
});

/** What a written list comes to. */
export const listQuery = (text: string) => ({
  ...readListOptions({ body: { text } }),
  placeholderData: keepPreviousData,
  staleTime: Infinity,
});

/** The judgement of exactly this sandwich. */
export const assessmentQuery = (sandwich: Sandwich | undefined) => ({
  ...assessOptions({ body: given(sandwich) }),
  ...OF_A_SANDWICH,
  enabled: sandwich !== undefined,
});

/** The same with the pressure at every point. */
export const pressureQuery = (sandwich: Sandwich) => ({
  ...assessOptions({ body: sandwich, query: { map: true } }),
  ...OF_A_SANDWICH,
  gcTime: 5_000,
});

export const fixesQuery = (sandwich: Sandwich) => ({
  ...listFixesOptions({ body: sandwich }),
  ...OF_A_SANDWICH,
});

/** Fields that every picture of a pressed sheet needs. */
export const SHAPE: FieldName[] = ['upper', 'lower', 'pressure'];

const POLL = 300; // ms between looks at a run

/** The pressed sheet of exactly this sandwich: coarse at first, looked at again until the full one is there. */
export const impressionQuery = (sandwich: Sandwich | undefined, tab: string) =>
  queryOptions({
    queryKey: ['impression', tab, sandwich],
    queryFn: async ({ signal, client }) => {
      const answer = await pressSheet({ body: given(sandwich), query: { tab }, signal });
      // what every picture needs is asked for right away, before the page has even heard of the answer
      if (answer.stage)
        void client.query(fieldsQuery(answer.key, answer.stage, SHAPE)).catch(() => undefined);
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
    queryFn: async ({ signal }) => {
      const packed = await getImpressionFields({
        path: { key },
        query: { names },
        parseAs: 'arrayBuffer',
        signal,
      });
      return decodeFields(packed as unknown as ArrayBuffer, names);
    },
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
  });

export const effectsQuery = { ...listEffectsOptions(), staleTime: Infinity };

/** What the shelf gives for a wish; the answer before stays visible until the new one is there. */
export const recipesQuery = (pressId: string | undefined, wish: Wish | undefined) => ({
  ...searchRecipesOptions({ body: { press_id: given(pressId), wish: given(wish) } }),
  enabled: pressId !== undefined && wish !== undefined,
  gcTime: 60_000,
  placeholderData: keepPreviousData,
});

export const transferQuery = (pressId: string | undefined, sandwich: Sandwich | undefined) => ({
  ...transferSandwichOptions({ body: { press_id: given(pressId), sandwich: given(sandwich) } }),
  enabled: pressId !== undefined && sandwich !== undefined,
  gcTime: 60_000,
});

export const orderLossQuery = (sandwich: Sandwich, wanted: boolean) => ({
  ...orderLossOptions({ body: sandwich }),
  enabled: wanted,
  staleTime: Infinity,
});

/** The run card of exactly this sandwich. */
export const cardQuery = (sandwich: Sandwich | undefined) => ({
  ...runCardOptions({ body: given(sandwich) }),
  ...OF_A_SANDWICH,
  enabled: sandwich !== undefined,
  gcTime: 60_000,
});

/** How exactly this sandwich lies on the bed; follows a drag. */
export const lyingQuery = (sandwich: Sandwich) => ({
  ...lyingOptions({ body: sandwich }),
  ...OF_A_SANDWICH,
  gcTime: 5_000,
});

/** How it would lie better, and its two passes. */
export const feedQuery = (sandwich: Sandwich, wish: FeedWish) => ({
  ...feedOptions({ body: sandwich, query: wish }),
  ...OF_A_SANDWICH,
  gcTime: 60_000,
});

/** Dies on the shelf that can be used in the same run. */
export const togetherQuery = (sandwich: Sandwich) => ({
  ...togetherOptions({ body: sandwich }),
  gcTime: 20_000,
  placeholderData: keepPreviousData,
});

export const flapQuery = (request: FlapRequest) => ({
  ...flapOptions({ body: request }),
  staleTime: Infinity,
  retry: false,
  placeholderData: keepPreviousData,
});

export const platesQuery = listPlatesOptions();

/** The wear of a plate's face; after another mark on it, it is read anew. */
export const plateWearQuery = (id: string | undefined, face: PlateFace, marks: number) =>
  queryOptions({
    queryKey: [...WEAR, id, face, marks],
    queryFn: ({ signal }) => plateWear({ path: { item_id: given(id), face }, signal }),
    enabled: id !== undefined,
    staleTime: Infinity,
  });

/** What the next run would leave on the plate that its blade meets. */
export const nextRunQuery = (sandwich: Sandwich) => ({
  ...nextRunOptions({ body: sandwich }),
  gcTime: 20_000,
  placeholderData: keepPreviousData,
});

/** The runs of one sandwich, newest first. */
export const runsOfQuery = (sandwich: string) =>
  queryOptions({
    queryKey: [...RUNS, 'of', sandwich],
    queryFn: ({ signal }) => listRuns({ query: { sandwich }, signal }),
  });

/** What runs are looked for by. */
export type Sought = Pick<
  NonNullable<ListRunsData['query']>,
  'q' | 'result' | 'press' | 'tool' | 'stock' | 'tag'
>;

/** Everything that runs can be filtered by. */
export const runFiltersQuery = queryOptions({
  queryKey: [...RUNS, 'filters'],
  queryFn: ({ signal }) => runFilters({ signal }),
});

/** Runs that are open, or that have ended, window by window. */
export const runsQuery = (state: 'open' | 'ended', sought: Sought = {}) =>
  infiniteQueryOptions({
    queryKey: [...RUNS, state, sought],
    queryFn: ({ pageParam, signal }) => listRuns({ query: { state, ...sought, after: pageParam }, signal }),
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  });

export const runQuery = (id: string) => ({
  ...getRunOptions({ path: { run_id: id } }),
  staleTime: Infinity,
  gcTime: 0,
  refetchOnWindowFocus: false,
});
