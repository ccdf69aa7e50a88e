import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { JobFile, Plan } from '../../api/gen/types.gen';
import { QuietSelect } from '../../shared/QuietSelect';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

interface Props {
  job: JobFile;
  /** None while what is wished for contradicts itself: then it can still be taken out. */
  plan: Plan | undefined;
  onChange: (job: JobFile) => void;
}

/** Orders that are wished for beside the rules. */
export function Wishes({ job, plan, onChange }: Props) {
  const read = useWords();
  const [first, setFirst] = useState('');
  const [then, setThen] = useState('');
  const names = new Map(job.pieces.map((piece) => [piece.key, piece.name]));
  const { slots, done } = plan?.schedule ?? { slots: [], done: [] };
  const called = Object.fromEntries(
    [...slots, ...done].map((one) => [one.key, `${names.get(one.piece) ?? one.piece}: ${read(one.title)}`]),
  );
  const wanted = job.wanted ?? [];
  /** What is wished for while the plan cannot be made: from its key. */
  const told = (key: string) => {
    const [piece = '', works = ''] = key.split(': ');
    return `${names.get(piece) ?? piece}: ${works
      .split(' + ')
      .map((work) => term(work))
      .join(', ')}`;
  };
  return (
    <Box component="section" aria-label={t('Your order')} sx={{ color: colour.quiet, margin: '0 0 10px' }}>
      {wanted.map((one, n) => (
        <Box key={n} sx={{ display: 'flex', alignItems: 'baseline', gap: '10px' }}>
          {t('{first} before {then}', {
            first: called[one.first] ?? told(one.first),
            then: called[one.then] ?? told(one.then),
          })}
          <Button
            sx={{ fontSize: 13.5 }}
            onClick={() => onChange({ ...job, wanted: wanted.filter((_, m) => m !== n) })}
          >
            {t('Remove')}
          </Button>
        </Box>
      ))}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 10px' }}>
        {t('I want')}
        <QuietSelect
          label={t('What comes first')}
          value={first}
          options={{ '': t('this'), ...called }}
          onChange={setFirst}
        />
        {t('before')}
        <QuietSelect
          label={t('What comes after')}
          value={then}
          options={{ '': t('that'), ...called }}
          onChange={setThen}
        />
        <Button
          disabled={!first || !then || first === then}
          onClick={() => {
            onChange({ ...job, wanted: [...wanted, { first, then }] });
            setFirst('');
            setThen('');
          }}
        >
          {t('Add it')}
        </Button>
      </Box>
    </Box>
  );
}
