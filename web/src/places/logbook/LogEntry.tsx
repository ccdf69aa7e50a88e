import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { Link } from 'react-router';
import { addresses } from '../../api/service';
import type { RunSummary } from '../../api/gen/types.gen';
import { outcomeWords } from '../../looks/outcomes';
import { HAND } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

interface Props {
  run: RunSummary;
  /** Room is left for a photo where any run beside it has one. */
  pictured: boolean;
  picked: boolean;
  onPick: () => void;
  onTag: (tag: string) => void;
}

/** One run in the logbook: what it was, what came out. */
export function LogEntry({ run, pictured, picked, onPick, onTag }: Props) {
  const time = new Date(run.created_at).toLocaleTimeString(undefined, { timeStyle: 'short' });
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        minHeight: 52,
        borderBottom: `1px solid ${colour.hairline}`,
        [HAND]: { flexWrap: 'wrap', gap: '2px 12px', padding: '6px 0' },
      }}
    >
      <input
        type="checkbox"
        checked={picked}
        onChange={onPick}
        aria-label={t('Compare: {name}, {time}', { name: run.name, time })}
        title={t('Pick two to compare')}
        style={{ width: 18, height: 18 }}
      />
      {run.photo ? (
        <img
          src={addresses.photo(run.id, run.version)}
          alt={t('What came out: {name}', { name: run.name })}
          height={44}
          width={60}
          style={{ objectFit: 'cover' }}
        />
      ) : (
        pictured && <Box sx={{ width: 60, [HAND]: { display: 'none' } }} />
      )}
      <Box sx={{ flex: 1, minWidth: 200 }}>
        <Link to={`/press/${run.id}`} style={{ color: colour.ink, fontWeight: 600 }}>
          {run.name}
        </Link>
        <Box sx={{ color: colour.quiet, fontSize: 13 }}>
          {what(run)}
          {run.note && `. ${run.note}`}
        </Box>
      </Box>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 2,
          [HAND]: { width: '100%', paddingLeft: '34px', gap: '2px 12px', flexWrap: 'wrap' },
        }}
      >
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, justifyContent: 'flex-end', maxWidth: 260 }}>
          {run.tags.map((tag) => (
            <ButtonBase
              key={tag}
              onClick={() => onTag(tag)}
              title={t('Only runs with this tag')}
              sx={{ fontSize: 13, color: colour.accent, borderBottom: `1px dotted ${colour.accent}` }}
            >
              {tag}
            </ButtonBase>
          ))}
        </Box>
        <Box
          sx={{
            width: 220,
            fontWeight: run.result === 'right' ? 700 : 400,
            color: run.result === 'right' ? colour.accent : colour.ink,
            [HAND]: { width: 'auto' },
          }}
        >
          {run.result ? outcomeWords(run.result) : term(run.state)}
          {run.known && <span style={{ color: colour.quiet, fontWeight: 400 }}>{t(', known before')}</span>}
        </Box>
        <span style={{ color: colour.quiet, width: 84, textAlign: 'right', whiteSpace: 'nowrap' }}>
          {time}
        </span>
      </Box>
    </Box>
  );
}

/** What was pressed with what, on which press. */
function what({ tool, stock, press }: RunSummary): string {
  const pile = tool && stock ? t('{tool} on {stock}', { tool, stock }) : (tool ?? '') || (stock ?? '');
  if (!press) return pile;
  return pile ? t('{pile}, {press}', { pile, press }) : press;
}
