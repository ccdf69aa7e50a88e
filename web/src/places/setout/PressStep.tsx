import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { useSetOut, type DriveKind, type Size } from './useSetOut';

const SIZES: [Size, string, string, number][] = [
  ['pocket', t('Pocket'), t('for tags and small cards'), 75],
  ['standard', t('Standard'), t('for cards'), 150],
  ['wide', t('Wide'), t('for whole pages'), 215],
];
const DRIVES: [DriveKind, string][] = [
  ['hand', t('turned by hand')],
  ['motor', t('turned by a motor')],
];

/** The press, by what anybody sees of it. */
export function PressStep() {
  const { size, drive, name, change } = useSetOut();
  const unit = useUnit((choice) => choice.unit);
  return (
    <Box>
      <Typography variant="h2">{t('Which press is it?')}</Typography>
      <Box
        role="radiogroup"
        aria-label={t('Size of the press')}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, margin: '14px 0' }}
      >
        {SIZES.map(([key, title, says, feeds]) => (
          <ButtonBase
            key={key}
            role="radio"
            aria-checked={size === key}
            onClick={() => change({ size: key })}
            sx={{
              display: 'block',
              width: 190,
              textAlign: 'left',
              padding: '10px 14px',
              border: `2px solid ${size === key ? colour.accent : colour.hairline}`,
              background: size === key ? colour.accentWash : colour.panel,
            }}
          >
            <Rollers wide={feeds} />
            <b style={{ fontSize: 16 }}>{title}</b>
            <Box sx={{ color: colour.quiet, fontSize: 13.5 }}>
              {t('{says}; about {width} fits between its sides', { says, width: formatSize(feeds, unit) })}
            </Box>
          </ButtonBase>
        ))}
      </Box>
      <Box
        role="radiogroup"
        aria-label={t('How it is turned')}
        sx={{ display: 'flex', gap: 2, marginBottom: 2 }}
      >
        {DRIVES.map(([key, title]) => (
          <ButtonBase
            key={key}
            role="radio"
            aria-checked={drive === key}
            onClick={() => change({ drive: key })}
            sx={{
              fontSize: 15,
              padding: '4px 0',
              fontWeight: drive === key ? 700 : 400,
              borderBottom: `2px solid ${drive === key ? colour.accent : 'transparent'}`,
            }}
          >
            {title}
          </ButtonBase>
        ))}
      </Box>
      <InputBase
        value={name}
        onChange={(event) => change({ name: event.target.value })}
        placeholder={t('What you call it')}
        inputProps={{ 'aria-label': t('Name of the press'), maxLength: 120 }}
        sx={{ width: 300, borderBottom: `1px dotted ${colour.quiet}`, fontSize: 16, marginBottom: 3 }}
      />
      <Box sx={{ color: colour.quiet, maxWidth: 560, marginBottom: 2 }}>
        {t(
          "You don't need to know its opening or stiffness: presses of one kind differ by a few tenths. Piles that work for you say more than any gauge.",
        )}
      </Box>
      <Button variant="contained" onClick={() => change({ step: 1 })}>
        {t('Go on')}
      </Button>
    </Box>
  );
}

/** Two rollers from the front, as wide as they are. */
function Rollers({ wide }: { wide: number }) {
  const w = wide * 0.7;
  return (
    <svg width={160} height={54} aria-hidden="true" style={{ display: 'block', marginBottom: 6 }}>
      {[8, 32].map((y) => (
        <rect
          key={y}
          x={80 - w / 2}
          y={y}
          width={w}
          height={14}
          rx={3}
          fill="url(#hatch-roller)"
          stroke={colour.ink}
        />
      ))}
      {[80 - w / 2 - 6, 80 + w / 2 + 1].map((x) => (
        <rect key={x} x={x} y={2} width={5} height={50} fill={colour.metalDeep} />
      ))}
    </svg>
  );
}
