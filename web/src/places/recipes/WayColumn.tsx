import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import type { Found as FoundRecipe } from '../../api/gen/types.gen';
import { GoodSheet } from '../../looks/GoodSheet';
import { PileList } from '../../sandwich/PileList';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { useTakeAlong } from './useTakeAlong';
import { t } from '../../words/words';

interface Props {
  found: FoundRecipe;
  rank: number;
  /** The best of all. */
  first: boolean;
  narrow: boolean;
}

/** One school's sandwich: the pile, its figures, what it gains, and why it stands where it stands. */
export function WayColumn({ found, rank, first, narrow }: Props) {
  const read = useWords();
  const { onBench, toPress } = useTakeAlong(found.sandwich);
  return (
    <Box component="article" aria-label={read(found.way_title)} sx={{ paddingTop: '8px', fontSize: 13.5 }}>
      <Typography variant="h3" sx={{ minHeight: narrow ? 38 : 20 }}>
        <span style={{ color: colour.quiet, fontWeight: 400 }}>{rank}. </span>
        {read(found.way_title)}
      </Typography>
      <Box sx={{ margin: '6px 0' }}>
        <PileList sandwich={found.sandwich} />
      </Box>
      <Figures found={found} />
      <Typography sx={{ fontSize: 13, margin: '4px 0', color: colour.quiet }}>{read(found.gains)}</Typography>
      {found.warnings.map((warning, index) => (
        <Typography key={index} sx={{ fontSize: 13, color: colour.warn }}>
          {read(warning)}
        </Typography>
      ))}
      <details open={first}>
        <summary style={{ cursor: 'pointer', color: colour.accent, fontSize: 13 }}>{t('Why')}</summary>
        <Box component="ul" sx={{ margin: '2px 0 0', paddingLeft: '16px', fontSize: 13 }}>
          {found.works.map((line, index) => (
            <li key={index}>{read(line)}</li>
          ))}
          {found.before_next && <li>{read(found.before_next)}</li>}
        </Box>
      </details>
      <Box sx={{ display: 'flex', gap: '4px', marginTop: '4px' }}>
        <Button variant={first ? 'contained' : 'outlined'} onClick={onBench}>
          {narrow ? t('On the Bench') : t('Open on the Bench')}
        </Button>
        <Button onClick={toPress}>{narrow ? t('Press') : t('Go to the press')}</Button>
      </Box>
    </Box>
  );
}

function Figures({ found }: { found: FoundRecipe }) {
  const { layers, items } = found.sandwich;
  const takesMist = layers.some((layer) => layer.role === 'sheet' && items[layer.item]?.stock?.mist);
  const figures: [string, string][] = [
    [found.passes === 1 ? t('1 pass') : t('{n} passes', { n: found.passes }), t('through the rollers')],
    ...(takesMist ? [[found.misted ? t('misted') : t('dry'), t('the sheet')] as [string, string]] : []),
    [t('{force} N', { force: Math.round(found.handle_n) }), t('force at the handle, or on the motor')],
  ];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '0 12px' }}>
      {found.good && <GoodSheet good={found.good} />}
      {figures.map(([value, meaning]) => (
        <Tooltip key={meaning} title={meaning} describeChild>
          <span>{value}</span>
        </Tooltip>
      ))}
    </Box>
  );
}
