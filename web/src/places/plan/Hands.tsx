import Box from '@mui/material/Box';
import type { JobFile, ShopFile } from '../../api/gen/types.gen';
import { Segments } from '../../shared/Segments';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Entry } from './Entry';
import { Presses } from './Presses';

const AIMS = ['shortest', 'fewest set-ups'] as const;
const AIM_WORDS = { shortest: t('shortest'), 'fewest set-ups': t('fewest piles to build') };

interface Props {
  job: JobFile;
  onChange: (job: JobFile) => void;
}

/** Who and what there is to work with, and what matters more. */
export function Hands({ job, onChange }: Props) {
  const shop: ShopFile = job.shop ?? { hands: 1, heat_tools: 1, rack: 400 };
  const counted = (label: string, now: number, most: number, then: (count: number) => void) => (
    <Entry
      label={label}
      value={String(now)}
      wide={36}
      onCommit={(text) => {
        const count = Number(text);
        if (Number.isInteger(count) && count >= 1 && count <= most) then(count);
      }}
    />
  );
  return (
    <Box
      component="section"
      aria-label={t('Who works')}
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 20px', color: colour.quiet }}
    >
      <span>
        {counted(t('Pairs of hands'), shop.hands, 20, (hands) =>
          onChange({ ...job, shop: { ...shop, hands } }),
        )}{' '}
        {t('pairs of hands')}
      </span>
      <span>
        {counted(t('Heat tools'), shop.heat_tools, 20, (heat) =>
          onChange({ ...job, shop: { ...shop, heat_tools: heat } }),
        )}{' '}
        {t('heat tools')}
      </span>
      <span>
        {t('the rack holds')}{' '}
        {counted(t('Rack'), shop.rack, 100_000, (rack) => onChange({ ...job, shop: { ...shop, rack } }))}
      </span>
      <span>
        {t('in batches of')}{' '}
        {counted(t('Batch'), job.batch ?? job.count, 5000, (batch) => onChange({ ...job, batch }))}
      </span>
      <Presses job={job} shop={shop} onChange={onChange} />
      <Segments
        label={t('What matters')}
        value={job.aim}
        options={AIMS}
        names={AIM_WORDS}
        onChange={(aim) => onChange({ ...job, aim })}
      />
    </Box>
  );
}
