import Box from '@mui/material/Box';
import InputBase from '@mui/material/InputBase';
import { useQuery } from '@tanstack/react-query';
import type { Sandwich } from '../../api/gen/types.gen';
import { categoryQuery } from '../../api/queries';
import { EFFECTS } from '../../sandwich/traits.gen';
import { useEditor } from '../../sandwich/store';
import { colour, type } from '../../theme/tokens';
import { FINGER, FINGERS, HAND } from '../../shared/useScreen';
import { QuietSelect } from '../../shared/QuietSelect';
import { SandwichMenu } from './SandwichMenu';
import { t, term } from '../../words/words';

type Effect = Sandwich['effect']['kind'];

const CHOICES = Object.fromEntries(Object.entries(EFFECTS).map(([kind, label]) => [kind, term(label)]));
const FRONTS = { either: t('either face'), raised: t('front raised'), sunk: t('front sunk') };
const PASSES = Object.fromEntries(
  Array.from({ length: 12 }, (_, n) => [
    String(n + 1),
    n === 0 ? t('1 pass') : t('{n} passes', { n: n + 1 }),
  ]),
);

/** Name of the sandwich, and what it is meant to do on which press. */
export function BenchHeader({ id, sandwich }: { id: string; sandwich: Sandwich }) {
  const edit = useEditor((editor) => editor.edit);
  const shelf = useQuery(categoryQuery('press'));
  const presses = shelf.data?.flatMap((entry) => (entry.press ? [entry.press] : [])) ?? [];
  const names = Object.fromEntries([sandwich.press, ...presses].map((press) => [press.name, press.name]));
  return (
    <Box sx={{ padding: '8px 0 0 24px', minHeight: 66, [HAND]: { paddingLeft: '12px' } }}>
      <Box sx={{ display: 'flex', alignItems: 'center', paddingRight: 2 }}>
        <NameField
          key={`${id} ${sandwich.name}`}
          name={sandwich.name}
          onName={(name) => edit([{ op: 'rename', name }])}
        />
        <SandwichMenu current={id} />
      </Box>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: '0 14px',
          color: colour.quiet,
          fontSize: 13,
          [FINGERS]: { '& select': { minHeight: FINGER, fontSize: 15 } },
        }}
      >
        <QuietSelect
          label={t('Effect wanted')}
          value={sandwich.effect.kind}
          options={CHOICES}
          onChange={(kind) => edit([{ op: 'effect', kind: kind as Effect }])}
        />
        <QuietSelect
          label={t('Look of the front')}
          value={sandwich.effect.front}
          options={FRONTS}
          onChange={(front) => edit([{ op: 'effect', front: front as keyof typeof FRONTS }])}
        />
        <QuietSelect
          label={t('Passes')}
          value={String(sandwich.passes)}
          options={PASSES}
          onChange={(passes) => edit([{ op: 'passes', passes: Number(passes) }])}
        />
        <QuietSelect
          label={t('Press')}
          value={sandwich.press.name}
          options={names}
          onChange={(name) => {
            const press = presses.find((candidate) => candidate.name === name);
            if (press) edit([{ op: 'press', press }]);
          }}
        />
      </Box>
    </Box>
  );
}

function NameField({ name, onName }: { name: string; onName: (name: string) => void }) {
  return (
    <InputBase
      defaultValue={name}
      inputProps={{ 'aria-label': t('Name of the sandwich'), maxLength: 120 }}
      onBlur={(event) => {
        const next = event.target.value.trim();
        if (next && next !== name) onName(next);
      }}
      onKeyDown={(event) => event.key === 'Enter' && (event.target as HTMLElement).blur()}
      sx={{
        flex: 1,
        fontFamily: type.head,
        fontWeight: 700,
        fontSize: 20,
        letterSpacing: '-0.01em',
        '& input': { padding: '2px 0', textOverflow: 'ellipsis' },
      }}
    />
  );
}
