import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import type { JobFile, PressFile, ShopFile } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Entry } from './Entry';

interface Props {
  job: JobFile;
  shop: ShopFile;
  onChange: (job: JobFile) => void;
}

const USUAL: PressFile = { name: t('Press'), set_up_s: 180 };

/** The presses that there are, the piles that each takes, and how long one is built. */
export function Presses({ job, shop, onChange }: Props) {
  const presses = shop.presses ?? [USUAL];
  const piles = [...new Set(job.pieces.flatMap((piece) => (piece.pile ? [piece.pile] : [])))];
  const set = (next: PressFile[]) => onChange({ ...job, shop: { ...shop, presses: next } });
  const change = (n: number, part: Partial<PressFile>) =>
    set(presses.map((press, m) => (m === n ? { ...press, ...part } : press)));
  return (
    <Box component="section" aria-label={t('Presses')} sx={{ flexBasis: '100%' }}>
      {presses.map((press, n) => (
        <Box key={n} sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 12px' }}>
          <Entry
            label={t('Name of press {n}', { n: n + 1 })}
            value={press.name}
            wide={150}
            onCommit={(name) => change(n, { name })}
          />
          <span>
            {t('a pile is built in')}{' '}
            <Entry
              label={t('Minutes to build a pile on {press}', { press: press.name })}
              value={String(Math.round(press.set_up_s / 6) / 10)}
              wide={34}
              onCommit={(text) => {
                const minutes = Number(text.replace(',', '.'));
                if (minutes >= 0 && minutes <= 120) change(n, { set_up_s: Math.round(minutes * 60) });
              }}
            />{' '}
            {t('min')}
          </span>
          {piles.length > 1 &&
            piles.map((pile) => {
              const taken = press.piles?.includes(pile) ?? true;
              return (
                <ButtonBase
                  key={pile}
                  role="checkbox"
                  aria-checked={taken}
                  aria-label={t('{press} takes {pile}', { press: press.name, pile })}
                  onClick={() => {
                    const now = press.piles ?? piles;
                    const next = taken ? now.filter((one) => one !== pile) : [...now, pile];
                    change(n, { piles: piles.every((one) => next.includes(one)) ? null : next });
                  }}
                  sx={{
                    fontSize: 13.5,
                    minHeight: 24,
                    minWidth: 24,
                    color: taken ? colour.ink : colour.quiet,
                    borderBottom: `2px solid ${taken ? colour.accent : 'transparent'}`,
                  }}
                >
                  {pile}
                </ButtonBase>
              );
            })}
          {presses.length > 1 && (
            <Button sx={{ fontSize: 13.5 }} onClick={() => set(presses.filter((_, m) => m !== n))}>
              {t('Take out')}
            </Button>
          )}
        </Box>
      ))}
      {presses.length < 10 && (
        <Button
          sx={{ fontSize: 13.5 }}
          onClick={() => set([...presses, { ...USUAL, name: t('Press {n}', { n: presses.length + 1 }) }])}
        >
          {t('Another press')}
        </Button>
      )}
    </Box>
  );
}
