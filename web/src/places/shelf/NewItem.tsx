import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { useState } from 'react';
import type { ShelfWrite } from '../../api/gen/types.gen';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { NEW_KINDS, newThing, typicalThickness } from './newThing';
import { t } from '../../words/words';

const OPTIONS = Object.fromEntries(NEW_KINDS.map((kind) => [kind, kind]));

/** A short form for a new thing; it starts from figures typical for its kind, which the row then lets one correct. */
export function NewItem({ onAdd }: { onAdd: (write: ShelfWrite) => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState('hard plate');
  const [mm, setMm] = useState(typicalThickness('hard plate'));
  const choose = (next: string) => {
    setKind(next);
    setMm(typicalThickness(next));
  };
  const add = () => {
    if (!name.trim()) return;
    onAdd(newThing(kind, name.trim(), mm));
    setName('');
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: '0 16px',
        fontSize: 13.5,
        color: colour.quiet,
      }}
    >
      <InputBase
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder={t('Add by name')}
        inputProps={{ 'aria-label': t('Name of the new item'), maxLength: 120 }}
        sx={{ width: 220, borderBottom: `1px dotted ${colour.quiet}` }}
      />
      <QuietSelect label={t('Kind of the new item')} value={kind} options={OPTIONS} onChange={choose} />
      {mm !== undefined && (
        <NumberField
          label={kind === 'press' ? t('opening') : t('thickness')}
          name={t('Thickness of the new item')}
          kind="thickness"
          value={mm}
          least={0.01}
          most={60}
          onValue={setMm}
        />
      )}
      <Button type="submit" disabled={!name.trim()}>
        {t('Add it to the shelf')}
      </Button>
    </Box>
  );
}
