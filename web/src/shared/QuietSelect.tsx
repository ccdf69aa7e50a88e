import { styled } from '@mui/material/styles';
import { colour } from '../theme/tokens';

const Select = styled('select')({
  font: 'inherit',
  color: colour.ink,
  border: 0,
  borderBottom: `1px dotted ${colour.quiet}`,
  background: 'transparent',
  padding: '1px 0',
  minHeight: 24,
  cursor: 'pointer',
});

interface Props {
  label: string;
  value: string;
  options: Record<string, string>;
  onChange: (value: string) => void;
  /** How wide it may be; what is longer is cut off. [px] */
  most?: number;
}

/** A choice that reads as part of a line of text. */
export function QuietSelect({ label, value, options, onChange, most = 150 }: Props) {
  return (
    <Select
      aria-label={label}
      title={label}
      value={value}
      style={{ maxWidth: most }}
      onChange={(event) => onChange(event.target.value)}
    >
      {Object.entries(options).map(([key, text]) => (
        <option key={key} value={key}>
          {text}
        </option>
      ))}
    </Select>
  );
}
