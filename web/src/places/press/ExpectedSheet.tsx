import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { Sandwich } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { impressionQuery } from '../../api/queries';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const TAB = crypto.randomUUID();

/** What the front should look like: the pressed sheet as it is computed, to hold the real one against. */
export function ExpectedSheet({ sandwich }: { sandwich: Sandwich }) {
  const pressed = useQuery(impressionQuery(sandwich, `${TAB}-press`));
  const { data } = pressed;
  if (pressed.error || data?.state === 'failed') return null; // the words on the left say it all the same
  if (!data?.stage) return <Box sx={{ color: colour.quiet, fontSize: 18 }}>{t('Computing the sheet …')}</Box>;
  return (
    <figure style={{ margin: 0 }}>
      <img
        src={addresses.front(data.key, data.stage)}
        alt={t('The front as computed')}
        style={{ display: 'block', maxWidth: '100%', maxHeight: 420 }}
      />
      <figcaption style={{ color: colour.quiet, fontSize: 16, marginTop: 6 }}>
        {t('The front as computed, lamp from the upper left')}
      </figcaption>
    </figure>
  );
}
