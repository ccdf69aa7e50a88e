import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Feeler } from '../../api/gen/types.gen';
import { PileDrawing } from '../../sandwich/PileDrawing';
import { NumberField } from '../../shared/NumberField';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const MOST = 80;

interface Props {
  feeler: Feeler;
  /** How many sheets were told, if they were. */
  told: string | undefined;
  busy: boolean;
  onTell: (sheets: number) => void;
}

/** Copy paper in place of a gauge: sheets are laid on plates until the rollers just take hold. */
export function CountPaper({ feeler, told, busy, onTell }: Props) {
  const [sheets, setSheets] = useState(feeler.sheets);
  const { items, layers } = feeler.sandwich;
  const names = layers.map((layer) => items[layer.item]?.name ?? layer.item);
  return (
    <Box
      component="article"
      aria-label={t('Count paper')}
      sx={{ border: `1px solid ${colour.hairline}`, padding: '10px 12px' }}
    >
      <Typography variant="h3">{t('No gauge? Count paper.')}</Typography>
      <Box sx={{ height: 150, overflow: 'hidden', '& svg': { maxHeight: 150 } }}>
        <PileDrawing sandwich={feeler.sandwich} />
      </Box>
      <Box sx={{ fontSize: 13.5, color: colour.quiet, margin: '4px 0 8px' }}>
        {t(
          'Stack {things}, and add copy paper sheet by sheet until the rollers just take hold. About {sheets} is likely. Each sheet more or less shows how your press opens.',
          { things: names.join(', '), sheets: feeler.sheets },
        )}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: '10px' }}>
        <NumberField
          label=""
          name={t('Sheets of copy paper')}
          kind="number"
          ending={t('sheets')}
          value={sheets}
          least={1}
          most={MOST}
          onValue={(value) => setSheets(Math.round(value))}
        />
        <Button variant="outlined" disabled={busy} onClick={() => onTell(sheets)} sx={{ fontSize: 13 }}>
          {told ? t('Change it') : t('They took hold')}
        </Button>
        {told && <span>{told}</span>}
      </Box>
    </Box>
  );
}
