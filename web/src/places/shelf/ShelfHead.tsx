import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import type { Category } from '../../api/types';
import { FINGER, FINGERS, HAND, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Fitting } from './Fitting';
import { GaugeLine } from './gauge/GaugeLine';
import { ShelfOut } from './ShelfFiles';
import { CATEGORIES } from './ShelfList';

/** What of the shelf somebody wants to see. */
export interface Sought {
  filter: Category | 'all';
  text: string;
  /** Ids of a press and a tool that it has to fit; empty for any. */
  press: string;
  tool: string;
}

export const EVERYTHING: Sought = { filter: 'all', text: '', press: '', tool: '' };

interface Props {
  total: number;
  measured: number;
  sought: Sought;
  onSought: (part: Partial<Sought>) => void;
}

/** How much is on the shelf, and which of it is shown. */
export function ShelfHead({ total, measured, sought, onSought }: Props) {
  const { filter, text, press, tool } = sought;
  return (
    <>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'baseline',
          gap: 2,
          marginBottom: 1,
          [NARROW]: { flexWrap: 'wrap' },
        }}
      >
        <Typography variant="h1">{t('Shelf')}</Typography>
        <Box
          title={t('A typical thickness is good enough until a verdict asks for a better one.')}
          sx={{ color: colour.quiet, flex: 1 }}
        >
          {t('{total} items, {measured} measured', { total, measured })}
        </Box>
        <GaugeLine />
        <ShelfOut />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 14px', marginBottom: 1 }}>
        <Box
          role="tablist"
          aria-label={t('Categories')}
          sx={{
            display: 'flex',
            gap: 1,
            [HAND]: { flexWrap: 'wrap', gap: 0 },
            [FINGERS]: { '& button': { minHeight: FINGER } },
          }}
        >
          {([['all', t('All')], ...CATEGORIES] as [Sought['filter'], string][]).map(([key, title]) => (
            <Button
              key={key}
              role="tab"
              aria-selected={filter === key}
              color="inherit"
              onClick={() => onSought({ filter: key })}
              sx={{
                borderBottom: `2px solid ${filter === key ? colour.accent : 'transparent'}`,
                borderRadius: 0,
              }}
            >
              {title}
            </Button>
          ))}
        </Box>
        <InputBase
          value={text}
          onChange={(event) => onSought({ text: event.target.value })}
          placeholder={t('Find by name or kind')}
          inputProps={{ 'aria-label': t('Find on the shelf'), maxLength: 120 }}
          sx={{ width: 170, borderBottom: `1px dotted ${colour.quiet}`, fontSize: 13.5 }}
        />
        <Fitting
          press={press}
          onPress={(id) => onSought({ press: id })}
          tool={tool}
          onTool={(id) => onSought({ tool: id })}
        />
      </Box>
    </>
  );
}
