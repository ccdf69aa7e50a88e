import ButtonBase from '@mui/material/ButtonBase';
import { colour } from '../theme/tokens';

interface Props {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  /** What a screen reader says, where the label alone is not enough. */
  says?: string;
}

/** A word that is on or off, as part of a line of text. */
export function Toggle({ label, on, onChange, says }: Props) {
  return (
    <ButtonBase
      role="checkbox"
      aria-checked={on}
      aria-label={says}
      onClick={() => onChange(!on)}
      sx={{
        fontSize: 13.5,
        padding: '1px 0 2px',
        minHeight: 24,
        minWidth: 24,
        color: on ? colour.ink : colour.quiet,
        fontWeight: on ? 700 : 400,
        borderBottom: `2px solid ${on ? colour.accent : 'transparent'}`,
      }}
    >
      {label}
    </ButtonBase>
  );
}
