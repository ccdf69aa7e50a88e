import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Effect } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { effectsQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { colour, type } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

/** `/recipes`: choose an effect by its picture. */
export function RecipesPlace() {
  const effects = useQuery(effectsQuery);
  const navigate = useNavigate();
  if (!effects.data)
    return (
      <Box sx={{ padding: 6 }}>
        {effects.error ? (
          <Notice
            title={t("Can't show the effects.")}
            text={t('{message} Trying again.', { message: effects.error.message })}
          />
        ) : (
          <Notice title={t('Opening the effects')} text={t('One moment.')} />
        )}
      </Box>
    );
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '10px 24px 14px' }}>
      <Box
        sx={{ display: 'flex', alignItems: 'baseline', gap: '0 16px', marginBottom: '8px', flexWrap: 'wrap' }}
      >
        <Typography variant="h1">{t('What should it look like?')}</Typography>
        <Typography sx={{ color: colour.quiet }}>
          {t('Each picture is a sheet pressed by the same computation that judges yours.')}
        </Typography>
      </Box>
      <Box
        component="ul"
        aria-label={t('Effects')}
        sx={{
          listStyle: 'none',
          margin: 0,
          padding: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(124px, 1fr))',
          gap: '10px 12px',
        }}
      >
        {effects.data.map((effect) => (
          <li key={effect.key}>
            <EffectTile effect={effect} onChoose={() => void navigate(`/recipes/${effect.key}`)} />
          </li>
        ))}
      </Box>
    </Box>
  );
}

function EffectTile({ effect, onChoose }: { effect: Effect; onChoose: () => void }) {
  const read = useWords();
  return (
    <ButtonBase
      onClick={onChoose}
      title={read(effect.says)}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        '& img': {
          display: 'block',
          width: '100%',
          height: 112,
          objectFit: 'cover',
          background: colour.metal,
          outline: `1px solid ${colour.hairline}`,
        },
        '&:hover img': { outline: `2px solid ${colour.accent}` },
      }}
    >
      <img src={addresses.effect(effect.key)} alt="" width={162} height={112} />
      <Box sx={{ fontFamily: type.head, fontWeight: 600, fontSize: 14, lineHeight: 1.25, paddingTop: '3px' }}>
        {read(effect.title)}
      </Box>
    </ButtonBase>
  );
}
