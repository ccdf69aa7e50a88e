import { useQueryClient } from '@tanstack/react-query';
import type { Assessment, Item, Sandwich, Suggestion } from '../../api/gen/types.gen';
import { fixesQuery } from '../../api/queries';
import { withFixes } from '../../looks/calls/fixes';
import { added, placeFor } from '../../sandwich/changes';
import { useEditor } from '../../sandwich/store';

/** What the bench does to its sandwich: something is added, a suggestion carried out by touch or by its key. */
export function useBenchEdits(sandwich: Sandwich, assessment: Assessment | undefined, onAdded: () => void) {
  const client = useQueryClient();
  const add = (item: Item) => {
    const now = useEditor.getState();
    if (!now.sandwich) return;
    const { edits, id: fresh } = added(now.sandwich, item, placeFor(now.sandwich, item, now.selected));
    now.edit(edits, fresh);
    onAdded();
  };
  const fix = (suggestion: Suggestion) => useEditor.getState().edit(suggestion.edits);
  const fixByKey = async (key: string) => {
    if (useEditor.getState().preview || !assessment) return;
    const offers = await client.query(fixesQuery(sandwich)).catch(() => []);
    const keyed = withFixes(assessment.findings, offers).find(({ shortcut }) => shortcut === key);
    if (keyed?.fix && useEditor.getState().sandwich === sandwich) fix(keyed.fix);
  };
  return { add, fix, fixByKey };
}
