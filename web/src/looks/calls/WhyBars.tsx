import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { Explanation } from '../../api/gen/types.gen';
import { useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { figure } from '../../words/figures';

type Bar = Explanation['links'][number]['bars'][number];

const LABEL = 18; // px

interface Props {
  bars: Bar[];
  against: Bar[];
  onSelect: (layer: string) => void;
}

/** Parts of something one after the other on one line, and the marks that they are held against; a part that is a layer shows it in the pile. */
export function WhyBars({ bars, against, onSelect }: Props) {
  const { unit } = useUnit();
  const read = useWords();
  if (bars.length === 0) return null;
  const total = bars.reduce((sum, bar) => sum + bar.much.value, 0);
  const most = Math.max(total, ...against.map((bar) => bar.much.value)) * 1.02;
  if (!(most > 0)) return null;
  const told = (bar: Bar) => `${read(bar.name)} ${figure(bar.much.value, bar.much.kind, unit)}`;
  return (
    <Box
      sx={{
        position: 'relative',
        maxWidth: 560,
        margin: '3px 0 4px',
        paddingBottom: `${against.length * LABEL}px`,
      }}
    >
      <Box
        sx={{ display: 'flex', height: 24, border: `1px solid ${colour.hairline}`, background: colour.panel }}
      >
        {bars.map((bar, index) => (
          <ButtonBase
            key={index}
            disabled={!bar.layer}
            onClick={() => bar.layer && onSelect(bar.layer)}
            title={told(bar)}
            aria-label={told(bar)}
            sx={{
              width: `${(100 * bar.much.value) / most}%`,
              minWidth: 0,
              overflow: bars.length === 1 ? 'visible' : 'hidden',
              whiteSpace: 'nowrap',
              justifyContent: 'flex-start',
              paddingLeft: '4px',
              fontSize: 12,
              color: colour.ink,
              background: index % 2 ? colour.accentWash : colour.paper,
              borderRight: `1px solid ${colour.quiet}`,
            }}
          >
            {told(bar)}
          </ButtonBase>
        ))}
      </Box>
      {against.map((bar, index) => (
        <Box
          key={index}
          sx={{
            position: 'absolute',
            left: `${Math.min((100 * bar.much.value) / most, 100)}%`,
            top: -3,
            height: 30,
            borderLeft: `2px solid ${colour.stop}`,
          }}
        >
          <Box
            component="span"
            sx={{
              position: 'absolute',
              top: 28 + (LABEL - 2) * index,
              fontSize: 12,
              whiteSpace: 'nowrap',
              color: colour.quiet,
              ...(bar.much.value / most > 0.5 ? { right: 0 } : { left: 0 }),
            }}
          >
            {told(bar)}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
