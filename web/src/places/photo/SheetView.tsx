import { useRef, useState, type PointerEvent } from 'react';
import type { PhotoReading } from '../../api/gen/types.gen';
import { usePointerDrag } from '../../shared/usePointerDrag';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { typical } from '../shelf/newThing';
import { dense, distanceTo, pulled, type Point, type Ring } from './drawn';
import type { Draft } from './photoTools';

interface Props {
  reading: PhotoReading;
  drafts: Draft[];
  /** Which of the photos it is. */
  photo: number;
  chosen: number;
  onChoose: (index: number) => void;
  /** An outline and its openings were drawn over. */
  onDraw: (index: number, outline: Ring, windows: Ring[]) => void;
  /** A run of the blade, as it is shown, is none. */
  onWithout: (index: number, run: number) => void;
}

interface Drawing {
  index: number;
  /** 0 is the outline, from 1 on its openings. */
  ring: number;
  from: Point;
  rings: Ring[];
}

/** The sheet from straight above with every tool's outline over it; a touch chooses one, a drag of its line corrects it. */
export function SheetView({ reading, photo, drafts, chosen, onChoose, onDraw, onWithout }: Props) {
  const { left_mm: left, top_mm: top, width_mm: wide, height_mm: high } = reading;
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<{ index: number; rings: Ring[] }>();
  const place = (event: { clientX: number; clientY: number }): Point => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.current?.getScreenCTM()?.inverse(),
    );
    return [point.x, point.y];
  };
  const begin = usePointerDrag<Drawing>({
    move: (event, { index, ring, from, rings }) =>
      setDrawn({
        index,
        rings: rings.map((each, n) => (n === ring ? pulled(each, from, place(event)) : each)),
      }),
    end: (keep, { index }) => {
      if (keep && drawn) onDraw(index, drawn.rings[0] ?? [], drawn.rings.slice(1));
      setDrawn(undefined);
    },
  });
  const grab = (event: PointerEvent, index: number, { tool }: Draft) => {
    const from = place(event);
    const rings = [tool.outline_on_sheet, ...tool.windows_on_sheet].map((ring) => dense(ring));
    const far = rings.map((ring) => distanceTo(ring, from));
    begin(event, { index, ring: far.indexOf(Math.min(...far)), from, rings });
  };
  return (
    <svg
      ref={svg}
      role="img"
      aria-label={t('The photo from above, with {count} tools outlined', {
        count: drafts.filter((draft) => draft.photo === photo).length,
      })}
      viewBox={`${left} ${top} ${wide} ${high}`}
      style={{ display: 'block', width: '100%', height: '100%' }}
    >
      <image href={reading.picture} x={left} y={top} width={wide} height={high} preserveAspectRatio="none" />
      {drafts.map((draft, n) => {
        const { photo: own, tool, kind, wanted } = draft;
        if (own !== photo) return null;
        const tint = n === chosen ? colour.stop : colour.accent;
        const rings = drawn?.index === n ? drawn.rings : [tool.outline_on_sheet, ...tool.windows_on_sheet];
        const [x, y] = tool.outline_on_sheet[0] ?? [left, top];
        const line = rings.map((ring) => `M${ring.map((point) => point.join(',')).join(' L')} Z`).join(' ');
        return (
          <g
            key={n}
            onClick={() => onChoose(n)}
            opacity={wanted ? 1 : 0.35}
            style={{ cursor: 'pointer' }}
            data-testid={`outline-${n}`}
          >
            <path
              d={line}
              fill={tint}
              fillOpacity={0.12}
              fillRule="evenodd"
              stroke={tint}
              strokeWidth={n === chosen ? 0.8 : 0.5}
            />
            {n === chosen && (
              <path
                d={line}
                data-testid="drag-outline"
                fill="none"
                stroke="transparent"
                strokeWidth={5}
                style={{ cursor: 'grab', touchAction: 'none' }}
                onPointerDown={(event) => grab(event, n, draft)}
              />
            )}
            {typical(kind).item?.blade &&
              drawn?.index !== n &&
              tool.blade_on_sheet.map((run, k) => (
                <path
                  key={k}
                  d={`M${run.map((point) => point.join(',')).join(' L')}`}
                  fill="none"
                  stroke={colour.warn}
                  strokeWidth={0.5}
                  strokeDasharray="1.6 0.8"
                  pointerEvents={n === chosen && tool.blade_on_sheet.length > 1 ? 'stroke' : 'none'}
                  onClick={(event) => {
                    event.stopPropagation();
                    onWithout(n, k);
                  }}
                >
                  <title>{t("Touch it if this isn't a blade")}</title>
                </path>
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
