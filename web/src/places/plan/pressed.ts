import { useQuery } from '@tanstack/react-query';
import type { ImpressionAnswer, Sandwich } from '../../api/gen/types.gen';
import { impressionQuery, sandwichesQuery, sandwichQuery } from '../../api/queries';

const TAB = crypto.randomUUID();

interface Pile {
  /** Its sandwich, if one has its name. */
  sandwich: Sandwich | undefined;
  /** The sheet as it is pressed in it, as soon as anything is computed. */
  pressed: ImpressionAnswer | undefined;
  /** True where no sandwich has the name any more. */
  gone: boolean;
}

/** What comes out of the sandwich that a piece is pressed in. */
export function usePressed(pile: string | null | undefined): Pile {
  const found = useQuery({ ...sandwichesQuery(pile ?? ''), enabled: Boolean(pile) });
  const id = found.data?.sandwiches.find((one) => one.name === pile)?.id;
  const kept = useQuery({ ...sandwichQuery(id ?? ''), enabled: id !== undefined });
  const sandwich = pile && id !== undefined ? kept.data?.sandwich : undefined;
  const pressed = useQuery(impressionQuery(sandwich, `${TAB}-${pile}`));
  const there = found.data !== undefined && !found.isPlaceholderData;
  return {
    sandwich,
    pressed: sandwich ? pressed.data : undefined,
    gone: Boolean(pile) && there && id === undefined,
  };
}

/** How far its relief stands out once it is released, in millimetres; undefined while that is not computed. */
export const standsOut = (pressed: ImpressionAnswer | undefined): number | undefined => {
  const depth = pressed?.stage === 'full' ? pressed.result?.figures.depth_kept_mm : undefined;
  return depth == null ? undefined : Math.round(depth * 100) / 100;
};
