import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

export const FOLDS = ['side', 'top', 'tent', 'gate', 'flat'] as const;
export type Fold = (typeof FOLDS)[number];

const SIDE = 44; // px, the longer side of a closed card
const HINTS: Record<Fold, string> = {
  side: t('Opens like a book'),
  top: t('Opens upward'),
  tent: t('Stands on its two edges'),
  gate: t('Two doors meet in the middle'),
  flat: t('One panel, no fold'),
};

interface Props {
  value: Fold;
  /** The closed card. [mm] */
  size: [number, number];
  onChange: (fold: Fold) => void;
}

/** How a card folds, each way drawn laid flat in the card's own proportions; what faces the reader is lit. */
export function FoldChoice({ value, size, onChange }: Props) {
  return (
    <Box role="radiogroup" aria-label={t('Fold')} sx={{ display: 'flex', flexWrap: 'wrap', gap: '6px 18px' }}>
      {FOLDS.map((fold) => (
        <ButtonBase
          key={fold}
          role="radio"
          aria-checked={fold === value}
          title={HINTS[fold]}
          onClick={() => onChange(fold)}
          sx={{
            flexDirection: 'column',
            justifyContent: 'flex-end',
            gap: '5px',
            fontSize: 13.5,
            paddingBottom: '2px',
            color: fold === value ? colour.ink : colour.quiet,
            fontWeight: fold === value ? 700 : 400,
            borderBottom: `2px solid ${fold === value ? colour.accent : 'transparent'}`,
          }}
        >
          <Flat fold={fold} size={size} />
          {term(fold)}
        </ButtonBase>
      ))}
    </Box>
  );
}

function Flat({ fold, size }: { fold: Fold; size: [number, number] }) {
  const scale = SIDE / Math.max(...size);
  const [wide, high] = [size[0] * scale, size[1] * scale];
  const [across, down] = [
    fold === 'side' || fold === 'gate' ? 2 : 1,
    fold === 'top' || fold === 'tent' ? 2 : 1,
  ];
  const folds = fold === 'gate' ? [wide / 2, 1.5 * wide] : fold === 'side' ? [wide] : [];
  const front = {
    side: [wide, 0, wide],
    gate: [wide / 2, 0, wide],
    top: [0, high, wide],
    tent: [0, high, wide],
    flat: [0, 0, wide],
  }[fold];
  return (
    <svg
      aria-hidden
      width={wide * across + 2}
      height={high * down + 2}
      viewBox={`-1 -1 ${wide * across + 2} ${high * down + 2}`}
    >
      <rect width={wide * across} height={high * down} fill={colour.panel} stroke={colour.ink} />
      <rect
        x={front[0]}
        y={front[1]}
        width={front[2]}
        height={high}
        fill={colour.accentWash}
        stroke={colour.ink}
      />
      {[...folds.map((x) => `M${x} 0V${high}`), ...(down === 2 ? [`M0 ${high}H${wide}`] : [])].map((path) => (
        <path key={path} d={path} stroke={colour.accent} strokeDasharray="4 3" fill="none" />
      ))}
    </svg>
  );
}
