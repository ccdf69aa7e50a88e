import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { colour } from '../../theme/tokens';

export const LOOKS = ['Calls', 'Impression', 'Feed', 'Nip', 'Steps'] as const;
export type Look = (typeof LOOKS)[number];

/** The looks at the sandwich, one at a time. */
export function LookTabs({ look, onLook }: { look: Look; onLook: (look: Look) => void }) {
  return (
    <Box
      role="tablist"
      aria-label="Looks"
      sx={{ display: 'flex', gap: 3, borderBottom: `1px solid ${colour.hairline}`, marginBottom: '14px' }}
    >
      {LOOKS.map((name) => (
        <ButtonBase
          key={name}
          role="tab"
          aria-selected={name === look}
          onClick={() => onLook(name)}
          sx={{
            fontSize: 14.5,
            fontWeight: name === look ? 700 : 400,
            padding: '3px 0 7px',
            color: name === look ? colour.ink : colour.quiet,
            borderBottom: `2px solid ${name === look ? colour.accent : 'transparent'}`,
            marginBottom: '-1px',
          }}
        >
          {name}
        </ButtonBase>
      ))}
    </Box>
  );
}
