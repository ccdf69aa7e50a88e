import { styled } from '@mui/material/styles';
import { useState } from 'react';
import { colour } from '../theme/tokens';
import { fraction, MM, parseLength, useUnit, type Unit } from './units';

const Input = styled('input')({
  font: 'inherit',
  fontWeight: 600,
  color: colour.ink,
  width: 66,
  border: 0,
  borderBottom: `1px dotted ${colour.quiet}`,
  background: 'transparent',
  padding: '1px 0',
  '&[aria-invalid="true"]': { borderBottom: `2px solid ${colour.stop}`, color: colour.stop },
});

const Label = styled('label')({ position: 'relative' });

const Problem = styled('span')({
  position: 'absolute',
  left: 0,
  bottom: '100%',
  zIndex: 2,
  padding: '3px 8px',
  background: colour.stop,
  color: '#fff',
  whiteSpace: 'nowrap',
});

interface Props {
  label: string;
  name: string;
  value: number;
  /** A length is shown and read in the chosen unit, a thickness in inches with decimals. */
  kind: 'length' | 'thickness' | 'number';
  ending?: string;
  least: number;
  most: number;
  onValue: (value: number) => void;
}

/** A number as typed, kept apart from the number itself until it can be read; Enter takes it, Escape forgets it. */
export function NumberField({ label, name, value, kind, ending = '', least, most, onValue }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? write(value, kind, unit, ending);
  const read = typed === undefined ? value : readNumber(typed, kind, unit, ending);
  const problem = typed === undefined ? '' : problemOf(read, least, most, kind);
  const take = () => {
    if (typed === undefined) return;
    if (read !== undefined && !problem) {
      if (read !== value) onValue(read);
      setTyped(undefined);
    }
  };
  return (
    <Label title={name}>
      {label}{' '}
      <Input
        aria-label={name}
        aria-invalid={problem !== ''}
        value={shown}
        onChange={(event) => setTyped(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={() => (problem ? setTyped(undefined) : take())}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          else if (event.key === 'Escape') setTyped(undefined);
          else return;
          event.stopPropagation();
        }}
      />
      {problem && <Problem role="alert">{problem}</Problem>}
    </Label>
  );
}

function problemOf(value: number | undefined, least: number, most: number, kind: Props['kind']): string {
  if (value === undefined) return 'This is not a number.';
  return value < least || value > most
    ? `It must be ${least} to ${most}${kind === 'number' ? '' : ' mm'}.`
    : '';
}

function write(value: number, kind: Props['kind'], unit: Unit, ending: string): string {
  if (kind === 'number') return `${Number(value.toFixed(2))}${ending}`;
  if (unit === 'mm') return `${Number(value.toFixed(3))} mm`;
  return kind === 'thickness' ? `${(value / MM).toFixed(4)} in` : `${fraction(value)} in`;
}

function readNumber(text: string, kind: Props['kind'], unit: Unit, ending: string): number | undefined {
  if (kind !== 'number') return parseLength(text, unit);
  const bare = text.replace(ending, '').replace(/[°s]/g, '').replace(',', '.').trim();
  const value = Number(bare);
  return bare !== '' && Number.isFinite(value) ? value : undefined;
}
