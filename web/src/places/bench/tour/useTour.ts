import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { copySandwich, getSettings, keepSetting } from '../../../api/gen/sdk.gen';
import { SANDWICHES } from '../../../api/queries';

interface Walk {
  /** The copy that is worked on; null before it was begun. */
  on: string | null;
  /** It was looked at under the lamp. */
  lit: boolean;
  set: (walk: Partial<Pick<Walk, 'on' | 'lit'>>) => void;
}

/** How far the guided piece of work has got; it survives a reload. */
export const useWalk = create<Walk>()(
  persist((set) => ({ on: null, lit: false, set: (walk) => set(walk) }), { name: 'lofty-tour' }),
);

const OFFERED = ['tour'];
const offered = queryOptions({
  queryKey: OFFERED,
  queryFn: async () => (await getSettings()).tour ?? '',
  staleTime: Infinity,
});

/** The first guided piece of work, while it is offered: which sandwich it begins with, how to begin it, and how to be rid of it for ever. */
export function useTour() {
  const client = useQueryClient();
  const { data: from } = useQuery(offered);
  const { on, lit, set } = useWalk();
  return {
    from: from ?? '',
    on,
    lit,
    begin: async (sandwich_id: string) => {
      const copy = await copySandwich({ path: { sandwich_id } });
      await client.invalidateQueries({ queryKey: SANDWICHES });
      set({ on: copy.id, lit: false });
      return copy.id;
    },
    light: () => set({ lit: true }),
    end: async () => {
      client.setQueryData(OFFERED, '');
      set({ on: null, lit: false });
      await keepSetting({ path: { name: 'tour' }, body: '' });
    },
  };
}
