import { useHotkeys } from 'react-hotkeys-hook';
import type { Finding, Ink } from '../../api/client';
import { FIX_KEYS, withKeys } from '../../looks/calls/fixKeys';
import { changeLayer, nextInk, nudgeLayer, removeLayer, setCount, turnOver } from '../../sandwich/operations';
import { useEditor } from '../../sandwich/store';

interface Actions {
  enabled: boolean;
  findings: Finding[];
  inks: Ink[];
  onAdd: () => void;
  onHelp: () => void;
  onSwitch: () => void;
  onFix: (finding: Finding) => void;
  onLook: (step: 1 | -1) => void;
}

const TURN = 15; // degrees for one press of r

/** Everything that can be done on the bench, by key. */
export function useBenchKeys({
  enabled,
  findings,
  inks,
  onAdd,
  onHelp,
  onSwitch,
  onFix,
  onLook,
}: Actions): void {
  const options = { enabled, preventDefault: true };
  const editor = useEditor.getState;
  const onSelected = (work: (id: string) => void) => () => {
    const { selected } = editor();
    if (selected) work(selected);
  };
  const step = (by: 1 | -1) => () => {
    const { sandwich, selected, select } = editor();
    if (!sandwich || sandwich.layers.length === 0) return;
    const index = sandwich.layers.findIndex((layer) => layer.id === selected);
    select(sandwich.layers[Math.max(0, Math.min(index + by, sandwich.layers.length - 1))]?.id);
  };
  const remove = onSelected((id) => {
    const { sandwich, edit } = editor();
    const index = sandwich?.layers.findIndex((layer) => layer.id === id) ?? 0;
    edit((now) => removeLayer(now, id));
    const left = editor().sandwich?.layers ?? [];
    editor().select(left[Math.min(index, left.length - 1)]?.id);
  });
  const rotate = (by: number) =>
    onSelected((id) =>
      editor().edit((now) => {
        const layer = now.layers.find((candidate) => candidate.id === id);
        return changeLayer(now, id, { rotation_deg: ((layer?.rotation_deg ?? 0) + by + 360) % 360 });
      }),
    );

  useHotkeys('up', step(1), options);
  useHotkeys('down', step(-1), options);
  useHotkeys(
    'alt+up',
    onSelected((id) => editor().edit((now) => nudgeLayer(now, id, 1))),
    options,
  );
  useHotkeys(
    'alt+down',
    onSelected((id) => editor().edit((now) => nudgeLayer(now, id, -1))),
    options,
  );
  useHotkeys('a', onAdd, options);
  useHotkeys('x, delete', remove, options);
  useHotkeys(
    't',
    onSelected((id) => editor().edit((now) => turnOver(now, id))),
    options,
  );
  useHotkeys('r', rotate(TURN), options);
  useHotkeys('shift+r', rotate(-TURN), options);
  useHotkeys(
    'm',
    onSelected((id) => editor().edit((now) => mist(now, id, 0))),
    options,
  );
  useHotkeys(
    'shift+m',
    onSelected((id) => editor().edit((now) => mist(now, id, null))),
    options,
  );
  useHotkeys(
    'i',
    onSelected((id) => editor().edit((now) => nextInk(now, id, inks))),
    options,
  );
  useHotkeys(
    '1,2,3,4,5,6,7,8,9',
    (event) => onSelected((id) => editor().edit((now) => setCount(now, id, Number(event.key))))(),
    options,
  );
  useHotkeys('bracketleft', () => onLook(-1), options);
  useHotkeys('bracketright', () => onLook(1), options);
  useHotkeys('u, ctrl+z, meta+z', () => editor().undo(), options);
  useHotkeys('shift+u, ctrl+shift+z, meta+shift+z', () => editor().redo(), options);
  useHotkeys('s', onSwitch, options);
  useHotkeys('shift+slash, ?', onHelp, { ...options, useKey: true });
  useHotkeys(
    FIX_KEYS,
    (event) => {
      const keyed = withKeys(findings).find(({ shortcut }) => shortcut === event.key);
      if (keyed) onFix(keyed.finding);
    },
    options,
  );
}

/** Mist goes on sheets only; the shelf's plates stay dry. */
function mist(sandwich: Parameters<typeof changeLayer>[0], id: string, age: number | null) {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  const sheet =
    layer && sandwich.items[layer.item]?.kind === 'sheet'
      ? layer
      : sandwich.layers.find((candidate) => candidate.role === 'sheet');
  return sheet && sheet.mist_age_s !== age ? changeLayer(sandwich, sheet.id, { mist_age_s: age }) : sandwich;
}
