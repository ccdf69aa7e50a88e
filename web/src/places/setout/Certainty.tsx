import Box from '@mui/material/Box';
import type { Good, KnownPile } from '../../api/gen/types.gen';
import { GoodSheet } from '../../looks/GoodSheet';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** The chance of a good sheet as a bar and in words, or what is wrong with the pile whatever the sheet may be. */
export function Certainty({ pile }: { pile: KnownPile }) {
  const read = useWords();
  return (
    <Box sx={{ fontSize: 13, color: colour.quiet, minHeight: 30 }} data-testid="certainty">
      {pile.good && <Bar good={pile.good} />}
      {pile.good ? <GoodSheet good={pile.good} /> : pile.wrong && read(pile.wrong)}
    </Box>
  );
}

function Bar({ good }: { good: Good }) {
  return (
    <Box
      role="img"
      aria-label={t('A good sheet: {share} %', { share: Math.round(good.chance * 100) })}
      sx={{ display: 'flex', height: 8, border: `1px solid ${colour.hairline}` }}
    >
      <span style={{ flex: good.chance, background: colour.accent }} />
      <span style={{ flex: 1 - good.chance, background: colour.hairline }} />
    </Box>
  );
}
