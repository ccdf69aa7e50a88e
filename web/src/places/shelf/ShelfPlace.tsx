import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { ShelfEntry } from '../../api/gen/types.gen';
import { shelfWindowsQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { HAND } from '../../shared/useScreen';
import { t } from '../../words/words';
import { AddingRow } from './AddingRow';
import { nameOf } from './fields';
import { EVERYTHING, ShelfHead, type Sought } from './ShelfHead';
import { ShelfList } from './ShelfList';
import { useShelfActions } from './useShelfActions';

/** What you own, and how thick it really is. */
export function ShelfPlace() {
  const [search] = useSearchParams();
  const [sought, setSought] = useState<Sought>({ ...EVERYTHING, text: search.get('q') ?? '' });
  const [open, setOpen] = useState<string>();
  const { filter, text, press, tool } = sought;
  const category = filter === 'all' ? undefined : filter;
  const shelf = useInfiniteQuery(
    shelfWindowsQuery({ category, q: text.trim(), press: press || undefined, tool: tool || undefined }),
  );
  const actions = useShelfActions();
  if (!shelf.data) {
    return (
      <Box sx={{ padding: 6 }}>
        {shelf.error ? (
          <Notice
            title={t("Can't read the shelf.")}
            text={t('{message} Trying again.', { message: shelf.error.message })}
          />
        ) : (
          <Notice title={t('Opening the shelf')} text={t('One moment.')} />
        )}
      </Box>
    );
  }
  const entries = shelf.data.pages.flatMap((page) => page.entries);
  const { total, measured } = shelf.data.pages[0] ?? { total: 0, measured: 0 };
  const remove = (entry: ShelfEntry) => {
    const putBack = () => actions.add.mutate({ press: entry.press, item: entry.item, ink: entry.ink });
    const undo = entry.unreadable ? undefined : putBack;
    actions.remove.mutate(entry, {
      onSuccess: () => say(t('{name} is off the shelf.', { name: nameOf(entry) }), undo),
    });
  };
  /** Shows a thing that was just put on the shelf, among its like and with everything that is known of it. */
  const show = (entry: ShelfEntry) => {
    setSought({ ...EVERYTHING, filter: entry.category });
    setOpen(entry.id);
  };
  return (
    <Box
      sx={{
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        padding: '18px 24px 0',
        [HAND]: { padding: '8px 12px 0' },
      }}
    >
      <ShelfHead
        total={total}
        measured={measured}
        sought={sought}
        onSought={(part) => setSought((now) => ({ ...now, ...part }))}
      />
      <AddingRow onAdd={(write) => actions.add.mutate(write, { onSuccess: show })} />
      {total === 0 &&
        (text || press || tool || filter !== 'all' ? (
          <Notice
            title={t('Nothing like that here')}
            text={t('Type less of the name, or pick another category, press or tool.')}
          />
        ) : (
          <Notice
            title={t('An empty shelf')}
            text={t('Add a press and a few plates, and the Bench can say what they do.')}
          >
            <Button variant="contained" component={Link} to="/set-out">
              {t('Set out your press')}
            </Button>
          </Notice>
        ))}
      <ShelfList
        key={JSON.stringify([category, press, tool])}
        entries={entries}
        open={open}
        onOpen={setOpen}
        more={shelf.hasNextPage}
        onMore={() => !shelf.isFetchingNextPage && void shelf.fetchNextPage()}
        onChange={(entry, write) => actions.change.mutate({ entry, write })}
        onCopy={(entry) => actions.copy.mutate(entry, { onSuccess: (made) => setOpen(made.id) })}
        onRemove={remove}
      />
    </Box>
  );
}
