import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { getPracticeOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Practice } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { ClassFiles } from './ClassFiles';

type Skill = Practice['skills'][number];

const LOW = -3; // logits at the ends of the bar
const HIGH = 3;

/** What can be practised without spoiling card, what is due first. */
export function Skills() {
  const found = useQuery(getPracticeOptions());
  const read = useWords();
  if (!found.data) return null;
  return (
    <Box sx={{ marginBottom: '26px' }}>
      <Typography variant="h2">{t('Practice without spoiling card')}</Typography>
      <Box
        component="ul"
        aria-label={t('Skills')}
        sx={{
          listStyle: 'none',
          padding: 0,
          margin: '4px 0 0',
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))',
          gap: '6px 32px',
        }}
      >
        {found.data.skills.map((skill) => (
          <Box
            component="li"
            key={skill.key}
            sx={{ borderTop: `1px solid ${colour.hairline}`, paddingTop: '6px' }}
          >
            <Link to={`/coach/practice/${skill.key}`} style={{ color: colour.ink, fontWeight: 700 }}>
              {read(skill.title)}
            </Link>
            <Box sx={{ fontSize: 13.5, color: colour.quiet }}>{read(skill.about)}</Box>
            <Standing skill={skill} />
          </Box>
        ))}
      </Box>
      <ClassFiles />
    </Box>
  );
}

/** How somebody stands: a bar from beginner to master, as wide as it is unsure, and when it comes again. */
export function Standing({ skill }: { skill: Skill }) {
  const at = (logit: number) => (100 * (Math.min(Math.max(logit, LOW), HIGH) - LOW)) / (HIGH - LOW);
  const from = at(skill.ability - skill.ability_sd);
  const to = at(skill.ability + skill.ability_sd);
  const told =
    skill.done === 0
      ? t('not tried yet')
      : t('{solved} of {done} solved, {due}', {
          solved: skill.solved,
          done: skill.done,
          due: dueWords(skill.due),
        });
  return (
    <Box title={t("From beginner to master. The bar is as wide as we're unsure.")}>
      <Box sx={{ position: 'relative', height: 6, margin: '5px 0 2px', background: colour.hairline }}>
        {skill.done > 0 && (
          <Box
            sx={{
              position: 'absolute',
              left: `${from}%`,
              width: `${to - from}%`,
              height: '100%',
              background: colour.accent,
            }}
          />
        )}
      </Box>
      <Box sx={{ fontSize: 12.5, color: colour.quiet }}>{told}</Box>
    </Box>
  );
}

function dueWords(due: string | null): string {
  if (due === null) return t('not tried yet');
  const day = new Date(due);
  return day.getTime() <= Date.now()
    ? t('due now')
    : t('again on {day}', { day: day.toLocaleDateString(undefined, { dateStyle: 'medium' }) });
}
