import Box from '@mui/material/Box';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { bladeStates } from '../bladeStates';
import { scaleColour } from '../nip/scale';
import type { MapName } from './usePressed';
import { t } from '../../words/words';

const WORDS: Record<MapName, string> = {
  light: '',
  depth: t('height above the lowest point'),
  pressure: t('pressure between the rollers'),
  crack: t('stretch over what the sheet takes; cracks from 1'),
  buckle: t('how many times too long to stay flat'),
  ink: t('ink taken'),
  cut: '',
};

/** What the colours of a map mean. */
export function MapLegend({ map, top }: { map: MapName; top: number }) {
  const unit = useUnit((choice) => choice.unit);
  if (map === 'light') return null;
  if (map === 'cut')
    return (
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 12px', fontSize: 12, color: colour.quiet }}>
        {bladeStates.map(({ words, tone }) => (
          <span key={words}>
            <Box
              component="span"
              sx={{
                display: 'inline-block',
                width: 12,
                height: 4,
                background: tone,
                marginRight: '5px',
                verticalAlign: 'middle',
              }}
            />
            {words}
          </span>
        ))}
      </Box>
    );
  const end =
    map === 'depth'
      ? formatThickness(top, unit)
      : map === 'pressure'
        ? `${top} MPa`
        : map === 'ink'
          ? 'full'
          : String(top);
  const stops = Array.from({ length: 11 }, (_, n) => `rgb(${scaleColour(n / 10).join(',')}) ${n * 10}%`).join(
    ',',
  );
  return (
    <Box sx={{ fontSize: 12, color: colour.quiet }}>
      <Box
        sx={{
          height: 9,
          background: `linear-gradient(90deg, ${stops})`,
          border: `1px solid ${colour.hairline}`,
        }}
      />
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>0</span>
        <span>{WORDS[map]}</span>
        <span>{end}</span>
      </Box>
    </Box>
  );
}
