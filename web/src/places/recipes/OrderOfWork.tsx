import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Effect, Found as FoundRecipe, Sandwich } from '../../api/gen/types.gen';
import { effectsQuery, orderLossQuery } from '../../api/queries';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

/** What comes before what, why, and what the other way round costs: computed on the sheet itself. */
export function OrderOfWork({ effect, best }: { effect: Effect; best: FoundRecipe | undefined }) {
  const read = useWords();
  if (effect.orders.length === 0) return null;
  return (
    <Box component="section" aria-label={t('Order of work')} sx={{ marginTop: '16px', fontSize: 13.5 }}>
      <Typography variant="h3">{t('Order of work')}</Typography>
      {effect.orders.map((order) => (
        <Box key={order.key} sx={{ marginTop: '4px' }}>
          <b>{read(order.first)}</b>, {read(order.then)}.{' '}
          <span style={{ color: colour.quiet }}>{read(order.why)}</span>
          {order.runs.length > 0 && <Runs keys={order.runs} current={effect.key} />}
          {order.flattens && best && best.retained_share != null && (
            <Loss key={best.sandwich.name} sandwich={best.sandwich} />
          )}
        </Box>
      ))}
    </Box>
  );
}

/** The runs of an order, one after the other; each leads to its own recipes. */
function Runs({ keys, current }: { keys: string[]; current: string }) {
  const effects = useQuery(effectsQuery);
  const read = useWords();
  const titled = keys.map((key) => effects.data?.find((effect) => effect.key === key));
  return (
    <Box sx={{ margin: '2px 0' }}>
      {titled.map(
        (effect, index) =>
          effect && (
            // an order can have the same effect twice, so its place is the key
            <span key={index}>
              {index > 0 && ' › '}
              {effect.key === current ? (
                read(effect.title)
              ) : (
                <Link to={`/recipes/${effect.key}`} style={{ color: colour.accent }}>
                  {read(effect.title)}
                </Link>
              )}
            </span>
          ),
      )}
    </Box>
  );
}

function Loss({ sandwich }: { sandwich: Sandwich }) {
  const unit = useUnit((choice) => choice.unit);
  const [wanted, setWanted] = useState(false);
  const loss = useQuery(orderLossQuery(sandwich, wanted));
  if (!wanted) return <Button onClick={() => setWanted(true)}>{t('Compute the loss')}</Button>;
  if (loss.error) return <span style={{ color: colour.stop }}>{loss.error.message}</span>;
  if (!loss.data) return <span role="status">{t('Pressing the sheet flat once more …')}</span>;
  const { cut_first_mm, cut_after_mm, kept_share } = loss.data;
  return (
    <Box role="status" sx={{ marginTop: '2px' }}>
      {t('Cut first:')} <b>{formatThickness(cut_first_mm, unit)}</b> {t('of relief. Cut after:')}{' '}
      <b>{formatThickness(cut_after_mm, unit)}</b>
      {t(', {kept_share} % lost.', { kept_share: Math.round((1 - kept_share) * 100) })}
    </Box>
  );
}
