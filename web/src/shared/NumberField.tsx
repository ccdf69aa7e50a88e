import { styled } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';
import { colour } from '../theme/tokens';
import { figure, fraction, type Kind } from '../words/figures';
import { KINDS } from '../words/kinds.gen';
import { nextThing, useMeasured, type Measured } from './measured';
import { formatThickness, MM, parseLength, useUnit, type Unit } from './units';
import { t } from '../words/words';

const Input = styled('input')({
  font: 'inherit',
  fontWeight: 600,
  color: colour.ink,
  width: 72,
  border: 0,
  borderBottom: `1px dotted ${colour.quiet}`,
  background: 'transparent',
  padding: '1px 0',
  '&[aria-invalid="true"]': { borderBottom: `2px solid ${colour.stop}`, color: colour.stop },
});

const Label = styled('label')({ position: 'relative' });

const Note = styled('span')({
  position: 'absolute',
  left: 0,
  top: '100%',
  zIndex: 2,
  padding: '3px 8px',
  background: colour.accent,
  color: '#fff',
  whiteSpace: 'nowrap',
});

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

type Empty<O extends boolean> = O extends true ? number | null : number;

interface Props<O extends boolean> {
  label: string;
  name: string;
  /** What it helps to know, beside the name. */
  help?: string;
  value: Empty<O>;
  /** What it is a figure of: lengths are shown and read in the chosen unit, shares in per cent. */
  kind: Kind;
  /** Stands after the number in place of the kind's unit. */
  ending?: string;
  least: number;
  most: number;
  /** It may be left empty. */
  optional?: O;
  onValue: (value: Empty<O>) => void;
  /** Takes what a gauge said, in place of a bare number. */
  onMeasured?: (mm: number, sd_mm: number) => void;
}

/** A number as typed, kept apart from the number itself until it can be read; Enter takes it, Escape forgets it. */
export function NumberField<O extends boolean = false>({
  label,
  name,
  help,
  value,
  kind,
  ending,
  least,
  most,
  optional,
  onValue,
  onMeasured,
}: Props<O>) {
  const unit = useUnit((choice) => choice.unit);
  const [typed, setTyped] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const measured = useMeasured((hand) => (kind === 'thickness' ? hand.measured : null));
  const shows = measured ? write(measured.mm, kind, unit, ending) : undefined;
  useEffect(
    () =>
      useMeasured.subscribe(({ measured: now }) => {
        if (now && kind === 'thickness' && document.activeElement === input.current)
          setTyped(write(now.mm, kind, unit, ending));
      }),
    [kind, unit, ending],
  );
  const shown = typed ?? (value === null ? '' : write(value, kind, unit, ending));
  const emptied = optional === true && typed?.trim() === '';
  const read = typed === undefined ? value : emptied ? null : readNumber(typed, kind, unit, ending);
  const problem = typed === undefined || emptied ? '' : problemOf(read, least, most, kind, unit);
  const take = () => {
    if (typed === undefined) return;
    if (read !== undefined && !problem) {
      if (measured && onMeasured && typed === shows) onMeasured(measured.mm, measured.sd_mm);
      else if (read !== value) onValue(read as Empty<O>);
      setTyped(undefined);
    }
    if (kind === 'thickness') nextThing();
  };
  return (
    <Label title={help ? `${name}. ${help}` : name}>
      {label}{' '}
      <Input
        ref={input}
        aria-label={name}
        aria-description={help}
        aria-invalid={problem !== ''}
        value={shown}
        placeholder={optional ? t('not known') : ''}
        onChange={(event) => setTyped(event.target.value)}
        onFocus={(event) => {
          if (kind === 'thickness') nextThing();
          event.target.select();
        }}
        onBlur={() => (problem ? setTyped(undefined) : take())}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          else if (event.key === 'Escape') setTyped(undefined);
          else return;
          event.stopPropagation();
        }}
      />
      {problem && <Problem role="alert">{problem}</Problem>}
      {!problem && measured && typed === shows && <Note role="status">{readings(measured, unit)}</Note>}
    </Label>
  );
}

/** How many readings they are, and how well they agree. */
function readings({ count, sd_mm: sd, slips }: Measured, unit: Unit): string {
  const known =
    count === 1
      ? t('One reading of the gauge. Enter uses it; more make it surer.')
      : t('{count} readings of the gauge, ± {spread}. Enter uses them.', {
          count,
          spread: formatThickness(sd, unit, 3),
        });
  return slips > 0 ? `${known} ${t('{slips} too far off, left out.', { slips })}` : known;
}

const TINY = 1e-4; // a least figure below it stands for: anything over nought

const isLength = (kind: Kind): boolean => kind === 'size' || kind === 'thickness';

function problemOf(
  value: number | null | undefined,
  least: number,
  most: number,
  kind: Kind,
  unit: Unit,
): string {
  if (value === undefined || value === null) return t('Enter a number.');
  if (value >= least && value <= most) return '';
  const said = (limit: number) => limited(limit, kind, unit);
  if (most === Infinity) return t('Enter {least} or more.', { least: said(least) });
  if (least > 0 && least < TINY) return t('Enter more than 0 and at most {most}.', { most: said(most) });
  return least === -Infinity
    ? t('Enter {least} or less.', { least: said(most) })
    : t('Enter {least} to {most}.', { least: said(least), most: said(most) });
}

/** A limit with its unit, as finely as it is meant. */
function limited(limit: number, kind: Kind, unit: Unit): string {
  if (isLength(kind) && unit === 'mm') return `${Number(limit.toPrecision(3))} mm`;
  return kind === 'share' ? `${Number((limit * 100).toPrecision(3))} %` : figure(limit, kind, unit);
}

function write(value: number, kind: Kind, unit: Unit, ending: string | undefined): string {
  if (isLength(kind)) {
    if (unit === 'mm') return `${Number(value.toFixed(3))} mm`;
    return kind === 'thickness' ? `${(value / MM).toFixed(4)} in` : `${fraction(value / MM, 64)} in`;
  }
  const after = ending ?? KINDS[kind][unit].unit;
  const text = String(Number((value * KINDS[kind][unit].factor).toPrecision(6)));
  return after === '' || after.startsWith(' ') || after === '°' ? `${text}${after}` : `${text} ${after}`;
}

function readNumber(text: string, kind: Kind, unit: Unit, ending: string | undefined): number | undefined {
  if (isLength(kind)) return parseLength(text, unit);
  const after = (ending ?? KINDS[kind][unit].unit).trim();
  const bare = (after ? text.replace(after, '') : text).replace(/[°s%]/g, '').replace(',', '.').trim();
  const value = Number(bare) / KINDS[kind][unit].factor;
  return bare !== '' && Number.isFinite(value) ? value : undefined;
}
