import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Post } from '../../api/gen/types.gen';
import { figure } from '../../words/figures';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** What the finished card is for the post, class by class, and what would make it thinner. */
export function PostLook({ post, names }: { post: Post; names: Map<string, string> }) {
  const { unit } = useUnit();
  const read = useWords();
  return (
    <Box>
      <Typography variant="h2">
        {t('{thick} thick, {mass} g', {
          thick: formatThickness(post.thickness_mm, unit),
          mass: figure(post.mass_g, 'number', unit),
        })}
      </Typography>
      <Box sx={{ color: colour.quiet }}>
        {t('Thickest where {pieces} lie on one another, as if nothing gave way. ', {
          pieces: post.thickest.map((key) => names.get(key) ?? key).join(', '),
        })}
        {post.envelope
          ? t('It goes in the {envelope}; {mass} g with it.', {
              envelope: read(post.envelope),
              mass: figure(post.posted_g, 'number', unit),
            })
          : t('No envelope on the list takes it.')}
      </Box>
      <Box
        component="ul"
        aria-label={t('Classes of letters')}
        sx={{ listStyle: 'none', padding: 0, margin: '12px 0' }}
      >
        {post.classes.map((one) => (
          <Box
            component="li"
            key={one.key}
            sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '5px 0' }}
          >
            <b>{one.title}</b>{' '}
            <span style={{ color: one.why_not.length ? colour.warn : colour.accent }}>
              {one.why_not.length ? one.why_not.map(read).join(' ') : t('goes')}
            </span>
            <span style={{ display: 'block', color: colour.quiet, fontSize: 13 }}>{one.source}</span>
          </Box>
        ))}
      </Box>
      {post.thinner.length > 0 && (
        <>
          <Typography variant="h2">{t('What would make it thinner')}</Typography>
          <Box component="ul" sx={{ margin: '4px 0', paddingLeft: '18px' }}>
            {post.thinner.map((way) => (
              <li key={`${way.says.say} ${way.saves_mm}`}>
                {read(way.says)}{' '}
                <span style={{ color: colour.quiet }}>−{formatThickness(way.saves_mm, unit)}</span>
              </li>
            ))}
          </Box>
        </>
      )}
      <Box sx={{ color: colour.quiet, fontSize: 13.5, marginTop: '10px' }}>
        {t('Rules of the post change; its own sheet counts.')}
      </Box>
    </Box>
  );
}
