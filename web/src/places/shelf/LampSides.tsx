import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const ROUND = 30; // px
const WEDGES = 6; // photos that are taken

/** Where light came from so far, seen from above; what is dark still wants a photo. */
export function LampSides({ sides }: { sides: number[] }) {
  const lit = (angle: number) =>
    sides.some((side) => Math.abs(((side - angle + 540) % 360) - 180) <= 180 / WEDGES);
  const at = (angle: number, far: number) => {
    const turn = (angle * Math.PI) / 180;
    return [40 + far * Math.cos(turn), 40 - far * Math.sin(turn)] as const;
  };
  return (
    <svg width={80} height={80} role="img" aria-label={t('Lit from {count} sides', { count: sides.length })}>
      <rect x={30} y={26} width={20} height={28} fill={colour.panel} stroke={colour.ink} />
      {Array.from({ length: WEDGES }, (_, n) => (n * 360) / WEDGES).map((angle) => {
        const [x, y] = at(angle, ROUND);
        return (
          <circle
            key={angle}
            cx={x}
            cy={y}
            r={6}
            fill={lit(angle) ? colour.accent : 'none'}
            stroke={colour.quiet}
            strokeDasharray={lit(angle) ? undefined : '2 2'}
          />
        );
      })}
      {sides.map((side) => {
        const [x, y] = at(side, ROUND - 8);
        const [u, v] = at(side, 18);
        return <line key={side} x1={x} y1={y} x2={u} y2={v} stroke={colour.accent} strokeWidth={1.5} />;
      })}
    </svg>
  );
}
