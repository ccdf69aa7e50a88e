import type { Ink, Sandwich } from '../../api/gen/types.gen';
import { counted, inkedNext, misted, nudged, rotated } from '../../sandwich/changes';
import type { Change } from '../../sandwich/edits';
import { useEditor } from '../../sandwich/store';

const TURN = 15; // degrees for one press of r

const editor = () => useEditor.getState();

function onSelected(change: (now: Sandwich, id: string) => Change[]): void {
  const { selected, edit } = editor();
  if (selected) edit((now) => change(now, selected));
}

/** What can be done to the sandwich on the bench, for keys and buttons alike. */
export const commands = {
  selectBy: (step: 1 | -1) => {
    const { sandwich, selected, select } = editor();
    if (!sandwich || sandwich.layers.length === 0) return;
    const index = sandwich.layers.findIndex((layer) => layer.id === selected);
    select(sandwich.layers[Math.max(0, Math.min(index + step, sandwich.layers.length - 1))]?.id);
  },
  takeOut: () => {
    const { sandwich, selected, select } = editor();
    const index = sandwich?.layers.findIndex((layer) => layer.id === selected) ?? 0;
    onSelected((_, id) => [{ op: 'remove', layer: id }]);
    const left = editor().sandwich?.layers ?? [];
    select(left[Math.min(Math.max(index, 0), left.length - 1)]?.id);
  },
  nudge: (step: 1 | -1) => onSelected((now, id) => nudged(now, id, step)),
  turnOver: () => onSelected((_, id) => [{ op: 'turn over', layer: id }]),
  rotate: (direction: 1 | -1) => onSelected((now, id) => rotated(now, id, direction * TURN)),
  mist: (age: number | null) => onSelected((now, id) => misted(now, id, age)),
  ink: (inks: Ink[]) => onSelected((now, id) => inkedNext(now, id, inks)),
  count: (count: number) => onSelected((now, id) => counted(now, id, count)),
  undo: () => editor().undo(),
  redo: () => editor().redo(),
};
