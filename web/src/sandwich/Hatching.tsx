import type { Item } from '../api/gen/types.gen';
import { colour } from '../theme/tokens';

interface Look {
  fill: string;
  stroke: string;
}

/** Section hatching by material, so that materials are told apart without colour. */
export const MATERIAL_LOOK: Record<Item['material'], Look> = {
  'hard plastic': { fill: '#ebe8dd', stroke: '#b9b7a4' },
  'soft plastic': { fill: '#e9ece4', stroke: '#a3b1a3' },
  'folder plastic': { fill: '#dde6e0', stroke: '#8fa69a' },
  steel: { fill: '#c9cccd', stroke: '#6f7678' },
  aluminium: { fill: '#d9dcdd', stroke: '#8b9294' },
  copper: { fill: '#dfc0a8', stroke: '#8d5a39' },
  rubber: { fill: '#5c625f', stroke: '#2f3633' },
  silicone: { fill: '#d9dbe4', stroke: '#8a90a8' },
  foam: { fill: '#efe6d3', stroke: '#b49f75' },
  paper: { fill: '#f3eee0', stroke: '#b9a98a' },
  wood: { fill: '#dccbaa', stroke: '#94774a' },
  photopolymer: { fill: '#ead9c0', stroke: '#a9813f' },
};

export const hatchId = (material: string) => `hatch-${material.replace(' ', '-')}`;

/** The hatch patterns of all materials, to be put into an SVG once. */
export function HatchPatterns() {
  return (
    <defs>
      {Object.entries(MATERIAL_LOOK).map(([material, look]) => (
        <pattern key={material} id={hatchId(material)} width={9} height={9} patternUnits="userSpaceOnUse">
          <rect width={9} height={9} fill={look.fill} />
          <Strokes material={material} stroke={look.stroke} />
        </pattern>
      ))}
      <pattern id="hatch-roller" width={7} height={7} patternUnits="userSpaceOnUse">
        <rect width={7} height={7} fill={colour.metal} />
        <path d="M-1 8L8 -1M-1 1L1 -1M6 8L8 6" stroke={colour.metalDeep} strokeWidth={0.7} />
      </pattern>
    </defs>
  );
}

function Strokes({ material, stroke }: { material: string; stroke: string }) {
  const line = { stroke, strokeWidth: 0.9, fill: 'none' };
  switch (material) {
    case 'hard plastic':
      return <path d="M-1 10L10 -1" {...line} />;
    case 'soft plastic':
      return <path d="M-1 10L10 -1" strokeDasharray="3 2.2" {...line} />;
    case 'folder plastic':
      return <path d="M-1 -1L10 10M3.5 -1L10 5.5M-1 3.5L5.5 10" {...line} />;
    case 'steel':
    case 'aluminium':
    case 'copper':
      return <path d="M-1 10L10 -1M-1 5.5L5.5 -1M3.5 10L10 3.5" {...line} />;
    case 'rubber':
      return <path d="M-1 10L10 -1M-1 -1L10 10" {...line} />;
    case 'silicone':
      return <path d="M0 4.5Q2.2 2.5 4.5 4.5T9 4.5" {...line} />;
    case 'foam':
      return (
        <g fill={stroke}>
          <circle cx={2} cy={2.5} r={0.9} />
          <circle cx={6.5} cy={6.8} r={0.9} />
        </g>
      );
    case 'wood':
      return <path d="M0 2H9M0 6.5H9" {...line} />;
    default:
      return <path d="M0 4.5H9" strokeWidth={0.5} stroke={stroke} fill="none" />;
  }
}
