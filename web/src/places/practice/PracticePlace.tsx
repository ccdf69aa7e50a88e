import Box from '@mui/material/Box';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answerDrill } from '../../api/gen/sdk.gen';
import { getPracticeOptions, makeDrillOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Practice, Which } from '../../api/gen/types.gen';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { OneDrill } from './OneDrill';

type Skill = Practice['skills'][number];

/** `/coach/practice/:skill`: one drill after the other, as hard as somebody is good. */
export function PracticePlace() {
  const { skill: key = '' } = useParams();
  const found = useQuery({ ...getPracticeOptions(), staleTime: 0 });
  const skill = found.data?.skills.find((one) => one.key === key);
  if (!skill)
    return (
      <Box sx={{ padding: 6 }}>
        {found.data || found.error ? (
          <Notice
            title={t("Can't open this drill.")}
            text={found.error?.message ?? t("There's no such skill.")}
          >
            <Link to="/coach">{t('Skills')}</Link>
          </Notice>
        ) : (
          <Notice title={t('Opening a drill')} text={t('One moment.')} />
        )}
      </Box>
    );
  return <Drills key={key} skill={skill} />;
}

/** A seed that no drill before it had, as far as anybody can tell. */
const freshSeed = () => Math.floor(Math.random() * 2 ** 31);

function Drills({ skill }: { skill: Skill }) {
  const [which, setWhich] = useState<Which>(() => ({
    skill: skill.key,
    seed: freshSeed(),
    level: skill.level,
  }));
  const client = useQueryClient();
  const drill = useQuery({ ...makeDrillOptions({ body: which }), staleTime: Infinity, retry: false });
  const next = () => setWhich({ skill: skill.key, seed: freshSeed(), level: skill.level });
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '12px 24px 24px' }}>
      <Link to="/coach" style={{ color: colour.accent, display: 'inline-block', lineHeight: '28px' }}>
        {t('‹ Coach')}
      </Link>
      {drill.error && (
        <Notice title={t("Couldn't make a drill.")} text={drill.error.message}>
          <Link to="/coach">{t('All skills')}</Link>
        </Notice>
      )}
      {drill.isPending && <Notice title={t('Making a drill')} text={t('One moment.')} />}
      {drill.data && (
        <OneDrill
          key={which.seed}
          drill={drill.data}
          skill={skill}
          answer={(given) => answerDrill({ body: { which, ...given } })}
          onOver={() => void client.invalidateQueries({ queryKey: [{ _id: 'getPractice' }] })}
          next={t('The next one')}
          onNext={next}
        />
      )}
    </Box>
  );
}
