import { useEffect, useRef } from 'react';
import type { Layer, Wear as PlateWear } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import type { BedScale } from './bedScale';
import type { MapKind } from './feedChoices';
import { t } from '../../words/words';

interface Props {
  wear: PlateWear;
  kind: MapKind;
  layer: Layer;
  bed: BedScale;
  /** True if the face looks down: seen from above, through the plate, it is mirrored. */
  below: boolean;
}

/** Values of one map of a face: rows along, then across. */
export function mapOf(wear: PlateWear, kind: MapKind): number[][] {
  if (kind === 'scars') return wear.deepest_mm;
  if (kind === 'bow') return wear.bow_along_mm.map((a) => wear.bow_across_mm.map((b) => a + b));
  return wear.crossed;
}

/** Where a map is darkest: at least as much as is seen. */
export function darkest(wear: PlateWear, kind: MapKind): number {
  const least = { 'cut over': 1, scars: 0.02, bow: 0.1, hidden: 1 }[kind];
  return Math.max(least, ...mapOf(wear, kind).map((row) => Math.max(...row.map(Math.abs))));
}

/** One map of a plate's face, laid under the bed's drawing. */
export function WearMap({ wear, kind, layer, bed, below }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [nx, ny] = [wear.crossed.length, wear.crossed[0]?.length ?? 0];
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !nx || !ny) return;
    const top = darkest(wear, kind);
    const image = context.createImageData(nx, ny);
    mapOf(wear, kind).forEach((row, i) =>
      row.forEach((value, j) => {
        const shade = value < 0 ? colour.accent : colour.warn;
        const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(shade.slice(at, at + 2), 16));
        const line = below ? j : ny - 1 - j;
        const alpha = 255 * Math.sqrt(Math.min(Math.abs(value) / top, 1));
        image.data.set([r ?? 0, g ?? 0, b ?? 0, alpha], (line * nx + i) * 4);
      }),
    );
    context.putImageData(image, 0, 0);
  }, [wear, kind, nx, ny, below]);
  const [width, height] = [nx * wear.cell_mm * bed.scale, ny * wear.cell_mm * bed.scale];
  return (
    <canvas
      ref={canvas}
      width={nx}
      height={ny}
      role="img"
      aria-label={t("{kind}: a map of the plate's {face}", { kind, face: wear.face })}
      data-testid="wear-map"
      style={{
        position: 'absolute',
        left: bed.x(layer.x_mm) - width / 2,
        top: bed.y(layer.y_mm) - height / 2,
        width,
        height,
        transform: `rotate(${-layer.rotation_deg}deg)`,
      }}
    />
  );
}
