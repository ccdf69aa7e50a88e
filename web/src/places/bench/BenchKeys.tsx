import { useHotkeys } from 'react-hotkeys-hook';
import { BENCH_KEYS, type BenchActions, type BenchKey } from './keys';

interface Props {
  enabled: boolean;
  bench: BenchActions;
}

/** Listens for every key of the bench. */
export function BenchKeys({ enabled, bench }: Props) {
  return BENCH_KEYS.flatMap((key) =>
    Object.keys(key.does ?? {}).map((hotkeys) => (
      <Listener key={hotkeys} of={key} hotkeys={hotkeys} enabled={enabled} bench={bench} />
    )),
  );
}

function Listener({ of, hotkeys, enabled, bench }: Props & { of: BenchKey; hotkeys: string }) {
  useHotkeys(hotkeys, (event) => of.does?.[hotkeys]?.(event, bench), {
    enabled,
    preventDefault: true,
    // a choice made by pointer keeps the focus, and must not take the keys away
    enableOnFormTags: ['radio'],
    useKey: of.character ?? false,
  });
  return null;
}
