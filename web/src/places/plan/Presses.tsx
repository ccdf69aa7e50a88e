import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { JobFile, PressFile, ShopFile } from '../../api/gen/types.gen';
import { Toggle } from '../../shared/Toggle';
import { t } from '../../words/words';
import { Entry } from './Entry';
import { pilesOf } from './job';

interface Props {
  job: JobFile;
  shop: ShopFile;
  onChange: (job: JobFile) => void;
}

const USUAL: PressFile = { name: t('Press'), set_up_s: 45 };

/** The presses that there are, the piles that each takes, and how long one is built. */
export function Presses({ job, shop, onChange }: Props) {
  const presses = shop.presses ?? [USUAL];
  const piles = pilesOf(job);
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
            {t('changes to an unknown pile in')}{' '}
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
                <Toggle
                  key={pile}
                  label={pile}
                  says={t('{press} takes {pile}', { press: press.name, pile })}
                  on={taken}
                  onChange={() => {
                    const now = press.piles ?? piles;
                    const next = taken ? now.filter((one) => one !== pile) : [...now, pile];
                    change(n, { piles: piles.every((one) => next.includes(one)) ? null : next });
                  }}
                />
              );
            })}
          {presses.length > 1 && (
            <Button sx={{ fontSize: 13.5 }} onClick={() => set(presses.filter((_, m) => m !== n))}>
              {t('Remove')}
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
