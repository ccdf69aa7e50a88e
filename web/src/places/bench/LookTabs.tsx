import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { FINGER, FINGERS, HAND } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { LOOK_TITLES, LOOKS, type Look } from './looks';
import { t } from '../../words/words';

/** What a screen for the hand shows one at a time: the pile itself, and the looks at it. */
export type Side = 'pile' | Look;
export const SIDES: readonly Side[] = ['pile', ...LOOKS];
const SIDE_TITLES: Record<Side, string> = { pile: t('Pile'), ...LOOK_TITLES };

interface Props<Shown extends Side> {
  shown: readonly Shown[];
  look: Shown;
  onLook: (look: Shown) => void;
}

/** The looks at the sandwich, one at a time. */
export function LookTabs<Shown extends Side>({ shown, look, onLook }: Props<Shown>) {
  return (
    <Box
      role="tablist"
      aria-label={t('Views')}
      sx={{
        display: 'flex',
        gap: '20px',
        minWidth: 0,
        overflowX: 'auto',
        scrollbarWidth: 'none',
        borderBottom: `1px solid ${colour.hairline}`,
        marginBottom: '14px',
        [HAND]: { gap: '14px', marginBottom: '8px' },
      }}
    >
      {shown.map((name) => (
        <ButtonBase
          key={name}
          role="tab"
          aria-selected={name === look}
          onClick={() => onLook(name)}
          sx={{
            fontSize: 14.5,
            flex: 'none',
            fontWeight: name === look ? 700 : 400,
            padding: '3px 0 7px',
            color: name === look ? colour.ink : colour.quiet,
            borderBottom: `2px solid ${name === look ? colour.accent : 'transparent'}`,
            marginBottom: '-1px',
            [FINGERS]: { minHeight: FINGER, padding: '0 2px' },
          }}
        >
          {SIDE_TITLES[name]}
        </ButtonBase>
      ))}
    </Box>
  );
}
