import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { ShelfEntry, ShelfWrite } from '../../api/gen/types.gen';
import type { Category } from '../../api/types';
import { HatchPatterns } from '../../sandwich/Hatching';
import { useWidth } from '../../shared/useWidth';
import { ShelfTile } from './ShelfTile';
import { ThingDetails } from './ThingDetails';
import { PICTURE } from './ThingPicture';
import { UnreadableRow } from './UnreadableRow';
import { t } from '../../words/words';

export const CATEGORIES: [Category, string][] = [
  ['press', t('Presses')],
  ['plate', t('Plates')],
  ['mat', t('Mats')],
  ['tool', t('Tools')],
  ['stock', t('Stocks')],
  ['ink', t('Inks')],
];
const GAP = 22; // px between two things
const ROW = 178; // px; what a row takes before it is measured
const BEYOND = 6; // rows drawn above and below what is seen

interface Props {
  entries: ShelfEntry[];
  /** The thing whose details are shown. */
  open: string | undefined;
  onOpen: (id: string | undefined) => void;
  more: boolean;
  onMore: () => void;
  onChange: (entry: ShelfEntry, write: ShelfWrite) => void;
  onCopy: (entry: ShelfEntry) => void;
  onRemove: (entry: ShelfEntry) => void;
}

type Line = { title: string } | { things: ShelfEntry[] } | { unreadable: ShelfEntry };

const FEWEST_TWINS = 3; // fewer are shown each by itself

/** Things stand in rows, by category; only the rows near to what is seen are drawn, however long the shelf is. */
export function ShelfList({ entries, open, onOpen, more, onMore, onChange, onCopy, onRemove }: Props) {
  const scroll = useRef<HTMLDivElement>(null);
  const [ref, width] = useWidth(2600);
  const across = Math.max(Math.floor((width + GAP) / (PICTURE.width + GAP)), 2);
  const [apart, setApart] = useState<ReadonlySet<string>>(new Set());
  const seen = useMemo(() => together(entries, apart, open), [entries, apart, open]);
  const lines = useMemo(() => linesOf(seen.entries, across), [seen, across]);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions stay inside this component
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: (index) => (lines[index] && 'title' in lines[index] ? 40 : ROW),
    overscan: BEYOND,
    getItemKey: (index) => keyOf(lines[index]),
  });
  const drawn = rows.getVirtualItems();
  const last = drawn.at(-1)?.index ?? 0;
  useEffect(() => {
    if (more && last >= lines.length - BEYOND) onMore();
  }, [more, last, lines.length, onMore]);
  const at = lines.findIndex((line) => 'things' in line && line.things.some((entry) => entry.id === open));
  const { scrollToIndex } = rows;
  useEffect(() => {
    if (at > 0) scrollToIndex(at, { align: 'auto' });
  }, [at, scrollToIndex]);
  return (
    <Box ref={scroll} sx={{ flex: 1, minHeight: 0, overflowY: 'auto', paddingBottom: '60px' }}>
      <svg width={0} height={0} aria-hidden="true" style={{ position: 'absolute' }}>
        <HatchPatterns />
      </svg>
      <Box
        ref={ref}
        onKeyDown={nextThickness}
        sx={{ position: 'relative' }}
        style={{ height: rows.getTotalSize() }}
      >
        {drawn.map((place) => {
          const line = lines[place.index];
          if (!line) return null;
          const shown = 'things' in line ? line.things.find((entry) => entry.id === open) : undefined;
          return (
            <Box
              key={place.key}
              data-index={place.index}
              ref={rows.measureElement}
              sx={{ position: 'absolute', top: 0, left: 0, width: '100%', paddingBottom: '12px' }}
              style={{ transform: `translateY(${place.start}px)` }}
            >
              {'title' in line && (
                <Typography variant="h2" sx={{ paddingTop: '8px' }}>
                  {line.title}
                </Typography>
              )}
              {'unreadable' in line && (
                <div role="list">
                  <UnreadableRow entry={line.unreadable} onRemove={() => onRemove(line.unreadable)} />
                </div>
              )}
              {'things' in line && (
                <Box
                  role="list"
                  aria-label={t('On the shelf')}
                  sx={{
                    display: 'grid',
                    gap: `${GAP}px`,
                    gridTemplateColumns: `repeat(${across}, minmax(0, ${PICTURE.width}px))`,
                  }}
                >
                  {line.things.map((entry) => (
                    <ShelfTile
                      key={entry.id}
                      entry={entry}
                      open={entry.id === open}
                      count={seen.counts.get(entry.id)}
                      onApart={() => setApart((now) => new Set(now).add(entry.twins ?? ''))}
                      onOpen={() => onOpen(entry.id === open ? undefined : entry.id)}
                      onChange={(write) => onChange(entry, write)}
                    />
                  ))}
                </Box>
              )}
              {shown && (
                <ThingDetails
                  key={shown.id}
                  entry={shown}
                  onChange={(write) => onChange(shown, write)}
                  onCopy={() => onCopy(shown)}
                  onRemove={() => onRemove(shown)}
                />
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** Arrow keys lead from one thickness to the next, so that many can be corrected one after the other. */
function nextThickness(event: KeyboardEvent<HTMLElement>): void {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  const at = event.target;
  if (!step || !(at instanceof HTMLInputElement) || !at.matches(THICKNESS)) return;
  const all = [...event.currentTarget.querySelectorAll<HTMLInputElement>(THICKNESS)];
  const next = all[all.indexOf(at) + step];
  event.preventDefault();
  next?.focus();
  next?.scrollIntoView({ block: 'nearest' });
}

const THICKNESS = '[data-thickness] input';

/** Twins as one of them with how many there are, unless they were taken apart or one of them is open. */
function together(entries: ShelfEntry[], apart: ReadonlySet<string>, open: string | undefined) {
  const groups = new Map<string, ShelfEntry[]>();
  for (const entry of entries)
    if (entry.twins && !apart.has(entry.twins))
      groups.set(entry.twins, [...(groups.get(entry.twins) ?? []), entry]);
  const counts = new Map<string, number>();
  const hidden = new Set<string>();
  for (const twins of groups.values()) {
    if (twins.length < FEWEST_TWINS || twins.some((entry) => entry.id === open)) continue;
    const [first, ...rest] = twins;
    if (first) counts.set(first.id, twins.length);
    rest.forEach((entry) => hidden.add(entry.id));
  }
  return { entries: entries.filter((entry) => !hidden.has(entry.id)), counts };
}

function keyOf(line: Line | undefined): string {
  if (!line) return '';
  if ('title' in line) return line.title;
  return 'unreadable' in line ? line.unreadable.id : (line.things[0]?.id ?? '');
}

function linesOf(entries: ShelfEntry[], across: number): Line[] {
  return CATEGORIES.flatMap(([category, title]): Line[] => {
    const those = entries.filter((entry) => entry.category === category);
    if (those.length === 0) return [];
    const readable = those.filter((entry) => !entry.unreadable);
    const rows: Line[] = [];
    for (let at = 0; at < readable.length; at += across)
      rows.push({ things: readable.slice(at, at + across) });
    const odd = those.filter((entry) => entry.unreadable).map((entry) => ({ unreadable: entry }));
    return [{ title }, ...rows, ...odd];
  });
}
