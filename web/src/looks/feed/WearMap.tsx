import { useEffect, useRef } from 'react';
import type { BedShape, Layer, PlateWear } from '../../api/client';
import { colour } from '../../theme/tokens';
import type { BedScale } from './bedScale';

interface Props {
  wear: PlateWear;
  layer: Layer;
  shape: BedShape;
  bed: BedScale;
  /** True if the face looks down: seen from above, through the plate, it is mirrored. */
  below: boolean;
  top: number;
}

/** How often each place of a plate's face was cut over, laid under the bed's drawing. */
export function WearMap({ wear, layer, bed, below, top }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [nx, ny] = [wear.crossed.length, wear.crossed[0]?.length ?? 0];
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !nx || !ny) return;
    const image = context.createImageData(nx, ny);
    const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(colour.warn.slice(at, at + 2), 16));
    wear.crossed.forEach((row, i) =>
      row.forEach((value, j) => {
        const line = below ? j : ny - 1 - j;
        image.data.set(
          [r ?? 0, g ?? 0, b ?? 0, 255 * Math.sqrt(Math.min(value / top, 1))],
          (line * nx + i) * 4,
        );
      }),
    );
    context.putImageData(image, 0, 0);
  }, [wear, nx, ny, below, top]);
  const [width, height] = [nx * wear.cell_mm * bed.scale, ny * wear.cell_mm * bed.scale];
  return (
    <canvas
      ref={canvas}
      width={nx}
      height={ny}
      role="img"
      aria-label="Wear of the plate that the blade meets"
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
