import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { ShelfEntry } from '../../api/client';
import { shelfQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { nameOf } from './fields';
import { NewItem } from './NewItem';
import { ShelfRow } from './ShelfRow';
import { useShelfActions } from './useShelfActions';

const CATEGORIES: [ShelfEntry['category'], string][] = [
  ['press', 'Presses'],
  ['plate', 'Plates'],
  ['mat', 'Mats'],
  ['tool', 'Tools'],
  ['stock', 'Stocks'],
  ['ink', 'Inks'],
];

/** What you own, and how thick it really is. */
export function ShelfPlace() {
  const shelf = useQuery(shelfQuery);
  const actions = useShelfActions();
  const [filter, setFilter] = useState<ShelfEntry['category'] | 'all'>('all');
  if (!shelf.data) {
    return (
      <Box sx={{ padding: 6 }}>
        {shelf.error ? (
          <Notice
            title="The shelf cannot be read."
            text={`${shelf.error.message} It is tried again by itself.`}
          />
        ) : (
          <Notice title="Fetching the shelf" text="One moment." />
        )}
      </Box>
    );
  }
  const measured = shelf.data.filter(
    (entry) => (entry.press?.opening ?? entry.item?.thickness)?.source === 'gauge',
  ).length;
  const remove = (entry: ShelfEntry) => {
    const putBack = () => actions.add.mutate({ press: entry.press, item: entry.item, ink: entry.ink });
    actions.remove.mutate(entry, { onSuccess: () => say(`${nameOf(entry)} is off the shelf.`, putBack) });
  };
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, marginBottom: 1 }}>
        <Typography variant="h1">Shelf</Typography>
        <Box sx={{ color: colour.quiet }}>
          {shelf.data.length} things, {measured} of them measured. A typical thickness is good enough until a
          verdict asks for a better one.
        </Box>
      </Box>
      <Box role="tablist" aria-label="Categories" sx={{ display: 'flex', gap: 1, marginBottom: 1 }}>
        {([['all', 'All'], ...CATEGORIES] as [typeof filter, string][]).map(([key, title]) => (
          <Button
            key={key}
            role="tab"
            aria-selected={filter === key}
            color="inherit"
            onClick={() => setFilter(key)}
            sx={{
              borderBottom: `2px solid ${filter === key ? colour.accent : 'transparent'}`,
              borderRadius: 0,
            }}
          >
            {title}
          </Button>
        ))}
        <Box sx={{ flex: 1 }} />
        <NewItem onAdd={(write) => actions.add.mutate(write)} />
      </Box>
      {shelf.data.length === 0 && (
        <Notice
          title="An empty shelf"
          text="Write down a press and a few plates, and the bench can tell what they do."
        />
      )}
      {CATEGORIES.filter(([key]) => filter === 'all' || filter === key).map(([key, title]) => {
        const entries = shelf.data.filter((entry) => entry.category === key);
        return (
          entries.length > 0 && (
            <Box component="section" key={key} aria-label={title}>
              <Typography variant="h2" sx={{ margin: '16px 0 4px' }}>
                {title}
              </Typography>
              <Box component="ul" sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
                {entries.map((entry) => (
                  <ShelfRow
                    key={entry.id}
                    entry={entry}
                    onChange={(write) => actions.change.mutate({ entry, write })}
                    onCopy={() => actions.copy.mutate(entry)}
                    onRemove={() => remove(entry)}
                  />
                ))}
              </Box>
            </Box>
          )
        );
      })}
    </Box>
  );
}
