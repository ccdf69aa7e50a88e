import Box from '@mui/material/Box';
import { Link, useSearchParams } from 'react-router';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { ShelfEntry } from '../../api/gen/types.gen';
import type { Category } from '../../api/types';
import { shelfWindowsQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { FINGER, FINGERS, HAND, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { nameOf } from './fields';
import { NewItem } from './NewItem';
import { Fitting } from './Fitting';
import { GaugeLine } from './gauge/GaugeLine';
import { ShelfIn, ShelfOut } from './ShelfFiles';
import { CATEGORIES, ShelfList } from './ShelfList';
import { useShelfActions } from './useShelfActions';
import { t } from '../../words/words';

/** What you own, and how thick it really is. */
export function ShelfPlace() {
  const [filter, setFilter] = useState<Category | 'all'>('all');
  const [search] = useSearchParams();
  const [text, setText] = useState(search.get('q') ?? '');
  const [press, setPress] = useState('');
  const [tool, setTool] = useState('');
  const [open, setOpen] = useState<string>();
  const category = filter === 'all' ? undefined : filter;
  const sought = { category, q: text.trim(), press: press || undefined, tool: tool || undefined };
  const shelf = useInfiniteQuery(shelfWindowsQuery(sought));
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
    setFilter(entry.category);
    setText('');
    setPress('');
    setTool('');
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
      <Box
        sx={{
          display: 'flex',
          alignItems: 'baseline',
          gap: 2,
          marginBottom: 1,
          [NARROW]: { flexWrap: 'wrap' },
        }}
      >
        <Typography variant="h1">{t('Shelf')}</Typography>
        <Box
          title={t('A typical thickness is good enough until a verdict asks for a better one.')}
          sx={{ color: colour.quiet, flex: 1 }}
        >
          {t('{total} items, {measured} measured', { total, measured })}
        </Box>
        <GaugeLine />
        <ShelfOut />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 14px', marginBottom: 1 }}>
        <Box
          role="tablist"
          aria-label={t('Categories')}
          sx={{
            display: 'flex',
            gap: 1,
            [HAND]: { flexWrap: 'wrap', gap: 0 },
            [FINGERS]: { '& button': { minHeight: FINGER } },
          }}
        >
          {([['all', t('All')], ...CATEGORIES] as [typeof filter, string][]).map(([key, title]) => (
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
        </Box>
        <InputBase
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder={t('Find by name or kind')}
          inputProps={{ 'aria-label': t('Find on the shelf'), maxLength: 120 }}
          sx={{ width: 170, borderBottom: `1px dotted ${colour.quiet}`, fontSize: 13.5 }}
        />
        <Fitting press={press} onPress={setPress} tool={tool} onTool={setTool} />
      </Box>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: '4px 20px',
          margin: '0 -24px 8px',
          padding: '4px 24px',
          background: colour.panel,
          fontSize: 13.5,
          [HAND]: { margin: '0 -12px 8px', padding: '4px 12px' },
          '& a': { color: colour.accent },
        }}
      >
        <NewItem onAdd={(write) => actions.add.mutate(write, { onSuccess: show })} />
        <Box sx={{ flex: 1 }} />
        <Link to="/shelf/photo">{t('Photograph tools')}</Link>
        <Link to="/set-out">{t('Set out')}</Link>
        <ShelfIn />
      </Box>
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
