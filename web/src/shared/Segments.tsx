import type { ReactNode } from 'react';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { colour } from '../theme/tokens';
import { term } from '../words/words';

interface Props<T extends string> {
  label: string;
  /** None while nothing was chosen. */
  value: T | undefined;
  options: readonly T[];
  names?: Partial<Record<T, ReactNode>>;
  /** What an option shows, as a tooltip. */
  hints?: Partial<Record<T, string>>;
  onChange: (value: T) => void;
}

/** One of a few, side by side, as words on a line. */
export function Segments<T extends string>({ label, value, options, names, hints, onChange }: Props<T>) {
  return (
    <Box role="radiogroup" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 12px' }}>
      {options.map((option) => (
        <ButtonBase
          key={option}
          role="radio"
          aria-checked={option === value}
          title={hints?.[option]}
          onClick={() => onChange(option)}
          sx={{
            fontSize: 13.5,
            padding: '1px 0 2px',
            color: option === value ? colour.ink : colour.quiet,
            fontWeight: option === value ? 700 : 400,
            borderBottom: `2px solid ${option === value ? colour.accent : 'transparent'}`,
          }}
        >
          {names?.[option] ?? term(option)}
        </ButtonBase>
      ))}
    </Box>
  );
}
