import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import InputBase from '@mui/material/InputBase';
import type { ShelfEntry, ShelfWrite } from '../../api/gen/types.gen';
import { NumberField } from '../../shared/NumberField';
import { formatSides, formatSize, useUnit } from '../../shared/units';
import { FINGER, FINGERS } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { ThingPicture } from './ThingPicture';
import { namePath, nameOf, thicknessPath, valueAt, withValue } from './fields';
import { NUMBERED } from './numbered';
import { t, term } from '../../words/words';

interface Props {
  entry: ShelfEntry;
  open: boolean;
  /** How many that cannot be told apart this one stands for. */
  count?: number | undefined;
  onApart: () => void;
  onOpen: () => void;
  onChange: (write: ShelfWrite) => void;
}

/** One thing on the shelf: its picture, its name, and how thick it is. */
export function ShelfTile({ entry, open, count, onApart, onOpen, onChange }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const name = nameOf(entry);
  const { item, press, ink } = entry;
  return (
    <Box role="listitem" aria-label={name} sx={{ fontSize: 13, minWidth: 0 }}>
      <ButtonBase
        aria-expanded={open}
        aria-label={t('More of {name}', { name })}
        onClick={onOpen}
        sx={{
          display: 'block',
          borderBottom: `3px solid ${open ? colour.accent : colour.metalDeep}`,
          '&:hover': { background: colour.panel },
        }}
      >
        <ThingPicture entry={entry} />
      </ButtonBase>
      {count ? (
        <ButtonBase
          onClick={onApart}
          title={t("They're all alike; show each one")}
          sx={{ fontWeight: 700, fontSize: 14, textAlign: 'left', padding: '2px 0' }}
        >
          {t('{count} × {kind}', { count, kind: withoutNumber(entry.name) })} ▾
        </ButtonBase>
      ) : (
        <InputBase
          key={name}
          defaultValue={name}
          inputProps={{ 'aria-label': t('Name of {name}', { name }), maxLength: 120 }}
          onBlur={(event) => {
            const next = event.target.value.trim();
            if (next && next !== name) onChange(withValue(entry, namePath(entry), next));
          }}
          sx={{
            display: 'flex',
            fontWeight: 700,
            fontSize: 14,
            '& input': { padding: '2px 0', textOverflow: 'ellipsis' },
          }}
        />
      )}
      <Box sx={{ color: colour.quiet, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
        {kindOf(entry)}
        {item && `, ${formatSides(item.width_mm, item.length_mm, unit)}`}
        {press && t(', feeds {feed_width}', { feed_width: formatSize(press.feed_width_mm, unit) })}
        {ink && `, ${ink.type}`}
      </Box>
      {!count && <Measure entry={entry} name={name} onChange={onChange} />}
    </Box>
  );
}

/** The thickness (a press: its opening), its uncertainty, and where it is known from. */
function Measure({
  entry,
  name,
  onChange,
}: {
  entry: ShelfEntry;
  name: string;
  onChange: (write: ShelfWrite) => void;
}) {
  const path = thicknessPath(entry);
  if (!path) return null;
  const put = (field: string, value: unknown) => onChange(withValue(entry, [...path, field], value));
  const measured = valueAt(entry, [...path, 'source']) === 'gauge';
  const mm = Number(valueAt(entry, [...path, 'mm']));
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: '2px',
        whiteSpace: 'nowrap',
        '& input': { width: 60, fontSize: 12.5 },
        '& span + label input': { width: 56 },
        [FINGERS]: { '& input, & button': { minHeight: FINGER } },
      }}
    >
      <span data-thickness>
        <NumberField
          label=""
          name={t('Thickness of {name}', { name })}
          kind="thickness"
          value={mm}
          least={0.005}
          most={60}
          onValue={(value) => put('mm', value)}
          onMeasured={(measured, sd) =>
            onChange(withValue(entry, path, { mm: rounded(measured), sd_mm: rounded(sd), source: 'gauge' }))
          }
        />
      </span>
      <NumberField
        label="±"
        name={t('Uncertainty of {name}', { name })}
        kind="thickness"
        value={Number(valueAt(entry, [...path, 'sd_mm']))}
        least={0}
        most={Math.min(5, mm)}
        onValue={(value) => put('sd_mm', value)}
      />
      <ButtonBase
        aria-label={measured ? t('{name} is measured', { name }) : t('{name} is typical', { name })}
        title={
          measured
            ? t('Measured with a gauge')
            : t("Typical for its class. Press this when you've measured it")
        }
        onClick={() => put('source', measured ? 'typical' : 'gauge')}
        sx={{
          color: measured ? colour.accent : colour.quiet,
          fontSize: 15,
          width: 24,
          height: 24,
          flex: 'none',
        }}
      >
        {measured ? '●' : '○'}
      </ButtonBase>
    </Box>
  );
}

/** A name without the number that tells it from its twins. */
const withoutNumber = (name: string): string => name.replace(NUMBERED, '').toLowerCase();

/** To a thousandth of a millimetre: finer is no gauge. */
const rounded = (mm: number): number => Number(mm.toFixed(3));

function kindOf({ press, ink, item }: ShelfEntry): string {
  if (press) return term(press.size);
  if (ink) return t('ink');
  return item?.kind === 'sheet' ? (item.stock?.finish ?? 'sheet') : (item?.kind ?? '');
}
