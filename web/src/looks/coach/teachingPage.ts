import { teachingSheet } from '../../api/gen/sdk.gen';
import type { Teaching } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { download, fileName } from '../../shared/download';
import { say } from '../../shared/notices';
import { useUnit } from '../../shared/units';

/** Saves a page to teach with: of a pile, of what goes wrong with it, or of two piles beside one another. */
export function saveTeachingPage(body: Teaching, name: string): void {
  teachingSheet({ body, query: { unit: useUnit.getState().unit } })
    .then((page) => download(page, fileName(name, 'pdf')))
    .catch((error: unknown) => say(told(error)));
}
