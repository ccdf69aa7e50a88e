import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { useState } from 'react';
import type { ShelfEntry, ShelfWrite } from '../../api/client';
import { NumberField } from '../../shared/NumberField';
import { formatSize, useUnit } from '../../shared/units';
import { FINGER, FINGERS, HAND, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { ReliefPart } from './ReliefPart';
import { detailsOf, namePath, nameOf, thicknessPath, valueAt, withValue } from './fields';

/** Where the parts of a row go when it takes two lines; the bar that shows a thickness is left out then. */
const CELLS = {
  ...Object.fromEntries(
    ['name', 'kind', 'mm', 'sd', 'source', 'size', 'do'].map((cell) => [
      `& > [data-cell=${cell}]`,
      { gridArea: cell },
    ]),
  ),
  '& > [data-cell=bar]': { display: 'none' },
};

interface Props {
  entry: ShelfEntry;
  onChange: (write: ShelfWrite) => void;
  onCopy: () => void;
  onRemove: () => void;
}

const PX_PER_MM = 3.2;

/** One thing on the shelf: its thickness as a picture and as numbers; everything else on request. */
export function ShelfRow({ entry, onChange, onCopy, onRemove }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const [open, setOpen] = useState(false);
  const path = thicknessPath(entry);
  const name = nameOf(entry);
  const put = (to: string[], value: unknown) => onChange(withValue(entry, to, value));
  const measured = path && valueAt(entry, [...path, 'source']) === 'gauge';
  const mm = path ? Number(valueAt(entry, [...path, 'mm'])) : 0;
  return (
    <Box
      role="listitem"
      aria-label={name}
      sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '3px 0' }}
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: '230px 158px 60px 84px 92px 96px 1fr auto',
          alignItems: 'center',
          gap: 1,
          fontSize: 13.5,
          [NARROW]: {
            ...CELLS,
            gap: '0 8px',
            gridTemplateColumns: 'minmax(0, 1fr) 84px 92px 96px auto',
            gridTemplateAreas: '"name mm sd source do" "kind size size size do"',
          },
          [HAND]: {
            gridTemplateColumns: 'minmax(0, 1fr) 84px 92px',
            gridTemplateAreas: '"name mm sd" "kind source source" "do do do"',
            '& > [data-cell=size]': { display: 'none' },
          },
          [FINGERS]: { '& input, & button': { minHeight: FINGER } },
        }}
      >
        <InputBase
          key={name}
          data-cell="name"
          defaultValue={name}
          inputProps={{ 'aria-label': `Name of ${name}`, maxLength: 120 }}
          onBlur={(event) => {
            const next = event.target.value.trim();
            if (next && next !== name) put(namePath(entry), next);
          }}
          sx={{ fontWeight: 700, '& input': { padding: '2px 0', textOverflow: 'ellipsis' } }}
        />
        <Box data-cell="kind" sx={{ color: colour.quiet }}>
          {kindOf(entry)}
        </Box>
        {path ? (
          <>
            <Box
              aria-hidden="true"
              data-cell="bar"
              sx={{
                height: `${Math.max(Math.min(mm * PX_PER_MM, 30), 1)}px`,
                background: measured ? colour.ink : 'transparent',
                border: `1px solid ${colour.ink}`,
              }}
            />
            <Box data-cell="mm">
              <NumberField
                label=""
                name={`Thickness of ${name}`}
                kind="thickness"
                value={mm}
                least={0.005}
                most={60}
                onValue={(value) => put([...path, 'mm'], value)}
              />
            </Box>
            <Box data-cell="sd">
              <NumberField
                label="±"
                name={`Uncertainty of ${name}`}
                kind="thickness"
                value={Number(valueAt(entry, [...path, 'sd_mm']))}
                least={0}
                most={Math.min(5, mm)}
                onValue={(value) => put([...path, 'sd_mm'], value)}
              />
            </Box>
            <Button
              data-cell="source"
              color="inherit"
              title="Measured with a gauge, or typical for its class"
              onClick={() => put([...path, 'source'], measured ? 'typical' : 'gauge')}
              sx={{
                fontWeight: 400,
                justifyContent: 'flex-start',
                color: measured ? colour.accent : colour.quiet,
              }}
            >
              {measured ? '● measured' : '○ typical'}
            </Button>
          </>
        ) : (
          <Box
            data-cell="mm"
            sx={{ gridColumn: 'span 4', display: 'flex', alignItems: 'center', gap: 1, color: colour.quiet }}
          >
            <Box sx={{ width: 14, height: 14, borderRadius: 7, background: entry.ink?.colour }} />
            {entry.ink?.type}
          </Box>
        )}
        <Box
          data-cell="size"
          sx={{ color: colour.quiet, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
        >
          {entry.item &&
            `${formatSize(entry.item.width_mm, unit)} × ${formatSize(entry.item.length_mm, unit)}`}
          {entry.press && `feeds ${formatSize(entry.press.feed_width_mm, unit)}`}
        </Box>
        <Box data-cell="do" sx={{ whiteSpace: 'nowrap', textAlign: 'right' }}>
          <Button color="inherit" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'less' : 'more'}
          </Button>
          <Button color="inherit" aria-label={`Copy ${name}`} onClick={onCopy}>
            copy
          </Button>
          <Button color="inherit" aria-label={`Take ${name} off the shelf`} onClick={onRemove}>
            take off
          </Button>
        </Box>
      </Box>
      {open && (
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: '4px 22px',
            padding: '6px 0 8px',
            fontSize: 13,
            color: colour.quiet,
          }}
        >
          {detailsOf(entry).map((field) => (
            <NumberField
              key={field.path.join('.')}
              label={field.label}
              name={`${field.label} of ${name}`}
              kind={field.kind}
              ending={field.ending ?? ''}
              value={Number(valueAt(entry, field.path))}
              least={field.least}
              most={field.most}
              onValue={(value) => put(field.path, value)}
            />
          ))}
          {entry.item && <ReliefPart item={entry.item} name={name} onChange={onChange} />}
          <Box sx={{ flexBasis: '100%' }}>{entry.item?.note ?? entry.press?.note ?? entry.ink?.note}</Box>
        </Box>
      )}
    </Box>
  );
}

function kindOf(entry: ShelfEntry): string {
  if (entry.press) return `${entry.press.size} press, opening`;
  if (entry.ink) return 'ink';
  return entry.item?.kind === 'sheet' ? (entry.item.stock?.finish ?? 'sheet') : (entry.item?.kind ?? '');
}
