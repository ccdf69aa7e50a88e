import { useHotkeys } from 'react-hotkeys-hook';
import type { Finding, Ink } from '../../api/client';
import { FIX_KEYS, withKeys } from '../../looks/calls/fixKeys';
import { commands } from './commands';

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

/** Everything that can be done on the bench, by key. */
export function useBenchKeys(actions: Actions): void {
  // a choice made by pointer keeps the focus, and must not take the keys away
  const options = { enabled: actions.enabled, preventDefault: true, enableOnFormTags: ['radio'] as const };
  useHotkeys('up', () => commands.selectBy(1), options);
  useHotkeys('down', () => commands.selectBy(-1), options);
  useHotkeys('alt+up', () => commands.nudge(1), options);
  useHotkeys('alt+down', () => commands.nudge(-1), options);
  useHotkeys('a', actions.onAdd, options);
  useHotkeys('x, delete', commands.takeOut, options);
  useHotkeys('t', commands.turnOver, options);
  useHotkeys('r', () => commands.rotate(1), options);
  useHotkeys('shift+r', () => commands.rotate(-1), options);
  useHotkeys('m', () => commands.mist(0), options);
  useHotkeys('shift+m', () => commands.mist(null), options);
  useHotkeys('i', () => commands.ink(actions.inks), options);
  useHotkeys('1,2,3,4,5,6,7,8,9', (event) => commands.count(Number(event.key)), options);
  useHotkeys('bracketleft', () => actions.onLook(-1), options);
  useHotkeys('bracketright', () => actions.onLook(1), options);
  useHotkeys('u, ctrl+z, meta+z', commands.undo, options);
  useHotkeys('shift+u, ctrl+shift+z, meta+shift+z', commands.redo, options);
  useHotkeys('s', actions.onSwitch, options);
  useHotkeys('shift+slash, ?', actions.onHelp, { ...options, useKey: true });
  useHotkeys(
    FIX_KEYS,
    (event) => {
      const keyed = withKeys(actions.findings).find(({ shortcut }) => shortcut === event.key);
      if (keyed) actions.onFix(keyed.finding);
    },
    options,
  );
}
