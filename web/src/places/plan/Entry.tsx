import { styled } from '@mui/material/styles';
import { useState } from 'react';
import { colour } from '../../theme/tokens';

const Input = styled('input')({
  font: 'inherit',
  fontVariantNumeric: 'tabular-nums',
  color: colour.ink,
  border: 0,
  borderBottom: `1px dotted ${colour.quiet}`,
  background: 'transparent',
  padding: '1px 0',
  minHeight: 24,
  '&[aria-invalid="true"]': { borderBottom: `2px solid ${colour.stop}`, color: colour.stop },
});

interface Props {
  label: string;
  value: string;
  wide?: number;
  invalid?: boolean;
  onCommit: (text: string) => void;
}

/** A size or a name as it is typed, told on when it is finished: by Enter, or by leaving it. Escape brings the old one back. */
export function Entry({ label, value, wide = 110, invalid = false, onCommit }: Props) {
  const [typed, setTyped] = useState<string>();
  const commit = () => {
    if (typed !== undefined && typed.trim() && typed.trim() !== value) onCommit(typed.trim());
    setTyped(undefined);
  };
  return (
    <Input
      aria-label={label}
      title={label}
      aria-invalid={invalid}
      value={typed ?? value}
      maxLength={60}
      style={{ width: wide }}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') setTyped(undefined);
      }}
    />
  );
}
