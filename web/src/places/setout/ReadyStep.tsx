import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { makeOne } from '../../api/making';
import { nextQuery, pilesQuery, roomQuery } from '../../api/queries';
import type { KnownPile } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { say } from '../../shared/notices';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Certainty } from './Certainty';
import { useSetOut } from './useSetOut';

/** What is believed now, and what would tell more. */
export function ReadyStep() {
  const { pressId, beginAnew } = useSetOut();
  const room = useQuery(roomQuery);
  const piles = useQuery(pilesQuery(pressId));
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const navigate = useNavigate();
  const open = (pile: KnownPile) => {
    makeOne({ ...pile.sandwich, name: read(pile.title) })
      .then((record) => navigate(`/bench/${record.id}`))
      .catch((error: unknown) => say(told(error)));
  };
  const press = room.data?.presses.find((known) => known.id === pressId);
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography variant="h2">{t('Your press room is set out')}</Typography>
      <Typography sx={{ margin: '6px 0 14px' }} data-testid="learnt">
        {press
          ? t('{name} opens {opening} ± {spread}, {source}. Before, it was ± {before}.', {
              name: press.name,
              opening: formatThickness(press.mm, unit),
              spread: formatThickness(press.sd_mm, unit),
              source: read(press.source),
              before: formatThickness(press.before_sd_mm, unit),
            })
          : t('We only know what kind of press you have. Every run you log teaches something.')}
      </Typography>
      {room.data?.contradictions.map((doubt) => (
        <Box
          key={doubt.run_id}
          role="alert"
          sx={{ background: colour.stopWash, padding: '8px 12px', marginBottom: 1 }}
        >
          {t("That doesn't fit the rest.")} {read(doubt.words)}
        </Box>
      ))}
      <Box sx={{ display: 'grid', gap: 2 }}>
        {piles.data?.piles.map((pile) => (
          <Box
            key={pile.key}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              gap: '6px 18px',
              borderTop: `1px solid ${colour.hairline}`,
              paddingTop: 1,
            }}
          >
            <Box sx={{ width: 240 }}>
              <b>{read(pile.title)}</b>
              <Certainty pile={pile} />
            </Box>
            <Next pile={pile} />
            <Button variant="outlined" onClick={() => open(pile)}>
              {t('Open on the Bench')}
            </Button>
          </Box>
        ))}
      </Box>
      <Button sx={{ marginTop: 3 }} onClick={beginAnew}>
        {t('Set out another press')}
      </Button>
    </Box>
  );
}

/** What to find out about a pile next. */
function Next({ pile }: { pile: KnownPile }) {
  const next = useQuery(nextQuery(pile.sandwich));
  const read = useWords();
  return (
    <Box sx={{ flex: 1, minWidth: 220, fontSize: 14 }} data-testid="next-trial">
      {next.data ? read(next.data.words) : t('One moment …')}
      {next.data?.why.map((line, index) => (
        <Box key={index} sx={{ color: colour.quiet, fontSize: 13 }}>
          {read(line)}
        </Box>
      ))}
    </Box>
  );
}
