import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, ServiceError, type Sandwich, type SandwichRecord } from '../../api/client';
import { SANDWICHES, categoryQuery, sandwichesQuery } from '../../api/queries';
import { emptySandwich } from '../../sandwich/changes';
import { saveNow } from '../../sandwich/saving';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';

const LARGEST_FILE = 24_000_000; // bytes, as the service has it

/** The file with the reliefs inside; while the service is away, the sandwich alone. */
async function fileText(id: string, sandwich: Sandwich): Promise<string> {
  try {
    await saveNow();
    return await api.sandwichFile(id);
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
    const presses = await client.ensureQueryData(categoryQuery('press'));
    const press = useEditor.getState().sandwich?.press ?? presses.find((entry) => entry.press)?.press;
    if (!press) return say('There is no press on the shelf. Put one there first.');
    await show(await api.makeSandwich(emptySandwich('New sandwich', press)));
  });
  const copy = afterSaving(async () => {
    const { id } = useEditor.getState();
    if (id) await show(await api.copySandwich(id));
  });
  const remove = afterSaving(async () => {
    const { id, version, sandwich, close } = useEditor.getState();
    if (!id || !sandwich) return;
    await api.deleteSandwich(id, version);
    say(
      `Deleted “${sandwich.name}”.`,
      guarded(async () => show(await api.makeSandwich(sandwich))),
    );
    const left = (await client.fetchQuery(sandwichesQuery())).sandwiches;
    close();
    await navigate(left[0] ? `/bench/${left[0].id}` : '/bench');
  });
  const importFile = (file: File) =>
    guarded(async () => {
      if (file.size > LARGEST_FILE)
        return say(`${file.name} is over 24 MB; no sandwich is that big. Nothing was taken in.`);
      try {
        JSON.parse(await file.text());
      } catch {
        return say(`${file.name} is not JSON, so it is no sandwich file. Nothing was taken in.`);
      }
      await saveNow();
      await show(await api.importSandwich(file));
      say(`Took in “${file.name}”.`);
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
