import Box from '@mui/material/Box';
import type { KnownPile } from '../../api/gen/types.gen';
import { GoodSheet } from '../../looks/GoodSheet';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

const TONES: Record<string, string> = {
  slack: colour.hairline,
  faint: colour.metalDeep,
  right: colour.accent,
  hard: colour.warn,
  refuses: colour.stop,
};

/** How hard a pile may be pressed as one bar of chances, and the chance of a good sheet in words. */
export function Certainty({ pile }: { pile: KnownPile }) {
  const zones = Object.entries(pile.chances);
  const words = zones.map(([zone, share]) => `${term(zone)} ${Math.round(share * 100)} %`).join(', ');
  return (
    <Box>
      <Box role="img" aria-label={t('Pressed: {words}', { words })} title={words}>
        <Box sx={{ display: 'flex', height: 8, border: `1px solid ${colour.hairline}` }}>
          {zones.map(([zone, share]) => (
            <span key={zone} style={{ flex: share, background: TONES[zone] }} />
          ))}
        </Box>
      </Box>
      <Box sx={{ fontSize: 13, color: colour.quiet, minHeight: 20 }} data-testid="certainty">
        {pile.good && <GoodSheet good={pile.good} />}
      </Box>
    </Box>
  );
}
