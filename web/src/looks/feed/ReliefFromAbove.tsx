import type { Sandwich } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import type { BedScale } from './bedScale';

/** The reliefs of what lies on the bed, where they lie. */
export function ReliefsFromAbove({ sandwich, bed }: { sandwich: Sandwich; bed: BedScale }) {
  return sandwich.layers.map((layer) => {
    const item = sandwich.items[layer.item];
    const map = item?.relief?.map;
    if (!item || !map || layer.half === 'sunk') return null;
    const [across, along] = [item.width_mm * bed.scale, item.length_mm * bed.scale];
    return (
      <image
        key={layer.id}
        data-testid="relief-from-above"
        href={addresses.relief(map)}
        x={-across / 2}
        y={-along / 2}
        width={across}
        height={along}
        preserveAspectRatio="none"
        opacity={0.55}
        style={{ mixBlendMode: 'multiply', pointerEvents: 'none' }}
        // made with the feed from top to bottom; here it goes from left to right, and what is turned over is mirrored
        transform={`translate(${bed.x(layer.x_mm)} ${bed.y(layer.y_mm)}) rotate(${-layer.rotation_deg}) scale(1 ${layer.turned ? -1 : 1}) rotate(-90)`}
      />
    );
  });
}
