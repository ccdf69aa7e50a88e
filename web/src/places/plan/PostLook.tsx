import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { JobFile, Post } from '../../api/gen/types.gen';
import { figure } from '../../words/figures';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Classes } from './Classes';

interface Props {
  job: JobFile;
  post: Post;
  /** Of the pieces, by key. */
  names: Map<string, string>;
  onChange: (job: JobFile) => void;
}

/** What the finished card is for the post, class by class, and what would make it thinner. */
export function PostLook({ job, post, names, onChange }: Props) {
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
        {t('Thickest where {pieces} overlap, as if nothing compressed. ', {
          pieces: post.thickest.map((key) => names.get(key) ?? key).join(', '),
        })}
        {post.envelope
          ? t('It fits the {envelope}, {mass} g in all.', {
              envelope: read(post.envelope),
              mass: figure(post.posted_g, 'number', unit),
            })
          : t('No envelope on the list fits.')}
      </Box>
      <Classes job={job} post={post} onChange={onChange} />
      {post.foam.map((one) => (
        <Box key={read(one)} sx={{ marginBottom: '6px' }}>
          {read(one)}
        </Box>
      ))}
      {post.thinner.length > 0 && (
        <>
          <Typography variant="h2">{t('What would make it thinner')}</Typography>
          <Box component="ul" sx={{ margin: '4px 0', paddingLeft: '18px' }}>
            {post.thinner.map((way) => (
              <li key={`${way.says.say} ${way.saves_mm}`}>
                {read(way.says)}{' '}
                <span style={{ color: colour.quiet }}>−{formatThickness(way.saves_mm, unit)}</span>
                {way.goes_as.length > 0 &&
                  ` ${t('Then it goes as {classes}.', { classes: way.goes_as.join(', ') })}`}
              </li>
            ))}
          </Box>
        </>
      )}
      <Box sx={{ color: colour.quiet, fontSize: 13.5, marginTop: '10px' }}>
        {t("Postal rules change. Check your post's own list.")}
      </Box>
    </Box>
  );
}
