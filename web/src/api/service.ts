import { client } from './gen/client.gen';
import { ServiceError } from './refusal';
import type { ErrorAnswer } from './gen/types.gen';
import { t } from '../words/words';

/** This page among all that are open; pages take turns at the workers. */
const TAB = crypto.randomUUID();

client.setConfig({ baseUrl: '', throwOnError: true });
client.interceptors.request.use((request) => {
  request.headers.set('lofty-tab', TAB);
  return request;
});
client.interceptors.error.use((error, response) => asRefusal(error, response));

/** What went wrong as a `ServiceError`; a request that was called off stays what it is. */
function asRefusal(error: unknown, response: Response | undefined): unknown {
  if (error instanceof DOMException && error.name === 'AbortError') return error;
  if (!response)
    return new ServiceError(0, 'unreachable', {
      say: t("Lofty Press isn't answering. Is it still running?"),
    });
  const detail =
    typeof error === 'object' && error !== null ? (error as Partial<ErrorAnswer>).error : undefined;
  return new ServiceError(
    response.status,
    detail?.code ?? 'unknown',
    detail?.message ?? { say: t('Lofty Press refused this without saying why.') },
    detail?.field,
    detail?.got,
    detail?.current,
  );
}

const address = (
  url: string,
  path: Record<string, string> = {},
  query: Record<string, unknown> = {},
): string => client.buildUrl({ url, path, query });

/** Addresses of pictures and files, for the browser to fetch by itself. */
export const addresses = {
  archive: address('/api/archive'),
  shelf: (kind: 'json' | 'csv') => address('/api/shelf/file/{kind}', { kind }),
  runs: (kind: 'json' | 'csv') => address('/api/runs/file/{kind}', { kind }),
  storedRun: (run_id: string) => address('/api/runs/{run_id}/raw', { run_id }),
  photoSheet: (paper: 'A4' | 'letter') => address('/api/photos/sheet', {}, { paper }),
  relief: (relief_id: string) => address('/api/reliefs/{relief_id}/picture', { relief_id }),
  picture: (picture_id: string) => address('/api/pictures/{picture_id}', { picture_id }),
  effect: (key: string) => address('/api/recipes/effects/{key}/picture', { key }),
  /** The photo of a run; `version` makes the browser ask again after a change. */
  photo: (run_id: string, version: number) => address('/api/runs/{run_id}/photo', { run_id }, { v: version }),
  /** A pressed sheet's front; `stage` makes the browser ask again when a finer one is there. */
  front: (key: string, stage: string, colour?: string) =>
    address('/api/impressions/{key}/files/{kind}', { key, kind: 'png' }, { face: 'front', v: stage, colour }),
};
