import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { listJobsOptions } from '../../api/gen/@tanstack/react-query.gen';
import { Notice } from '../../shared/Notice';
import { NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { NewCard } from './NewCard';
import { PaperThereIs } from './PaperThereIs';

/** `/plan`: the plans that are kept, and a card to begin with. */
export function PlanHome() {
  const listed = useQuery(listJobsOptions());
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Typography variant="h1">{t('Plan')}</Typography>
      <Typography sx={{ color: colour.quiet, maxWidth: 620 }}>
        {t('From a card in mind to its sizes, the sheets to cut, the order of work and the hours it takes.')}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr)',
          gap: '0 56px',
          [NARROW]: { display: 'block' },
        }}
      >
        <div>
          <NewCard />
          {listed.error && (
            <Notice
              title={t("Can't read the plans.")}
              text={t('{message} Trying again.', { message: listed.error.message })}
            />
          )}
          {listed.data && listed.data.jobs.length > 0 && (
            <Box component="section" aria-label={t('Your plans')} sx={{ marginTop: '26px' }}>
              <Typography variant="h2">{t('Your plans')}</Typography>
              <Box component="ul" sx={{ listStyle: 'none', padding: 0, margin: '6px 0' }}>
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
        </div>
        <PaperThereIs />
      </Box>
    </Box>
  );
}
