import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { colour } from '../../theme/tokens';
import { consume, Grip, stepOf, type Spot, type ToSpot } from './Grip';
import { SheetCanvas } from './SheetCanvas';
import type { Extent, Surface } from './surface';
import { t } from '../../words/words';

export interface Probe {
  from: Spot;
  to: Spot;
}

export interface Mark {
  spot: Spot;
  text: string;
}

interface Props {
  first: Surface;
  second: Surface | undefined;
  extent: Extent;
  ink: string;
  sheen: number;
  mapped: 0 | 1 | 2;
  lamp: Spot;
  onLamp: (lamp: Spot) => void;
  probe: Probe;
  onProbe: (probe: Probe) => void;
  wipe: number;
  onWipe: (wipe: number) => void;
  marks: Mark[];
  label: string;
  width: number;
  height: number;
}

export const LAMP_HEIGHT = 58; // mm over the table
const MOST_ZOOM = 12;
const DRAWABLE = typeof WebGL2RenderingContext !== 'undefined';

interface View {
  zoom: number;
  right: number;
  down: number;
}

const WHOLE: View = { zoom: 1, right: 0, down: 0 };

/** The sheet under a lamp: drag the lamp, the ends of the probe line, the wipe bar, or the sheet itself when it is enlarged. */
export function Sheet(props: Props) {
  const { first, second, extent, lamp, wipe, width, height, mapped, sheen, ink } = props;
  const [view, setView] = useState<View>(WHOLE);
  const perMm =
    Math.min(width / (extent.right - extent.left), height / (extent.bottom - extent.top)) * view.zoom;
  const left = (extent.left + extent.right) / 2 + view.right - width / 2 / perMm;
  const top = (extent.top + extent.bottom) / 2 + view.down - height / 2 / perMm;
  const px = (spot: Spot): [number, number] => [(spot.right - left) * perMm, (spot.down - top) * perMm];
  const toSpot: ToSpot = (event) => {
    const box = event.currentTarget.closest('[data-sheet]')?.getBoundingClientRect();
    return {
      right: left + (event.clientX - (box?.left ?? 0)) / perMm,
      down: top + (event.clientY - (box?.top ?? 0)) / perMm,
    };
  };
  const zoomTo = (change: (zoom: number) => number) =>
    setView((now) => {
      const zoom = clamp(change(now.zoom), 1, MOST_ZOOM);
      return zoom === 1 ? WHOLE : { ...now, zoom };
    });
  const pan = (step: Spot) =>
    setView((now) => {
      const most = (size: number) => (size / 2) * (1 - 1 / now.zoom);
      const [w, h] = [most(extent.right - extent.left), most(extent.bottom - extent.top)];
      return {
        ...now,
        right: clamp(now.right + step.right, -w, w),
        down: clamp(now.down + step.down, -h, h),
      };
    });
  const onKey = (event: KeyboardEvent) => {
    const zooms: Record<string, (zoom: number) => number> = {
      '+': (z) => z * 1.4,
      '=': (z) => z * 1.4,
      '-': (z) => z / 1.4,
      '0': () => 1,
    };
    const zoom = zooms[event.key];
    if (zoom) {
      consume(event);
      zoomTo(zoom);
      return;
    }
    const step = stepOf(event);
    if (step) pan(step);
  };
  const scene = useMemo(
    () => ({
      view: [left, top, width / perMm, height / perMm] as [number, number, number, number],
      lamp: [lamp.right, lamp.down, LAMP_HEIGHT] as [number, number, number],
      papers: [first.panel.colour, second?.panel.colour ?? first.panel.colour] as [string, string],
      ink,
      sheen,
      wipe,
      mapped,
    }),
    [
      left,
      top,
      width,
      height,
      perMm,
      lamp.right,
      lamp.down,
      first.panel.colour,
      second?.panel.colour,
      ink,
      sheen,
      wipe,
      mapped,
    ],
  );
  if (!DRAWABLE)
    return (
      <Box sx={{ width, height, color: colour.stop }}>
        {t("This browser can't draw the sheet (no WebGL 2). The figures are still right.")}
      </Box>
    );
  return (
    <Box
      data-sheet=""
      sx={{ position: 'relative', width, height, flexShrink: 0, overflow: 'hidden' }}
      onWheel={(event) => zoomTo((z) => z * (event.deltaY < 0 ? 1.2 : 1 / 1.2))}
    >
      <SheetCanvas
        first={first}
        second={second}
        scene={scene}
        width={width}
        height={height}
        label={props.label}
        grab={view.zoom > 1}
        toSpot={toSpot}
        onPan={pan}
        onKey={onKey}
        onToggle={() => zoomTo((z) => (z > 1 ? 1 : 3))}
      />
      <Overlay {...props} px={px} toSpot={toSpot} />
      <Box sx={{ position: 'absolute', right: 6, bottom: 6, display: 'flex', gap: '4px' }}>
        <Zoom name={t('Zoom in')} sign="+" onClick={() => zoomTo((z) => z * 1.6)} />
        <Zoom name={t('Zoom out')} sign="−" onClick={() => zoomTo((z) => z / 1.6)} />
      </Box>
    </Box>
  );
}

function Zoom({ name, sign, onClick }: { name: string; sign: string; onClick: () => void }) {
  return (
    <ButtonBase
      aria-label={name}
      title={name}
      onClick={onClick}
      sx={{
        width: 22,
        height: 22,
        background: colour.panel,
        border: `1px solid ${colour.hairline}`,
        fontSize: 15,
        lineHeight: 1,
      }}
    >
      {sign}
    </ButtonBase>
  );
}

interface OverlayProps extends Props {
  px: (spot: Spot) => [number, number];
  toSpot: ToSpot;
}

/** What lies over the picture and can be taken hold of. */
function Overlay({
  px,
  toSpot,
  probe,
  onProbe,
  lamp,
  onLamp,
  wipe,
  onWipe,
  second,
  marks,
  width,
  height,
}: OverlayProps) {
  const [lx, ly] = px(lamp).map((value, axis) => clamp(value, 16, (axis ? height : width) - 16)) as [
    number,
    number,
  ];
  const ends = { from: px(probe.from), to: px(probe.to) };
  const share = (spot: Spot) => clamp(px(spot)[0] / width, 0, 1);
  const [origin, unit] = [
    px({ right: 0, down: 0 })[0],
    px({ right: 1, down: 0 })[0] - px({ right: 0, down: 0 })[0],
  ];
  const toMm = (part: number): Spot => ({ right: (part * width - origin) / unit, down: 0 });
  return (
    <svg width={width} height={height} style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
      <line
        x1={ends.from[0]}
        y1={ends.from[1]}
        x2={ends.to[0]}
        y2={ends.to[1]}
        stroke={colour.stop}
        strokeWidth={1.2}
      />
      {marks.map((mark) => (
        <g key={mark.text} role="img" aria-label={mark.text}>
          <title>{mark.text}</title>
          <circle
            cx={px(mark.spot)[0]}
            cy={px(mark.spot)[1]}
            r={8}
            fill="transparent"
            stroke={colour.warn}
            strokeWidth={1.8}
            style={{ pointerEvents: 'all' }}
          />
        </g>
      ))}
      {second && (
        <Grip
          label={t('Slide between both sheets')}
          spot={toMm(wipe)}
          now={Math.round(wipe * 100)}
          cursor="ew-resize"
          toSpot={toSpot}
          onMove={(spot) => onWipe(share(spot))}
        >
          <rect x={wipe * width - 9} width={18} height={height} fill="transparent" />
          <line x1={wipe * width} x2={wipe * width} y2={height} stroke={colour.ink} strokeWidth={1.4} />
          <rect
            x={wipe * width - 5}
            y={height / 2 - 16}
            width={10}
            height={32}
            rx={3}
            fill={colour.panel}
            stroke={colour.ink}
          />
        </Grip>
      )}
      {(['from', 'to'] as const).map((which) => (
        <Grip
          key={which}
          label={which === 'from' ? t('Start of the probe line') : t('End of the probe line')}
          spot={probe[which]}
          toSpot={toSpot}
          onMove={(spot) => onProbe({ ...probe, [which]: spot })}
        >
          <circle
            cx={ends[which][0]}
            cy={ends[which][1]}
            r={6}
            fill={colour.stop}
            stroke={colour.panel}
            strokeWidth={1.5}
          />
        </Grip>
      ))}
      <Grip label={t('Lamp')} spot={lamp} toSpot={toSpot} onMove={onLamp}>
        <circle cx={lx} cy={ly} r={16} fill="transparent" />
        <circle cx={lx} cy={ly} r={8} fill="#fff4d2" stroke="#8f6a1c" strokeWidth={1.5} />
        {[0, 45, 90, 135, 180, 225, 270, 315].map((turn) => (
          <line
            key={turn}
            y1={-11}
            y2={-14.5}
            stroke="#8f6a1c"
            strokeWidth={1.6}
            transform={`translate(${lx} ${ly}) rotate(${turn})`}
          />
        ))}
        <title>{t('Lamp: drag it, or move it with the arrow keys')}</title>
      </Grip>
    </svg>
  );
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(Math.max(value, low), high);
}
