import type { PhotoReading } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { typical } from '../shelf/newThing';
import type { Draft } from './photoTools';

interface Props {
  reading: PhotoReading;
  drafts: Draft[];
  /** Which of the photos it is. */
  photo: number;
  chosen: number;
  onChoose: (index: number) => void;
}

/** The sheet from straight above with every tool's outline over it; a touch chooses one. */
export function SheetView({ reading, photo, drafts, chosen, onChoose }: Props) {
  const { left_mm: left, top_mm: top, width_mm: wide, height_mm: high } = reading;
  const path = (ring: number[][]) => `M${ring.map((point) => point.join(',')).join(' L')} Z`;
  return (
    <svg
      role="img"
      aria-label={t('The photo from above, with {count} tools outlined', {
        count: drafts.filter((draft) => draft.photo === photo).length,
      })}
      viewBox={`${left} ${top} ${wide} ${high}`}
      style={{ display: 'block', width: '100%', height: '100%' }}
    >
      <image href={reading.picture} x={left} y={top} width={wide} height={high} preserveAspectRatio="none" />
      {drafts.map(({ photo: own, tool, kind, wanted }, n) => {
        if (own !== photo) return null;
        const tint = n === chosen ? colour.stop : colour.accent;
        const [x, y] = tool.outline_on_sheet[0] ?? [left, top];
        return (
          <g
            key={n}
            onClick={() => onChoose(n)}
            opacity={wanted ? 1 : 0.35}
            style={{ cursor: 'pointer' }}
            data-testid={`outline-${n}`}
          >
            <path
              d={[tool.outline_on_sheet, ...tool.windows_on_sheet].map(path).join(' ')}
              fill={tint}
              fillOpacity={0.12}
              fillRule="evenodd"
              stroke={tint}
              strokeWidth={n === chosen ? 0.8 : 0.5}
            />
            {typical(kind).item?.blade &&
              tool.blade_on_sheet.map((run, k) => (
                <path
                  key={k}
                  d={`M${run.map((point) => point.join(',')).join(' L')}`}
                  fill="none"
                  stroke={colour.warn}
                  strokeWidth={0.5}
                  strokeDasharray="1.6 0.8"
                />
              ))}
            <circle cx={x} cy={y} r={3.4} fill={colour.panel} stroke={tint} strokeWidth={0.5} />
            <text x={x} y={y + 1.3} fontSize={3.8} textAnchor="middle" fill={colour.ink}>
              {n + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
