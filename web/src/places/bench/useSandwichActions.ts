import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Sandwich, SandwichRecord } from '../../api/gen/types.gen';
import { copySandwich, deleteSandwich, exportSandwich, importSandwich } from '../../api/gen/sdk.gen';
import { ServiceError } from '../../api/refusal';
import { markOf, once } from '../../api/once';
import { makeOne, written } from '../../api/making';
import { SANDWICHES, categoryQuery, sandwichesQuery } from '../../api/queries';
import { emptySandwich } from '../../sandwich/changes';
import { saveNow, useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';
import { t } from '../../words/words';

const LARGEST_FILE = 24_000_000; // bytes, as the service has it

/** The file with the reliefs inside; while the service is away, the sandwich alone. */
async function fileText(id: string, sandwich: Sandwich): Promise<string> {
  try {
    await saveNow();
    return await written(exportSandwich({ path: { sandwich_id: id }, parseAs: 'text' }));
  } catch {
    return `${JSON.stringify(sandwich, null, 2)}\n`;
  }
}

/** Open, make, copy, delete, import and export sandwiches; every failure is said in words. */
export function useSandwichActions() {
  const client = useQueryClient();
  const navigate = useNavigate();

  const show = async (record: SandwichRecord) => {
    await client.invalidateQueries({ queryKey: SANDWICHES });
    await navigate(`/bench/${record.id}`);
  };
  const guarded = (work: () => Promise<unknown>) => async () => {
    try {
      await work();
    } catch (error) {
      if (!(error instanceof ServiceError)) throw error;
      say(error.message);
    }
  };
  /** What is on the bench is saved first; if that fails it stays in this browser as a draft. */
  const afterSaving = (work: () => Promise<unknown>) =>
    guarded(async () => {
      await saveNow();
      await work();
    });

  const open = (id: string) => afterSaving(async () => navigate(`/bench/${id}`))();
  const makeNew = afterSaving(async () => {
    const presses = await client.query({ ...categoryQuery('press'), staleTime: 'static' });
    const press = useEditor.getState().sandwich?.press ?? presses.find((entry) => entry.press)?.press;
    if (!press) {
      say(t("There's no press on the shelf yet. Add one first."));
      return;
    }
    await show(await makeOne(emptySandwich(t('New sandwich'), press)));
  });
  const copy = afterSaving(async () => {
    const { id } = useEditor.getState();
    if (id)
      await show(
        await once('sandwich copy', id, (headers) => copySandwich({ path: { sandwich_id: id }, headers })),
      );
  });
  const remove = afterSaving(async () => {
    const { id, version, sandwich, close } = useEditor.getState();
    if (!id || !sandwich) return;
    await deleteSandwich({ path: { sandwich_id: id }, query: { version } });
    say(
      t('Deleted “{name}”.', { name: sandwich.name }),
      () => void guarded(async () => show(await makeOne(sandwich)))(),
    );
    const { sandwiches } = await client.query(sandwichesQuery()); // may have been asked for before
    const left = sandwiches.filter((summary) => summary.id !== id);
    close();
    await navigate(left[0] ? `/bench/${left[0].id}` : '/bench');
  });
  const importFile = (file: File) =>
    guarded(async () => {
      if (file.size > LARGEST_FILE) {
        say(t('{name} is over 24 MB, too big for a sandwich. Nothing was imported.', { name: file.name }));
        return;
      }
      try {
        JSON.parse(await file.text());
      } catch {
        say(t("{name} isn't JSON, so it isn't a sandwich file. Nothing was imported.", { name: file.name }));
        return;
      }
      await saveNow();
      await show(
        await once('sandwich file', markOf(file), (headers) =>
          importSandwich({ body: file as unknown as Record<string, unknown>, bodySerializer: null, headers }),
        ),
      );
      say(t('Imported “{name}”.', { name: file.name }));
    })();
  const exportFile = async () => {
    const { id, sandwich } = useEditor.getState();
    if (!id || !sandwich) return;
    const text = await fileText(id, sandwich);
    const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = address;
    link.download = `${sandwich.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.lofty.json`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(address), 1000);
  };
  return { open, makeNew, copy, remove, importFile, exportFile };
}
