import { styled } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import type { Verdict } from '../../api/gen/types.gen';
import type { Zone } from '../../api/types';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

const ZONES: Zone[] = ['slack', 'faint', 'right', 'hard', 'refuses'];
const WIDTH = 650;
const HEIGHT = 38;
const CELL = WIDTH / ZONES.length;

const Frame = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'repeat(5, 1fr)',
  maxWidth: WIDTH,
  '& svg': { gridColumn: '1 / -1', width: '100%', display: 'block' },
});
const Name = styled('div')({ textAlign: 'center', fontSize: 13, color: colour.quiet });

/** Where the sandwich stands between slack and refusing, and how far its uncertainty reaches; each zone is drawn equally wide. */
export function VerdictScale({ verdict }: { verdict: Verdict }) {
  const unit = useUnit((choice) => choice.unit);
  const at = Math.min(Math.max(position(0, verdict), 8), WIDTH - 8);
  const low = position(-verdict.spread_mm, verdict);
  const high = Math.min(position(verdict.spread_mm, verdict), WIDTH);
  const tone =
    verdict.zone === 'right'
      ? colour.accent
      : verdict.zone === 'faint' || verdict.zone === 'hard'
        ? colour.warn
        : colour.stop;
  const spread = formatThickness(verdict.spread_mm, unit);
  const chances = ZONES.map((zone) => ({ zone, chance: verdict.chances[zone] ?? 0 }))
    .filter(({ chance }) => chance >= 0.005)
    .map(({ zone, chance }) => `${term(zone)} ${Math.round(chance * 100)} %`)
    .join(', ');
  return (
    <Tooltip
      title={t(
        "Chances: {chances}. The bar is one standard deviation of the pile each way ({spread}). It covers thickness, opening and the stock's strength.",
        { chances, spread },
      )}
    >
      <Frame role="img" aria-label={t('Verdict {zone}; chances: {chances}', { zone: verdict.zone, chances })}>
        <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
          <rect x={2 * CELL} y={17} width={CELL} height={18} fill={colour.accentWash} />
          <rect x={low} y={21} width={Math.max(high - low, 2)} height={10} fill={tone} opacity={0.45} />
          <path d={`M0 26H${WIDTH}`} stroke={colour.ink} strokeWidth={1} />
          {ZONES.slice(1).map((zone, index) => (
            <path key={zone} d={`M${(index + 1) * CELL} 19v14`} stroke={colour.ink} strokeWidth={1} />
          ))}
          <path d={`M${at - 7} 6h14l-7 17z`} fill={tone} />
        </svg>
        {ZONES.map((zone) => (
          <Name key={zone} style={zone === verdict.zone ? { color: tone, fontWeight: 700 } : undefined}>
            {zone}
          </Name>
        ))}
      </Frame>
    </Tooltip>
  );
}

/** Place of an added thickness on the scale: linear inside each zone, the outer zones as wide as a millimetre. */
export function position(added: number, verdict: Verdict): number {
  const borders = verdict.borders_mm.map((border) => border ?? 1e3);
  const first = borders[0] ?? 0;
  const last = borders.at(-1) ?? 0;
  const edges = [Math.min(first - 1, -1.5), ...borders, last + 1];
  let cell = borders.filter((border) => added >= border).length;
  if (added >= last && verdict.zone !== 'refuses' && added === 0) cell = Math.min(cell, 3);
  const [from, to] = [edges[cell] ?? 0, edges[cell + 1] ?? 1];
  const share = to > from ? Math.min(Math.max((added - from) / (to - from), 0.02), 0.98) : 0.5;
  return (cell + share) * CELL;
}
