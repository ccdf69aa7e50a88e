import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { line as path } from 'd3-shape';
import { memo } from 'react';
import { formatSize, formatThickness, useUnit } from '../../shared/units';
import { colour, type } from '../../theme/tokens';
import { sampleField, type Field } from '../../api/packedField';
import type { Panel } from './surface';
import type { Probe } from './Sheet';
import { t } from '../../words/words';

const HEIGHT = 92;
const LEFT = 8;
const POINTS = 320;

export interface ProfileLine {
  name: string;
  field: Field | undefined;
  panel: Panel;
  mirrored: boolean;
  dash?: string;
  width: number;
  tone: string;
}

interface Props {
  probe: Probe;
  lines: ProfileLine[];
  width: number;
}

/** Heights along the probe line: tool, under pressure, after release. */
export const ProfileChart = memo(function ProfileChart({ probe, lines, width }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const length = Math.hypot(probe.to.right - probe.from.right, probe.to.down - probe.from.down);
  const drawn = lines.flatMap((line) =>
    line.field ? [{ ...line, heights: heightsAlong(line, line.field, probe) }] : [],
  );
  const all = drawn.flatMap((line) => line.heights);
  const [low, high] = [Math.min(...all, 0), Math.max(...all, 0.05)];
  const x = scaleLinear([0, POINTS - 1], [LEFT, width - 70]);
  const y = scaleLinear([low, high], [HEIGHT - 8, 8]);
  const profile = path<number>((_, n) => x(n), y);
  const stretch = ((HEIGHT - 16) / (high - low)) * (length / (width - LEFT - 70));
  const text = { fontFamily: type.text, fontSize: 11.5 };
  return (
    <Box sx={{ fontSize: 12.5, color: colour.quiet }}>
      <Box
        component="svg"
        viewBox={`0 0 ${width} ${HEIGHT}`}
        sx={{ display: 'block', width: '100%', maxWidth: width }}
        role="img"
        aria-label={t('Profile along the probe line, {length}', {
          length: formatSize(Math.round(length), unit),
        })}
        data-testid="profile"
      >
        <line x1={LEFT} x2={width - 70} y1={y(0)} y2={y(0)} stroke={colour.hairline} />
        {drawn.map((line) => (
          <path
            key={line.name}
            d={profile(line.heights) ?? ''}
            fill="none"
            stroke={line.tone}
            strokeWidth={line.width}
            strokeDasharray={line.dash}
          />
        ))}
        {drawn.map((line, n) => (
          <g key={line.name} transform={`translate(${width - 64} ${16 + 17 * n})`}>
            <line
              x2={14}
              y1={-4}
              y2={-4}
              stroke={line.tone}
              strokeWidth={line.width}
              strokeDasharray={line.dash}
            />
            <text {...text} x={18} fill={line.tone}>
              {line.name}
            </text>
          </g>
        ))}
      </Box>
      {t('Along the probe, {count}; heights ×', { count: formatSize(length, unit) })}{' '}
      {stretch < 10 ? stretch.toFixed(1) : Math.round(stretch)}
      {t(', highest {high}.', { high: formatThickness(high, unit) })}
    </Box>
  );
});

function heightsAlong({ panel, mirrored }: ProfileLine, field: Field, probe: Probe): number[] {
  const { first_mm: first, spacing_mm: h } = panel;
  return Array.from({ length: POINTS }, (_, n) => {
    const t = n / (POINTS - 1);
    const right = probe.from.right + t * (probe.to.right - probe.from.right);
    const down = probe.from.down + t * (probe.to.down - probe.from.down);
    const value = sampleField(field, (down - first[0]) / h, ((mirrored ? -right : right) - first[1]) / h);
    return mirrored ? -value : value;
  });
}
