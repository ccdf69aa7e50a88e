import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Assessment } from '../../api/gen/types.gen';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { mostly, roundUp, scaleColour } from './scale';
import { t } from '../../words/words';

const WIDTH = 520;
const MOST_HEIGHT = 300;

type Map = NonNullable<Assessment['pressure_map']>;

/** Highest pressure that every point sees, the bed seen from above; the feed goes from left to right. The full computation tells it of the work only. */
export function PressureMap({ map, full }: { map: Map; full: boolean }) {
  const unit = useUnit((choice) => choice.unit);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [probe, setProbe] = useState<{ i: number; j: number }>();
  const [nx, ny] = [map.x_mm.length, map.y_mm.length];
  const spread = (values: number[]) =>
    ((values.at(-1) ?? 1) - (values[0] ?? 0)) * (values.length / Math.max(values.length - 1, 1));
  const peak = Math.max(...map.pressure_mpa.map((row) => Math.max(...row)));
  const top = roundUp(mostly(map.pressure_mpa.flat()));
  const shape = spread(map.y_mm) / spread(map.x_mm);
  const [width, height] =
    WIDTH * shape > MOST_HEIGHT ? [MOST_HEIGHT / shape, MOST_HEIGHT] : [WIDTH, WIDTH * shape];

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(nx, ny);
    map.pressure_mpa.forEach((row, i) =>
      row.forEach((value, j) => {
        image.data.set([...scaleColour(value / top), 255], ((ny - 1 - j) * nx + i) * 4);
      }),
    );
    context.putImageData(image, 0, 0);
  }, [map, nx, ny, top]);

  const point = (event: PointerEvent<HTMLCanvasElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const i = Math.floor(((event.clientX - box.left) / box.width) * nx);
    const j = ny - 1 - Math.floor(((event.clientY - box.top) / box.height) * ny);
    setProbe({ i: Math.min(Math.max(i, 0), nx - 1), j: Math.min(Math.max(j, 0), ny - 1) });
  };
  const value = probe && map.pressure_mpa[probe.i]?.[probe.j];
  return (
    <Box sx={{ display: 'flex', gap: 2 }}>
      <Box>
        <canvas
          ref={canvas}
          width={nx}
          height={ny}
          role="img"
          data-testid="pressure-map"
          aria-label={t('Pressure map, peak {peak} MPa', { peak: peak.toFixed(1) })}
          style={{
            width,
            height,
            imageRendering: 'pixelated',
            border: `1px solid ${colour.hairline}`,
            display: 'block',
          }}
          onPointerMove={point}
          onPointerLeave={() => setProbe(undefined)}
        />
        <Box sx={{ fontSize: 12.5, color: colour.quiet, minHeight: 20, width }}>
          {probe && value !== undefined
            ? t('{pressure} MPa at {x} along, {y} across', {
                pressure: value.toFixed(2),
                x: formatSize(map.x_mm[probe.i] ?? 0, unit),
                y: formatSize(map.y_mm[probe.j] ?? 0, unit),
              })
            : t('Highest pressure at each point{part}, seen from above. The left end goes in first.', {
                part: full ? t(' of the work, computed in full') : '',
              })}
        </Box>
      </Box>
      <Legend top={top} over={peak > top} height={height} />
    </Box>
  );
}

function Legend({ top, over, height }: { top: number; over: boolean; height: number }) {
  const steps = 24;
  return (
    <Box sx={{ display: 'flex', gap: '6px', fontSize: 12, color: colour.quiet }}>
      <svg width={14} height={height} aria-hidden="true">
        {Array.from({ length: steps }, (_, n) => (
          <rect
            key={n}
            y={(n * height) / steps}
            width={14}
            height={height / steps + 0.5}
            fill={`rgb(${scaleColour(1 - (n + 0.5) / steps).join(',')})`}
          />
        ))}
      </svg>
      <Box sx={{ display: 'flex', flexDirection: 'column', justifyContent: 'space-between', height }}>
        <span>
          {over ? t('over ') : ''}
          {t('{top} MPa', { top })}
        </span>
        <span>{top / 2}</span>
        <span>0</span>
      </Box>
    </Box>
  );
}
