import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { useState } from 'react';
import type { Item, ShelfWrite } from '../../api/client';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';

/** What can be made from a name and a thickness; tools with a relief or a blade are copied from one like them. */
const KINDS: Partial<Record<Item['kind'], Item['material']>> = {
  'hard plate': 'hard plastic',
  'soft plate': 'soft plastic',
  'deep plate': 'hard plastic',
  spacer: 'hard plastic',
  bed: 'hard plastic',
  platform: 'hard plastic',
  'rubber mat': 'rubber',
  'silicone sheet': 'silicone',
  'foam sheet': 'foam',
  sheet: 'paper',
};

const OPTIONS = Object.fromEntries(Object.keys(KINDS).map((kind) => [kind, kind]));

/** A short form for a new plate, mat or stock. */
export function NewItem({ onAdd }: { onAdd: (write: ShelfWrite) => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Item['kind']>('hard plate');
  const [mm, setMm] = useState(3);
  const add = () => {
    const stock =
      kind === 'sheet'
        ? { grammage_gsm: Math.round(mm * 770), modulus_along_mpa: 4500, modulus_across_mpa: 2200 }
        : null;
    onAdd({
      item: {
        kind,
        name: name.trim(),
        width_mm: 150,
        length_mm: 200,
        material: KINDS[kind] ?? 'hard plastic',
        thickness: { mm, sd_mm: Math.min(0.1, mm * 0.05), source: 'typical' },
        stock,
      } as Item,
    });
    setName('');
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => (event.preventDefault(), name.trim() && add())}
      sx={{ display: 'flex', alignItems: 'center', gap: 2, fontSize: 13.5, color: colour.quiet }}
    >
      <InputBase
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder="Name of a new plate, mat or stock"
        inputProps={{ 'aria-label': 'Name of the new thing', maxLength: 120 }}
        sx={{ width: 260, borderBottom: `1px dotted ${colour.quiet}` }}
      />
      <QuietSelect
        label="Kind of the new thing"
        value={kind}
        options={OPTIONS}
        onChange={(option) => setKind(option as Item['kind'])}
      />
      <NumberField
        label="thickness"
        name="Thickness of the new thing"
        kind="thickness"
        value={mm}
        least={0.01}
        most={60}
        onValue={setMm}
      />
      <Button type="submit" disabled={!name.trim()}>
        Put it on the shelf
      </Button>
    </Box>
  );
}
