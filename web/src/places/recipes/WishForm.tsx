import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import type { Effect, ShelfEntry, Wish } from '../../api/gen/types.gen';
import { QuietSelect } from '../../shared/QuietSelect';
import { Segments } from '../../shared/Segments';
import { colour } from '../../theme/tokens';
import { inkFor, stocksFor, toolsFor, useChoices, type Resolved } from './useWish';
import { t } from '../../words/words';

const Row = styled('label')({
  display: 'flex',
  alignItems: 'baseline',
  gap: 8,
  padding: '3px 0',
  '& > span': { width: 62, color: colour.quiet, flexShrink: 0 },
  '& select': { flex: 1, maxWidth: 'none', minWidth: 0 },
});

type Without = Wish['without'][number];
const FRONTS = { either: 'either', raised: 'raised', sunk: 'sunk' } as const;
const ANY = '';

interface Props {
  effect: Effect;
  shelf: ShelfEntry[];
  resolved: Resolved;
}

/** Press, stock, tool and what else is wished; every choice is remembered. */
export function WishForm({ effect, shelf, resolved }: Props) {
  const choices = useChoices();
  const { choose } = choices;
  const named = (entries: ShelfEntry[]) =>
    Object.fromEntries(entries.map((entry) => [entry.id, entry.press?.name ?? entry.item?.name ?? '']));
  const inks = shelf.filter((entry) => entry.ink && effect.inks.includes(entry.ink.type));
  const spared = choices.without[effect.key] ?? [];
  const toggle = (kind: Without) =>
    choose({
      without: {
        ...choices.without,
        [effect.key]: spared.includes(kind) ? spared.filter((other) => other !== kind) : [...spared, kind],
      },
    });
  return (
    <Box sx={{ fontSize: 14 }}>
      <Row>
        <span>{t('Press')}</span>
        <QuietSelect
          label={t('Press')}
          value={resolved.pressId ?? ''}
          options={named(shelf.filter((entry) => entry.press))}
          onChange={(press) => choose({ press })}
        />
      </Row>
      <Row>
        <span>{t('Sheet')}</span>
        <QuietSelect
          label={t('Sheet')}
          value={resolved.stockId ?? ''}
          options={named(stocksFor(effect, shelf))}
          onChange={(id) => choose({ stock: { ...choices.stock, [effect.key]: id } })}
        />
      </Row>
      <Row>
        <span>{t('Tool')}</span>
        <QuietSelect
          label={t('Tool')}
          value={resolved.wish?.tool ?? ANY}
          options={{ [ANY]: t('whichever works best'), ...named(toolsFor(effect, shelf)) }}
          onChange={(id) => choose({ tool: { ...choices.tool, [effect.key]: id } })}
        />
      </Row>
      {inks.length > 0 && (
        <Row>
          <span>{t('Ink')}</span>
          <QuietSelect
            label={t('Ink')}
            value={inkFor(effect, choices, shelf)?.id ?? ANY}
            options={{
              [ANY]: 'bare',
              ...Object.fromEntries(inks.map((entry) => [entry.id, entry.ink?.name ?? ''])),
            }}
            onChange={(id) => choose({ ink: { ...choices.ink, [effect.key]: id } })}
          />
        </Row>
      )}
      {effect.looks.length > 1 && (
        <Row as="div">
          <span>{t('Front')}</span>
          <Segments
            label={t('Look of the front')}
            value={resolved.wish?.front ?? 'either'}
            options={['either', 'raised', 'sunk'] as const}
            names={FRONTS}
            onChange={(front) => choose({ front: { ...choices.front, [effect.key]: front } })}
          />
        </Row>
      )}
      {effect.mist && (
        <Row as="div">
          <span>{t('Mist')}</span>
          <Segments
            label={t('Mist')}
            value={choices.mist}
            options={['free', 'dry', 'misted'] as const}
            names={{ free: t('if it helps') }}
            onChange={(mist) => choose({ mist })}
          />
        </Row>
      )}
      <Row as="div">
        <span>{t('Without')}</span>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 10px' }}>
          {effect.parts.map((kind) => (
            <label key={kind} title={t('What if I had no {kind}?', { kind })}>
              <input
                type="checkbox"
                checked={spared.includes(kind)}
                onChange={() => toggle(kind)}
                style={{ accentColor: colour.accent, margin: '0 4px 0 0', verticalAlign: '-2px' }}
              />
              {kind}
            </label>
          ))}
        </Box>
      </Row>
    </Box>
  );
}
