import createClient from 'openapi-fetch';
import { once } from './once';
import { ServiceError } from './refusal';
import type { components, paths } from './schema.gen';

export { ServiceError };

type Schemas = components['schemas'];
export type Sandwich = Schemas['Sandwich'];
export type Layer = Schemas['Layer'];
export type Item = Schemas['Item'];
export type Press = Schemas['Press'];
export type Ink = Schemas['Ink'];
export type Assessment = Schemas['AssessmentDocument'];
export type Verdict = Schemas['VerdictDocument'];
export type Finding = Schemas['FindingDocument'];
export type Suggestion = Schemas['SuggestionDocument'];
export type Edit = Suggestion['edits'][number];
export type Mended = Schemas['Mended'];
/** What a suggestion leads to. */
export type LeadsTo = Mended['outcome'];
export type SandwichRecord = Schemas['SandwichRecord'];
export type SandwichSummary = Schemas['SandwichSummary'];
export type ShelfEntry = Schemas['ShelfEntry'];
export type ShelfWrite = Schemas['ShelfWrite'];
export type Zone = Verdict['zone'];
export type Impression = Schemas['ImpressionAnswer'];
export type FieldName = paths['/api/impressions/{key}/fields']['get']['parameters']['query']['names'][number];
export type ImpressionFigures = Schemas['ImpressionFigures'];
export type ReliefReading = Schemas['ReliefReading'];
export type ReliefWish = NonNullable<paths['/api/reliefs']['post']['parameters']['query']>;
export type Effect = Schemas['EffectDocument'];
export type Wish = Schemas['Wish'];
export type Recipes = Schemas['RecipesDocument'];
export type FoundRecipe = Schemas['FoundDocument'];
export type Transfer = Schemas['TransferDocument'];
export type OrderLoss = Schemas['OrderLossDocument'];
export type RunCard = Schemas['CardDocument'];
export type RunStep = Schemas['StepDocument'];
export type Trouble = Schemas['ResponseDocument'];
export type Advice = Schemas['AdviceDocument'];
export type Seen = Schemas['TroubleRequest']['seen'];
export type RunRecord = Schemas['RunRecord'];
export type RunSummary = Schemas['RunSummary'];
export type RunBody = Schemas['RunBody'];
export type RunWrite = Schemas['RunWrite'];
export type Lying = Schemas['LyingDocument'];
export type WorkPart = Schemas['WorkPartDocument'];
export type Feed = Schemas['FeedDocument'];
export type Crank = Schemas['CrankDocument'];
export type BedShape = Schemas['ShapeDocument'];
export type Passes = Schemas['PassesDocument'];
export type FeedWish = Required<NonNullable<paths['/api/feed']['post']['parameters']['query']>>;
export type First = NonNullable<FeedWish['first']>;
export type Words = NonNullable<FeedWish['words']>;
export type FlapRequest = Schemas['FlapRequest'];
export type FlapPlace = Schemas['FlapDocument'];
export type NextRun = Schemas['NextRunDocument'];
export type PlateSummary = Schemas['PlateSummary'];
export type PlateFace = Schemas['FaceSummary']['face'];
export type PlateWear = Schemas['WearDocument'];
export type ShelfPage = Schemas['ShelfPage'];
export type SandwichPage = Schemas['SandwichPage'];
export type RunPage = Schemas['RunPage'];
export type Category = ShelfEntry['category'];
export type ArchiveAnswer = Schemas['ArchiveAnswer'];
export type ShelfTaken = Schemas['ShelfTaken'];
export type Outcome = NonNullable<RunBody['result']>;

/** Which part of the shelf is asked for. */
export type ShelfWindow = NonNullable<paths['/api/shelf']['get']['parameters']['query']>;

const client = createClient<paths>({ baseUrl: '' });

/** This page among all that are open; pages take turns at the workers. */
const TAB = crypto.randomUUID();
client.use({
  onRequest: ({ request }) => {
    request.headers.set('lofty-tab', TAB);
    return request;
  },
});

/** What tells a file from another one without reading it. */
const markOf = (file: Blob): unknown[] =>
  file instanceof File ? [file.name, file.size, file.lastModified] : [crypto.randomUUID()];

/** The header that makes a repeated request make nothing twice. */
const keyed = (key: string) => ({ header: { 'idempotency-key': key } });

interface Answer {
  data?: unknown;
  error?: unknown;
  response: Response;
}

/** Unwraps an answer: its data, or a thrown `ServiceError`. `T` restores the tuples that the generic client flattens. */
export async function unwrap<T>(answer: Promise<Answer>): Promise<T> {
  let settled: Answer;
  try {
    settled = await answer;
  } catch (reason) {
    if (reason instanceof DOMException && reason.name === 'AbortError') throw reason;
    throw new ServiceError(0, 'unreachable', 'Lofty Press is not answering. Is it still running?');
  }
  if (settled.response.ok) return settled.data as T;
  const body = settled.error as { error?: Partial<Schemas['ErrorDetail']> } | undefined;
  const detail = body?.error;
  throw new ServiceError(
    settled.response.status,
    detail?.code ?? 'unknown',
    detail?.message ?? 'The service refused without saying why.',
    detail?.field,
    detail?.current,
  );
}

export const api = {
  listShelf: (query: ShelfWindow, signal?: AbortSignal) =>
    unwrap<ShelfPage>(client.GET('/api/shelf', { params: { query }, signal })),
  addToShelf: (body: ShelfWrite) =>
    once('shelf', body, (key) => unwrap<ShelfEntry>(client.POST('/api/shelf', { params: keyed(key), body }))),
  copyShelfEntry: (id: string) =>
    once('shelf copy', id, (key) =>
      unwrap<ShelfEntry>(
        client.POST('/api/shelf/{entry_id}/copy', { params: { path: { entry_id: id }, ...keyed(key) } }),
      ),
    ),
  importShelf: (file: Blob, take: boolean) =>
    once('shelf file', [...markOf(file), take], (key) =>
      unwrap<ShelfTaken>(
        client.POST('/api/shelf/file', {
          params: { query: { take }, ...keyed(key) },
          body: file as unknown as string,
          bodySerializer: (body: unknown) => body as Blob,
          headers: { 'content-type': 'application/octet-stream' },
        }),
      ),
    ),
  changeShelfEntry: (id: string, version: number, body: ShelfWrite) =>
    unwrap<ShelfEntry>(
      client.PUT('/api/shelf/{entry_id}', { params: { path: { entry_id: id } }, body: { ...body, version } }),
    ),
  deleteShelfEntry: (id: string, version: number) =>
    unwrap<undefined>(
      client.DELETE('/api/shelf/{entry_id}', { params: { path: { entry_id: id }, query: { version } } }),
    ),
  listSandwiches: (q: string, after: string | undefined, signal?: AbortSignal) =>
    unwrap<SandwichPage>(client.GET('/api/sandwiches', { params: { query: { q, after } }, signal })),
  getSandwich: (id: string) =>
    unwrap<SandwichRecord>(
      client.GET('/api/sandwiches/{sandwich_id}', { params: { path: { sandwich_id: id } } }),
    ),
  makeSandwich: (sandwich: Sandwich) =>
    once('sandwich', sandwich, (key) =>
      unwrap<SandwichRecord>(client.POST('/api/sandwiches', { params: keyed(key), body: { sandwich } })),
    ),
  copySandwich: (id: string) =>
    once('sandwich copy', id, (key) =>
      unwrap<SandwichRecord>(
        client.POST('/api/sandwiches/{sandwich_id}/copy', {
          params: { path: { sandwich_id: id }, ...keyed(key) },
        }),
      ),
    ),
  changeSandwich: (id: string, version: number, sandwich: Sandwich) =>
    unwrap<SandwichRecord>(
      client.PUT('/api/sandwiches/{sandwich_id}', {
        params: { path: { sandwich_id: id } },
        body: { sandwich, version },
      }),
    ),
  deleteSandwich: (id: string, version: number) =>
    unwrap<undefined>(
      client.DELETE('/api/sandwiches/{sandwich_id}', {
        params: { path: { sandwich_id: id }, query: { version } },
      }),
    ),
  assess: (sandwich: Sandwich, signal?: AbortSignal, map = false) =>
    unwrap<Assessment>(client.POST('/api/assess', { body: sandwich, signal, params: { query: { map } } })),
  previewFixes: (sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<Mended[]>(client.POST('/api/assess/fixes', { body: sandwich, signal })),
  pressSheet: (sandwich: Sandwich, tab: string, signal?: AbortSignal) =>
    unwrap<Impression>(
      client.POST('/api/impressions', { body: sandwich, signal, params: { query: { tab } } }),
    ),
  stopPressing: (key: string) =>
    unwrap<undefined>(client.DELETE('/api/impressions/{key}/run', { params: { path: { key } } })),
  impressionFields: (key: string, names: FieldName[], signal?: AbortSignal) =>
    unwrap<ArrayBuffer>(
      client.GET('/api/impressions/{key}/fields', {
        params: { path: { key }, query: { names } },
        parseAs: 'arrayBuffer',
        signal,
      }),
    ),
  readRelief: (file: Blob, wish: ReliefWish, signal?: AbortSignal) =>
    unwrap<ReliefReading>(
      client.POST('/api/reliefs', {
        params: { query: wish },
        body: file as unknown as string,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'content-type': 'application/octet-stream' },
        signal,
      }),
    ),
  sandwichFile: (id: string) =>
    unwrap<string>(
      client.GET('/api/sandwiches/{sandwich_id}/file', {
        params: { path: { sandwich_id: id } },
        parseAs: 'text',
      }),
    ),
  importSandwich: (file: Blob) =>
    once('sandwich file', markOf(file), (key) =>
      unwrap<SandwichRecord>(
        client.POST('/api/sandwiches/file', {
          params: keyed(key),
          body: file as unknown as Record<string, never>,
          bodySerializer: (body: unknown) => body as Blob,
        }),
      ),
    ),
  /** What cannot be read, as it was stored. */
  storedEntry: (id: string) =>
    unwrap<string>(
      client.GET('/api/shelf/{entry_id}/raw', { params: { path: { entry_id: id } }, parseAs: 'text' }),
    ),
  storedSandwich: (id: string) =>
    unwrap<string>(
      client.GET('/api/sandwiches/{sandwich_id}/raw', {
        params: { path: { sandwich_id: id } },
        parseAs: 'text',
      }),
    ),
  storedRunVersion: async (id: string) => {
    const text = await unwrap<string>(
      client.GET('/api/runs/{run_id}/raw', { params: { path: { run_id: id } }, parseAs: 'text' }),
    );
    return (JSON.parse(text) as { version: number }).version;
  },
  listEffects: () => unwrap<Effect[]>(client.GET('/api/recipes/effects')),
  searchRecipes: (pressId: string, wish: Wish, signal?: AbortSignal) =>
    unwrap<Recipes>(client.POST('/api/recipes/search', { body: { press_id: pressId, wish }, signal })),
  transfer: (pressId: string, sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<Transfer>(client.POST('/api/recipes/transfer', { body: { press_id: pressId, sandwich }, signal })),
  orderLoss: (sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<OrderLoss>(client.POST('/api/recipes/order-loss', { body: sandwich, signal })),
  cuttingFile: (item: Item) =>
    unwrap<string>(client.POST('/api/recipes/cutting-file', { body: item, parseAs: 'text' })),
  runCard: (sandwich: Sandwich, unit: 'mm' | 'in', signal?: AbortSignal) =>
    unwrap<RunCard>(client.POST('/api/cards', { body: sandwich, params: { query: { unit } }, signal })),
  runCardText: (sandwich: Sandwich, unit: 'mm' | 'in') =>
    unwrap<string>(
      client.POST('/api/cards/text', { body: sandwich, params: { query: { unit } }, parseAs: 'text' }),
    ),
  runCardPdf: (sandwich: Sandwich, unit: 'mm' | 'in') =>
    unwrap<Blob>(
      client.POST('/api/cards/pdf', { body: sandwich, params: { query: { unit } }, parseAs: 'blob' }),
    ),
  trouble: (sandwich: Sandwich, seen: Seen) =>
    unwrap<Trouble>(client.POST('/api/cards/trouble', { body: { sandwich, seen } })),
  lying: (sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<Lying>(client.POST('/api/feed/lying', { body: sandwich, signal })),
  feed: (sandwich: Sandwich, query: FeedWish, signal?: AbortSignal) =>
    unwrap<Feed>(client.POST('/api/feed', { body: sandwich, params: { query }, signal })),
  feedTemplate: (sandwich: Sandwich, kind: 'svg' | 'pdf', unit: 'mm' | 'in') =>
    unwrap<Blob>(
      client.POST('/api/feed/template/{kind}', {
        body: sandwich,
        params: { path: { kind }, query: { unit } },
        parseAs: 'blob',
      }),
    ),
  together: (sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<Item[]>(client.POST('/api/feed/together', { body: sandwich, signal })),
  flap: (body: FlapRequest, signal?: AbortSignal) =>
    unwrap<FlapPlace>(client.POST('/api/feed/flap', { body, signal })),
  flapTemplate: (body: FlapRequest, kind: 'svg' | 'pdf', unit: 'mm' | 'in') =>
    unwrap<Blob>(
      client.POST('/api/feed/flap/template/{kind}', {
        body,
        params: { path: { kind }, query: { unit } },
        parseAs: 'blob',
      }),
    ),
  listPlates: () => unwrap<PlateSummary[]>(client.GET('/api/plates')),
  plateWear: (id: string, face: PlateFace, signal?: AbortSignal) =>
    unwrap<PlateWear>(
      client.GET('/api/plates/{item_id}/faces/{face}', { params: { path: { item_id: id, face } }, signal }),
    ),
  measureBow: (id: string, measured_mm: number | null) =>
    unwrap<PlateSummary>(
      client.PUT('/api/plates/{item_id}/bow', { params: { path: { item_id: id } }, body: { measured_mm } }),
    ),
  retirePlate: (id: string) =>
    unwrap<undefined>(client.POST('/api/plates/{item_id}/retire', { params: { path: { item_id: id } } })),
  nextRun: (sandwich: Sandwich, signal?: AbortSignal) =>
    unwrap<NextRun | null>(client.POST('/api/plates/next-run', { body: sandwich, signal })),
  listRuns: (state: 'open' | 'ended', after: string | undefined, signal?: AbortSignal) =>
    unwrap<RunPage>(client.GET('/api/runs', { params: { query: { state, after } }, signal })),
  getRun: (id: string) =>
    unwrap<RunRecord>(client.GET('/api/runs/{run_id}', { params: { path: { run_id: id } } })),
  startRun: (body: RunWrite) =>
    once('run', body, (key) => unwrap<RunRecord>(client.POST('/api/runs', { params: keyed(key), body }))),
  lookAtArchive: (file: Blob) =>
    unwrap<ArchiveAnswer>(
      client.POST('/api/archive/look', {
        body: file as unknown as string,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'content-type': 'application/zip' },
      }),
    ),
  restore: (file: Blob, clashes: 'keep' | 'take') =>
    unwrap<ArchiveAnswer>(
      client.POST('/api/archive', {
        params: { query: { clashes } },
        body: file as unknown as string,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'content-type': 'application/zip' },
      }),
    ),
  settings: () => unwrap<Record<string, string>>(client.GET('/api/settings')),
  keepSetting: (name: 'unit' | 'last-sandwich', value: string) =>
    unwrap<undefined>(client.PUT('/api/settings/{name}', { params: { path: { name } }, body: value })),
  changeRun: (id: string, version: number, body: RunWrite) =>
    unwrap<RunRecord>(
      client.PUT('/api/runs/{run_id}', { params: { path: { run_id: id } }, body: { ...body, version } }),
    ),
  deleteRun: (id: string, version: number) =>
    unwrap<undefined>(
      client.DELETE('/api/runs/{run_id}', { params: { path: { run_id: id }, query: { version } } }),
    ),
  keepRunPhoto: (id: string, photo: Blob) =>
    unwrap<undefined>(
      client.PUT('/api/runs/{run_id}/photo', {
        params: { path: { run_id: id } },
        body: photo as unknown as string,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'content-type': 'application/octet-stream' },
      }),
    ),
};

/** Where the picture of an effect is. */
export const effectPicture = (key: string) => `/api/recipes/effects/${encodeURIComponent(key)}/picture`;

/** Where the photo of a run is; `version` makes the browser ask again after a change. */
export const runPhoto = (id: string, version: number) =>
  `/api/runs/${encodeURIComponent(id)}/photo?v=${version}`;

/** Where the picture of a pressed sheet's front is; `stage` makes the browser ask again when a finer one is there. */
export const impressionPicture = (key: string, stage: string) =>
  `/api/impressions/${encodeURIComponent(key)}/files/png?face=front&v=${stage}`;

/** Where everything comes as one file, and where parts of it do. */
export const files = {
  archive: '/api/archive',
  shelf: (kind: 'json' | 'csv') => `/api/shelf/file/${kind}`,
  runs: (kind: 'json' | 'csv') => `/api/runs/file/${kind}`,
  storedRun: (id: string) => `/api/runs/${encodeURIComponent(id)}/raw`,
};
