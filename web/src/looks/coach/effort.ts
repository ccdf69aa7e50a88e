import type { Coach, RunBody } from '../../api/gen/types.gen';

/** How a run turned whose crank felt so; none where that says nothing of it. */
export function effortOf(felt: Coach['feelings'][number]['key'] | undefined): RunBody['effort'] {
  if (felt === 'hard' || felt === 'crack') return 'hard';
  return felt === 'easy' ? 'light' : null;
}
