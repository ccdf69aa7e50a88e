import Box from '@mui/material/Box';
import { Link, useNavigate } from 'react-router';
import { answerGivenDrill } from '../../api/gen/sdk.gen';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { useClass } from './classStore';
import { OneDrill } from './OneDrill';

/** `/coach/practice/given`: a teacher's drill; what comes of it is kept here until it is handed in. */
export function GivenPlace() {
  const { open, done, set } = useClass();
  const navigate = useNavigate();
  if (!open)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice title={t('No drill is open.')} text={t('Open the file your teacher gave you.')}>
          <Link to="/coach">{t('To the Coach')}</Link>
        </Notice>
      </Box>
    );
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '12px 24px 24px' }}>
      <Link to="/coach" style={{ color: colour.accent, display: 'inline-block', lineHeight: '28px' }}>
        {t('‹ Coach')}
      </Link>
      {open.file.note && <Box sx={{ color: colour.quiet }}>{open.file.note}</Box>}
      <OneDrill
        drill={open.drill}
        answer={(given) => answerGivenDrill({ body: { file: open.file, ...given } })}
        onOver={(came, { tries, hints }) =>
          set({
            done: [
              ...done,
              {
                drill: open.file.name,
                right: came.right,
                tries,
                hints,
                points: came.points ?? 0,
                at: new Date().toISOString(),
              },
            ],
          })
        }
        next={t('To the Coach')}
        onNext={() => void navigate('/coach')}
      />
    </Box>
  );
}
