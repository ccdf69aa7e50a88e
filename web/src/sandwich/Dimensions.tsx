import { formatThickness, useUnit } from '../shared/units';
import { colour, type } from '../theme/tokens';
import { VIEW, type Drawing } from './geometry';
import { t } from '../words/words';

interface Props {
  drawing: Drawing;
  opening: number;
  interference: number | undefined;
}

const TEXT = { fontFamily: type.text, fontSize: 12, fill: colour.quiet };

/** The opening as a dimension line, and what the stack has over it or lacks. */
export function Dimensions({ drawing, opening, interference }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const x = VIEW.left - 46;
  const right = VIEW.left + VIEW.stack + 12;
  const { ceiling, floor, top } = drawing;
  const over = interference !== undefined && interference > 0;
  const word =
    interference === undefined
      ? ''
      : over
        ? t('{thick} over', { thick: formatThickness(Math.abs(interference), unit) })
        : t('{thick} of gap', { thick: formatThickness(Math.abs(interference), unit) });
  return (
    <g>
      <path
        d={`M${x} ${ceiling}V${floor}M${x - 4} ${ceiling}h8M${x - 4} ${floor}h8`}
        stroke={colour.quiet}
        strokeWidth={1}
      />
      <text
        {...TEXT}
        transform={`translate(${x - 8} ${(ceiling + floor) / 2}) rotate(-90)`}
        textAnchor="middle"
      >
        {t('opening {opening}', { opening: formatThickness(opening, unit) })}
      </text>
      {drawing.layers.length > 0 && (
        <g>
          {over ? (
            <rect
              x={VIEW.left - 4}
              y={top}
              width={VIEW.stack + 8}
              height={Math.max(ceiling - top, 1.5)}
              fill={colour.accent}
              opacity={0.34}
            />
          ) : (
            <rect
              x={VIEW.left - 4}
              y={ceiling}
              width={VIEW.stack + 8}
              height={Math.max(top - ceiling, 1)}
              fill="none"
              stroke={colour.stop}
              strokeDasharray="2 3"
            />
          )}
          <path
            d={`M${x + 6} ${ceiling}H${right}`}
            stroke={over ? colour.accent : colour.stop}
            strokeDasharray="5 4"
            strokeWidth={1.2}
          />
        </g>
      )}
      {word && (
        <text
          x={VIEW.left + VIEW.stack / 2}
          y={Math.min(top, ceiling) - 9}
          textAnchor="middle"
          fontFamily={type.text}
          fontSize={13.5}
          fontWeight={700}
          fill={over ? colour.accent : colour.stop}
          paintOrder="stroke"
          stroke={colour.metal}
          strokeWidth={5}
        >
          {word}
        </text>
      )}
    </g>
  );
}
