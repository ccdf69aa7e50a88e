import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { listFormatsOptions } from '../../api/gen/@tanstack/react-query.gen';
import { beginJob } from '../../api/gen/sdk.gen';
import type { Start } from '../../api/gen/types.gen';
import { once } from '../../api/once';
import { effectsQuery } from '../../api/queries';
import { asSentence } from '../../api/refusal';
import { QuietSelect } from '../../shared/QuietSelect';
import { useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { figure } from '../../words/figures';
import { t } from '../../words/words';
import { Entry } from './Entry';
import { FoldChoice } from './FoldChoice';

const FIRST = { mm: 'a6', in: 'us-a2' } as const;
const SQUARE: [number, number] = [1, 1]; // how a card of a size that is still only typed is drawn

/** A new card, from a format. */
export function NewCard() {
  const { unit } = useUnit();
  const read = useWords();
  const go = useNavigate();
  const formats = useQuery({ ...listFormatsOptions(), staleTime: Infinity }).data?.formats ?? [];
  const [from] = useSearchParams();
  const [start, setStart] = useState<Partial<Start>>({
    effect: from.get('effect'),
    pile: from.get('pile'),
  });
  const effect = useQuery(effectsQuery).data?.find((one) => one.key === start.effect);
  const [refused, setRefused] = useState<string>();
  const wanted: Start = { format: FIRST[unit], fold: 'side', count: 12, ...start, unit };
  const begin = async () => {
    try {
      const made = await once('job', wanted, (headers) => beginJob({ body: wanted, headers }));
      await go(`/plan/${made.id}`);
    } catch (error) {
      setRefused(asSentence(error as Error));
    }
  };
  const chosen = formats.find((format) => format.key === wanted.format);
  const cards = formats.filter((format) => format.use === 'card');
  return (
    <Box component="section" aria-label={t('A new card')} sx={{ marginTop: '18px' }}>
      <Typography variant="h2">{t('A new card')}</Typography>
      <Box
        sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', gap: '8px 22px', margin: '8px 0' }}
      >
        <QuietSelect
          label={t('Format')}
          value={wanted.format}
          options={{
            ...(chosen ? {} : { [wanted.format]: t('custom size') }),
            ...Object.fromEntries(cards.map((card) => [card.key, read(card.title)])),
          }}
          onChange={(format) => setStart({ ...start, format })}
        />
        <span style={{ color: colour.quiet }}>
          {t('closed')}{' '}
          <Entry
            label={t('Size of the closed card')}
            value={
              chosen
                ? `${figure(chosen.width_mm, 'marked', unit)} x ${figure(chosen.height_mm, 'marked', unit)}`
                : wanted.format
            }
            wide={150}
            onCommit={(format) => setStart({ ...start, format })}
          />
        </span>
        <span>
          <Entry
            label={t('How many')}
            value={String(wanted.count)}
            wide={52}
            onCommit={(text) => {
              const count = Number(text);
              if (Number.isInteger(count) && count >= 1 && count <= 5000) setStart({ ...start, count });
            }}
          />{' '}
          {t('to make')}
        </span>
      </Box>
      <FoldChoice
        value={wanted.fold}
        size={chosen ? [chosen.width_mm, chosen.height_mm] : SQUARE}
        onChange={(fold) => setStart({ ...start, fold })}
      />
      <Box
        sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', gap: '8px 22px', margin: '14px 0' }}
      >
        {(effect ?? start.pile) && (
          <span>
            {t('press its layer: {what}', { what: effect ? read(effect.title) : (start.pile ?? '') })}{' '}
            <Button onClick={() => setStart({ ...start, effect: null, pile: null })}>
              {t("Don't press it")}
            </Button>
          </span>
        )}
        <Button variant="contained" onClick={() => void begin()}>
          {t('Plan it')}
        </Button>
      </Box>
      {refused && (
        <Box role="alert" sx={{ color: colour.stop }}>
          {refused}
        </Box>
      )}
    </Box>
  );
}
