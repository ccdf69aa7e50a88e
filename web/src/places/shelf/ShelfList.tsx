import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef } from 'react';
import type { Category, ShelfEntry, ShelfWrite } from '../../api/client';
import { ShelfRow } from './ShelfRow';
import { UnreadableRow } from './UnreadableRow';

export const CATEGORIES: [Category, string][] = [
  ['press', 'Presses'],
  ['plate', 'Plates'],
  ['mat', 'Mats'],
  ['tool', 'Tools'],
  ['stock', 'Stocks'],
  ['ink', 'Inks'],
];
const ROW = 38; // px; what a row takes before it is measured
const BEYOND = 30; // rows drawn above and below what is seen

interface Props {
  entries: ShelfEntry[];
  more: boolean;
  onMore: () => void;
  onChange: (entry: ShelfEntry, write: ShelfWrite) => void;
  onCopy: (entry: ShelfEntry) => void;
  onRemove: (entry: ShelfEntry) => void;
}

type Line = { title: string } | { entry: ShelfEntry };

/** Headings and rows in one line; only those that are near to what is seen are drawn, however long the shelf is. */
export function ShelfList({ entries, more, onMore, onChange, onCopy, onRemove }: Props) {
  const scroll = useRef<HTMLDivElement>(null);
  const lines = useMemo(() => linesOf(entries), [entries]);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions stay inside this component
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: BEYOND,
    getItemKey: (index) => keyOf(lines[index]),
  });
  const drawn = rows.getVirtualItems();
  const last = drawn.at(-1)?.index ?? 0;
  useEffect(() => {
    if (more && last >= lines.length - BEYOND) onMore();
  }, [more, last, lines.length, onMore]);
  return (
    <Box ref={scroll} sx={{ flex: 1, minHeight: 0, overflowY: 'auto', paddingBottom: '60px' }}>
      <Box
        component="ul"
        aria-label="On the shelf"
        sx={{ listStyle: 'none', padding: 0, margin: 0, position: 'relative' }}
        style={{ height: rows.getTotalSize() }}
      >
        {drawn.map((place) => {
          const line = lines[place.index];
          if (!line) return null;
          return (
            <Box
              key={place.key}
              component="li"
              role="none"
              data-index={place.index}
              ref={rows.measureElement}
              sx={{ position: 'absolute', top: 0, left: 0, width: '100%' }}
              style={{ transform: `translateY(${place.start}px)` }}
            >
              {'title' in line ? (
                <Typography variant="h2" sx={{ padding: '16px 0 4px' }}>
                  {line.title}
                </Typography>
              ) : line.entry.unreadable ? (
                <UnreadableRow entry={line.entry} onRemove={() => onRemove(line.entry)} />
              ) : (
                <ShelfRow
                  entry={line.entry}
                  onChange={(write) => onChange(line.entry, write)}
                  onCopy={() => onCopy(line.entry)}
                  onRemove={() => onRemove(line.entry)}
                />
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function keyOf(line: Line | undefined): string {
  if (!line) return '';
  return 'title' in line ? line.title : line.entry.id;
}

function linesOf(entries: ShelfEntry[]): Line[] {
  return CATEGORIES.flatMap(([category, title]) => {
    const those = entries.filter((entry) => entry.category === category);
    return those.length > 0 ? [{ title }, ...those.map((entry) => ({ entry }))] : [];
  });
}
