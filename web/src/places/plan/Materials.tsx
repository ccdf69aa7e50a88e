import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { JobFile, MaterialFile } from '../../api/gen/types.gen';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { Entry } from './Entry';

const USES = ['ink', 'powder', 'colour', 'spray', 'glue', 'mist'] as const;

interface Props {
  job: JobFile;
  /** Of the whole sheets by stock, and of what is used up by its name. */
  paper: Record<string, number>;
  used: Record<string, number>;
  onChange: (job: JobFile) => void;
}

/** What is used up beside paper, and what all of it costs. */
export function Materials({ job, paper, used, onChange }: Props) {
  const materials = job.materials ?? [];
  const set = (next: MaterialFile[]) => onChange({ ...job, materials: next });
  const change = (n: number, part: Partial<MaterialFile>) =>
    set(materials.map((one, m) => (m === n ? { ...one, ...part } : one)));
  const sum = (costs: Record<string, number>) => Object.values(costs).reduce((all, cost) => all + cost, 0);
  const all = sum(paper) + sum(used);
  const free = USES.find((use) => !materials.some((one) => one.works.includes(use)));
  return (
    <Box
      component="section"
      aria-label={t('What it costs')}
      sx={{ color: colour.quiet, marginBottom: '10px' }}
    >
      {materials.map((one, n) => (
        <Box key={n} sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 12px' }}>
          <Entry
            label={t('Name of material {n}', { n: n + 1 })}
            value={one.name}
            wide={150}
            onCommit={(name) => change(n, { name })}
          />
          <QuietSelect
            label={t('What {name} is for', { name: one.name })}
            value={one.works[0] ?? 'ink'}
            options={Object.fromEntries(USES.map((use) => [use, term(use)]))}
            onChange={(use) => change(n, { works: [USES.find((each) => each === use) ?? 'ink'] })}
          />
          <span>
            {t('costs')}{' '}
            <Entry
              label={t('Price of {name}', { name: one.name })}
              value={String(one.price)}
              wide={52}
              onCommit={(text) => {
                const price = Number(text.replace(',', '.'));
                if (price >= 0 && price <= 10_000) change(n, { price });
              }}
            />{' '}
            {t('and lasts for')}{' '}
            <Entry
              label={t('Pieces that {name} lasts for', { name: one.name })}
              value={String(one.lasts)}
              wide={52}
              onCommit={(text) => {
                const lasts = Number(text);
                if (Number.isInteger(lasts) && lasts >= 1 && lasts <= 1_000_000) change(n, { lasts });
              }}
            />{' '}
            {t('pieces')}
          </span>
          <Button sx={{ fontSize: 13.5 }} onClick={() => set(materials.filter((_, m) => m !== n))}>
            {t('Remove')}
          </Button>
        </Box>
      ))}
      {free && materials.length < 40 && (
        <Button
          sx={{ fontSize: 13.5 }}
          onClick={() => set([...materials, { name: term(free), works: [free], price: 5, lasts: 100 }])}
        >
          {t('Count ink, powder or glue')}
        </Button>
      )}
      {all > 0 && (
        <Box sx={{ color: colour.ink }}>
          {t('Costs {all} in total, {each} a card: ', {
            all: all.toFixed(2),
            each: (all / job.count).toFixed(2),
          })}
          {[
            ...(sum(paper) > 0 ? [t('paper {paper}', { paper: sum(paper).toFixed(2) })] : []),
            ...Object.entries(used).map(([name, cost]) => `${name} ${cost.toFixed(2)}`),
          ].join(', ')}
        </Box>
      )}
    </Box>
  );
}
