import { formatThickness, useUnit } from '../shared/units';
import { colour, type } from '../theme/tokens';
import { VIEW } from './geometry';
import { t } from '../words/words';

/** How tall a millimetre is drawn. */
export function ScaleBar({ scale, trueScale }: { scale: number; trueScale: boolean }) {
  const unit = useUnit((choice) => choice.unit);
  const mm = scale > 40 ? 0.5 : scale > 14 ? 1 : 5;
  const x = 14;
  const bottom = VIEW.height - 34;
  return (
    <g>
      <path
        d={`M${x} ${bottom}v${-mm * scale}M${x - 3} ${bottom}h6M${x - 3} ${bottom - mm * scale}h6`}
        stroke={colour.ink}
        strokeWidth={1.2}
      />
      <text
        x={x + 7}
        y={bottom - (mm * scale) / 2 + 4}
        fontFamily={type.text}
        fontSize={11}
        fill={colour.quiet}
      >
        {formatThickness(mm, unit, 1)}
        {trueScale ? t(', true shape') : ''}
      </text>
    </g>
  );
}
