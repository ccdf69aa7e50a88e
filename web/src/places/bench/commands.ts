import type { Ink, Sandwich } from '../../api/client';
import { changeLayer, nextInk, nudgeLayer, removeLayer, setCount, turnOver } from '../../sandwich/operations';
import { useEditor } from '../../sandwich/store';

const TURN = 15; // degrees for one press of r

const editor = () => useEditor.getState();

function onSelected(change: (now: Sandwich, id: string) => Sandwich): void {
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
    onSelected(removeLayer);
    const left = editor().sandwich?.layers ?? [];
    select(left[Math.min(Math.max(index, 0), left.length - 1)]?.id);
  },
  nudge: (step: 1 | -1) => onSelected((now, id) => nudgeLayer(now, id, step)),
  turnOver: () => onSelected(turnOver),
  rotate: (direction: 1 | -1) =>
    onSelected((now, id) => {
      const layer = now.layers.find((candidate) => candidate.id === id);
      return changeLayer(now, id, {
        rotation_deg: ((layer?.rotation_deg ?? 0) + direction * TURN + 360) % 360,
      });
    }),
  mist: (age: number | null) => onSelected((now, id) => mist(now, id, age)),
  ink: (inks: Ink[]) => onSelected((now, id) => nextInk(now, id, inks)),
  count: (count: number) => onSelected((now, id) => setCount(now, id, count)),
  undo: () => editor().undo(),
  redo: () => editor().redo(),
};

/** Mist goes on sheets only: on the selected one, else on the sheet being worked. */
function mist(sandwich: Sandwich, id: string, age: number | null): Sandwich {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  const isSheet = layer && sandwich.items[layer.item]?.kind === 'sheet';
  const sheet = isSheet ? layer : sandwich.layers.find((candidate) => candidate.role === 'sheet');
  return sheet && sheet.mist_age_s !== age ? changeLayer(sandwich, sheet.id, { mist_age_s: age }) : sandwich;
}
