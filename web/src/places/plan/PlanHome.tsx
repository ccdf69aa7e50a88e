import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { listFormatsOptions, listJobsOptions } from '../../api/gen/@tanstack/react-query.gen';
import { beginJob } from '../../api/gen/sdk.gen';
import type { Start } from '../../api/gen/types.gen';
import { once } from '../../api/once';
import { effectsQuery } from '../../api/queries';
import { asSentence } from '../../api/refusal';
import { Notice } from '../../shared/Notice';
import { QuietSelect } from '../../shared/QuietSelect';
import { Segments } from '../../shared/Segments';
import { useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { figure } from '../../words/figures';
import { t } from '../../words/words';
import { Entry } from './Entry';
import { PaperThereIs } from './PaperThereIs';

const FOLDS = ['side', 'top', 'tent', 'gate', 'flat'] as const;
const FIRST = { mm: 'a6', in: 'us-a2' } as const;

/** `/plan`: the plans that are kept, and a card to begin with. */
export function PlanHome() {
  const listed = useQuery(listJobsOptions());
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Typography variant="h1">{t('Plan')}</Typography>
      <Typography sx={{ color: colour.quiet, maxWidth: 620 }}>
        {t('From a card in mind to its sizes, the sheets to cut, the order of work and the hours it takes.')}
      </Typography>
      <Begin />
      {listed.error && (
        <Notice
          title={t("Can't read the plans.")}
          text={t('{message} Trying again.', { message: listed.error.message })}
        />
      )}
      {listed.data && listed.data.jobs.length > 0 && (
        <Box component="section" aria-label={t('Your plans')} sx={{ marginTop: '26px' }}>
          <Typography variant="h2">{t('Your plans')}</Typography>
          <Box component="ul" sx={{ listStyle: 'none', padding: 0, margin: '6px 0', maxWidth: 620 }}>
            {listed.data.jobs.map((job) => (
              <Box
                component="li"
                key={job.id}
                sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '7px 0' }}
              >
                <Link to={`/plan/${job.id}`} style={{ color: colour.ink, fontWeight: 600 }}>
                  {job.name}
                </Link>
                <span style={{ color: colour.quiet, marginLeft: 12 }}>
                  {job.count === null ? '' : t('{count} to make', { count: job.count })}
                </span>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      <PaperThereIs />
    </Box>
  );
}

/** A new card, from a format. */
function Begin() {
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
        sx={{
          display: 'flex',
          alignItems: 'baseline',
          flexWrap: 'wrap',
          gap: '8px 22px',
          margin: '8px 0 12px',
        }}
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
        <Segments
          label={t('Fold')}
          value={wanted.fold}
          options={FOLDS}
          onChange={(fold) => setStart({ ...start, fold })}
        />
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
