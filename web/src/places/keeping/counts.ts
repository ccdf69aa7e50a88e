import type { ArchiveAnswer } from '../../api/gen/types.gen';
import { t } from '../../words/words';

type Kind = keyof ArchiveAnswer['new'];

const NAMES: Record<Kind, [string, string]> = {
  shelf: [t('item on the shelf'), t('items on the shelf')],
  sandwiches: ['sandwich', 'sandwiches'],
  jobs: ['plan', 'plans'],
  paper: [t('stock of paper'), t('stocks of paper')],
  practice: ['drill', 'drills'],
  runs: ['run', 'runs'],
  photos: ['photo', 'photos'],
  reliefs: ['relief', 'reliefs'],
  plates: [t('plate history'), t('plate histories')],
  settings: ['setting', 'settings'],
};

/** Counts by kind in words: "2 sandwiches, 1 run". */
export function countsOf(counts: Partial<Record<Kind, number>>): string {
  return (Object.entries(NAMES) as [Kind, [string, string]][])
    .map(([kind, [one, many]]) => ({ count: counts[kind] ?? 0, one, many }))
    .filter(({ count }) => count > 0)
    .map(({ count, one, many }) => `${count} ${count === 1 ? one : many}`)
    .join(', ');
}
