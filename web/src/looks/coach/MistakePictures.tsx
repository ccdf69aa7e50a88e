import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import type { Cause, Sandwich } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Picture } from './Picture';
import type { Said } from './said';

const SHOWN = 8; // pictures beside the right one, at first

interface Props {
  sandwich: Sandwich;
  /** The likeliest first. */
  causes: Cause[];
  picked: string | undefined;
  at: Said['at'];
  onPoint: (place: NonNullable<Said['at']>) => void;
  onPick: (cause: Cause) => void;
}

/** The sheet as it should be, to point at, and as each likely mistake would have made it, to pick from. */
export function MistakePictures({ sandwich, causes, picked, at, onPoint, onPick }: Props) {
  const read = useWords();
  const [more, setMore] = useState(false);
  return (
    <>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(112px, 1fr))', gap: '10px' }}
      >
        <Picture
          sandwich={sandwich}
          title={t("As it should be. Touch the spot that's wrong")}
          at={at}
          onPoint={onPoint}
        />
        {causes.slice(0, more ? undefined : SHOWN).map((cause) => (
          <ButtonBase
            key={cause.key}
            onClick={() => onPick(cause)}
            aria-label={read(cause.title)}
            aria-pressed={picked === cause.key}
            sx={{
              display: 'block',
              textAlign: 'left',
              alignSelf: 'start',
              outline: picked === cause.key ? `3px solid ${colour.accent}` : 'none',
              outlineOffset: 2,
            }}
          >
            <Picture
              sandwich={cause.lay}
              over={cause.over_mm}
              cracked={cause.shows === 'cracked'}
              cause={cause.marked ? cause.key : undefined}
              title={read(cause.title)}
            />
          </ButtonBase>
        ))}
      </Box>
      {causes.length > SHOWN && (
        <Button onClick={() => setMore(!more)} sx={{ fontSize: 13.5 }}>
          {more
            ? t('Only the most likely')
            : t('{count} more pictures', { count: String(causes.length - SHOWN) })}
        </Button>
      )}
    </>
  );
}
