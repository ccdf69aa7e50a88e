import Box from '@mui/material/Box';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

const TONES: Record<string, string> = {
  slack: colour.hairline,
  faint: colour.metalDeep,
  right: colour.accent,
  hard: colour.warn,
  refuses: colour.stop,
};

/** Chances of the five zones as one bar, and the likeliest in words. */
export function Certainty({ chances }: { chances: Record<string, number> }) {
  const zones = Object.entries(chances);
  const [likeliest, chance] = zones.reduce((best, next) => (next[1] > best[1] ? next : best), ['', 0]);
  const words = zones.map(([zone, share]) => `${term(zone)} ${Math.round(share * 100)} %`).join(', ');
  return (
    <Box role="img" aria-label={t('Chances: {words}', { words })} title={words}>
      <Box sx={{ display: 'flex', height: 8, border: `1px solid ${colour.hairline}` }}>
        {zones.map(([zone, share]) => (
          <span key={zone} style={{ flex: share, background: TONES[zone] }} />
        ))}
      </Box>
      <Box sx={{ fontSize: 13, color: colour.quiet }} data-testid="certainty">
        {t('{zone}, {chance} % sure', { zone: term(likeliest), chance: Math.round(chance * 100) })}
      </Box>
    </Box>
  );
}
