import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ShelfEntry, ShelfWrite } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { PicturePart } from './PicturePart';
import { ReliefPart } from './ReliefPart';
import { ThingForm } from './ThingForm';
import { nameOf } from './fields';
import { t } from '../../words/words';

interface Props {
  entry: ShelfEntry;
  onChange: (write: ShelfWrite) => void;
  onCopy: () => void;
  onRemove: () => void;
}

const ON_THE_TILE = ['thickness', 'opening'];

/** Everything else that is known of a thing, under its row on the shelf. */
export function ThingDetails({ entry, onChange, onCopy, onRemove }: Props) {
  const name = nameOf(entry);
  const sort = entry.press ? 'press' : entry.ink ? 'ink' : 'item';
  const thing = entry[sort];
  if (!thing) return null;
  return (
    <Box
      role="group"
      aria-label={t('Details of {name}', { name })}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: '4px 22px',
        margin: '10px 0 4px',
        padding: '8px 14px 10px',
        fontSize: 13,
        color: colour.quiet,
        background: colour.panel,
        borderLeft: `3px solid ${colour.accent}`,
      }}
    >
      <Box component="b" sx={{ color: colour.ink, fontSize: 14 }}>
        {name}
      </Box>
      <ThingForm sort={sort} thing={thing} name={name} without={ON_THE_TILE} onChange={onChange} />
      {entry.item && <ReliefPart item={entry.item} name={name} onChange={onChange} />}
      {entry.item && <PicturePart item={entry.item} name={name} onChange={(item) => onChange({ item })} />}
      <Box sx={{ flex: 1 }} />
      <Button color="inherit" aria-label={t('Copy {name}', { name })} onClick={onCopy}>
        {t('Copy it')}
      </Button>
      <Button color="inherit" aria-label={t('Take {name} off the shelf', { name })} onClick={onRemove}>
        {t('Take it off the shelf')}
      </Button>
    </Box>
  );
}
