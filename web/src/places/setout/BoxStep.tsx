import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ShelfEntry } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { BOXED } from '../../sandwich/traits.gen';
import { typical } from '../shelf/newThing';
import { ThingPicture } from '../shelf/ThingPicture';
import { useSetOut } from './useSetOut';

const MOST = 20;

/** What lay in the press's box, by drawing and role. */
export function BoxStep() {
  const { box, change } = useSetOut();
  const put = (kind: string, count: number) =>
    change({ box: { ...box, [kind]: Math.min(Math.max(count, 0), MOST) } });
  return (
    <Box>
      <Typography variant="h2">{t('What came in its box?')}</Typography>
      <Typography sx={{ color: colour.quiet, margin: '4px 0 14px' }}>
        {t(
          'Count what you have of each. Their thickness starts out typical. Correct it with a caliper any time.',
        )}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))',
          gap: '18px 12px',
          marginBottom: 3,
        }}
      >
        {Object.entries(BOXED).map(([kind, does]) => (
          <Box key={kind} role="group" aria-label={term(kind)}>
            <Box sx={{ opacity: box[kind] ? 1 : 0.45 }}>
              <ThingPicture entry={entryOf(kind)} />
            </Box>
            <b>{term(kind)}</b>
            <Box sx={{ color: colour.quiet, fontSize: 13, minHeight: 42 }}>{term(does)}</Box>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
              <Count
                label={t('One {kind} fewer', { kind })}
                sign="−"
                onClick={() => put(kind, (box[kind] ?? 0) - 1)}
              />
              <output
                aria-label={t('Number of {kind}', { kind })}
                style={{ minWidth: 22, textAlign: 'center', fontWeight: 700 }}
              >
                {box[kind] ?? 0}
              </output>
              <Count
                label={t('One {kind} more', { kind })}
                sign="+"
                onClick={() => put(kind, (box[kind] ?? 0) + 1)}
              />
            </Box>
          </Box>
        ))}
      </Box>
      <Button variant="contained" onClick={() => change({ step: 2 })}>
        {t('Go on')}
      </Button>
    </Box>
  );
}

function Count({ label, sign, onClick }: { label: string; sign: string; onClick: () => void }) {
  return (
    <Button
      variant="outlined"
      aria-label={label}
      onClick={onClick}
      sx={{ minWidth: 32, width: 32, height: 32, padding: 0, fontSize: 18 }}
    >
      {sign}
    </Button>
  );
}

/** A typical thing of a kind, only to be looked at. */
function entryOf(kind: string): ShelfEntry {
  const { item } = typical(kind);
  return {
    id: kind,
    category: 'plate',
    version: 1,
    name: kind,
    item: item ?? null,
    press: null,
    ink: null,
    unreadable: null,
  };
}
