import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { addresses } from '../../api/service';
import { effectsQuery, recipesQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { Answer } from './Answer';
import { Panes } from './Panes';
import { OrderOfWork } from './OrderOfWork';
import { resolve, useChoices } from './useWish';
import { useWishShelf } from './useWishShelf';
import { WishForm } from './WishForm';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

/** `/recipes/:effect`: what the shelf gives for it. */
export function EffectPlace() {
  const read = useWords();
  const { effect: key = '' } = useParams();
  const effects = useQuery(effectsQuery);
  const shelf = useWishShelf();
  const choices = useChoices();
  const effect = effects.data?.find((candidate) => candidate.key === key);
  const resolved = effect && shelf.data ? resolve(effect, choices, shelf.data) : undefined;
  const recipes = useQuery(recipesQuery(resolved?.pressId, resolved?.wish));
  const failed = effects.error ?? shelf.error;
  if (failed) return <Said title={t("Can't show the recipes.")} text={failed.message} />;
  if (!effects.data || !shelf.data)
    return <Said title={t('Opening effects and shelf')} text={t('One moment.')} />;
  if (!effect || !resolved)
    return <Said title={t("There's no such effect.")} text={t('Pick one by its picture.')} back />;
  return (
    <Panes
      label={t('Wishes')}
      asked={
        <>
          <Link to="/recipes" style={{ color: colour.accent, fontSize: 14 }}>
            {t('‹ All effects')}
          </Link>
          <img
            src={addresses.effect(effect.key)}
            alt={t('A sheet with the effect: {title}', { title: read(effect.title) })}
            style={{ width: '100%', display: 'block', margin: '8px 0 6px' }}
          />
          <Typography variant="h1" sx={{ fontSize: 24 }}>
            {read(effect.title)}
          </Typography>
          <Typography sx={{ color: colour.quiet, marginBottom: '12px' }}>{read(effect.says)}</Typography>
          <WishForm effect={effect} shelf={shelf.data} resolved={resolved} />
          <Box sx={{ margin: '8px 0' }}>
            <Link to={`/plan?effect=${effect.key}`} style={{ color: colour.accent, fontSize: 14 }}>
              {t('Plan cards with it')}
            </Link>
          </Box>
          <OrderOfWork effect={effect} best={recipes.data?.found[0]} />
        </>
      }
    >
      {resolved.wish ? (
        <Answer
          recipes={recipes.data}
          error={recipes.error}
          waiting={recipes.isFetching}
          press={shelf.data.find((entry) => entry.id === resolved.pressId)?.press?.name ?? ''}
        />
      ) : (
        <EmptyShelf press={resolved.pressId !== undefined} />
      )}
    </Panes>
  );
}

function EmptyShelf({ press }: { press: boolean }) {
  return (
    <Notice
      title={press ? t('No sheet on the shelf yet') : t('No press on the shelf yet')}
      text={
        press
          ? t('A recipe needs a stock. Add a card or paper to the shelf, with its thickness.')
          : t(
              'A recipe needs a press: its opening decides what fits between the rollers. Add yours to the shelf first.',
            )
      }
    >
      <Link to="/shelf">{t('Go to the shelf')}</Link>
    </Notice>
  );
}

function Said({ title, text, back = false }: { title: string; text: string; back?: boolean }) {
  return (
    <Box sx={{ padding: 6 }}>
      <Notice title={title} text={text}>
        {back && <Link to="/recipes">{t('All effects')}</Link>}
      </Notice>
    </Box>
  );
}
