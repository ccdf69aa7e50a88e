import type { Press, ShelfWrite } from '../../api/gen/types.gen';
import { thicknessPath, withValue } from './fields';
import { TYPICAL } from './things.gen';
import { t } from '../../words/words';

/** Everything that can be made new: a press, every kind of thing, an ink. */
export const NEW_KINDS = Object.keys(TYPICAL);

/** What a new thing of a kind starts from: typical for its class, to be corrected. */
export const typical = (kind: string): ShelfWrite => TYPICAL[kind] ?? {};

/** Its thickness, or a press's opening; nothing for an ink. [mm] */
export function typicalThickness(kind: string): number | undefined {
  const { press, item } = typical(kind);
  return press?.opening.mm ?? item?.thickness.mm;
}

/** A new thing of a kind under its name, ready to be sent. */
export function newThing(kind: string, name: string, mm?: number): ShelfWrite {
  const start = typical(kind);
  const named = withValue(start, [start.press ? 'press' : start.ink ? 'ink' : 'item', 'name'], name);
  const path = thicknessPath(named);
  return path && mm !== undefined ? withValue(named, [...path, 'mm'], mm) : named;
}

/** A press as they commonly are, until one is measured. */
export function typicalPress(name: string, opening: number): Press {
  const { press } = newThing('press', name, opening);
  if (!press) throw new Error(t("There's no typical press."));
  return press;
}
