import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { ImpressionAnswer as Impression, Sandwich } from '../../api/gen/types.gen';
import { assessmentQuery, judgeAnew } from '../../api/queries';
import { applyEdits } from '../../sandwich/edits';
import { Notice } from '../../shared/Notice';
import { QuietSelect } from '../../shared/QuietSelect';
import { Segments } from '../../shared/Segments';
import { colour } from '../../theme/tokens';
import { Why } from '../calls/Why';
import { FigureList } from './FigureList';
import { MapLegend } from './MapLegend';
import { ProfileChart, type ProfileLine } from './ProfileChart';
import type { Spot } from './Grip';
import { LAMP_HEIGHT, Sheet, type Mark, type Probe } from './Sheet';
import type { Extent, Face } from './surface';
import { useLookChoices } from './choices';
import { MAPS, usePressed, type Seen } from './usePressed';
import { asSentence } from '../../api/refusal';
import { useWords } from '../../shared/useWords';
import { stopImpression } from '../../api/gen/sdk.gen';
import { t } from '../../words/words';

const SIDE = 270;
const MOST_HEIGHT = 500;
const SHEEN: Record<string, number> = {
  foil: 0.9,
  mirror: 1.2,
  metallic: 0.6,
  'sheet metal': 0.9,
  glitter: 0.5,
  film: 0.5,
};

interface Props {
  sandwich: Sandwich;
  /** True while the sandwich is being dragged: the sheet waits until it lies still. */
  moving: boolean;
}

/** The sheet as it comes out, under a lamp that can be moved. */
export function ImpressionLook({ sandwich, moving }: Props) {
  const { face, map, compare, set } = useLookChoices();
  const read = useWords();
  const [still, setStill] = useState(sandwich);
  if (!moving && still !== sandwich) setStill(sandwich);
  const variants = useQuery(assessmentQuery(still)).data?.variants ?? [];
  const variant = variants.find((one) => one.key === compare);
  const other = useMemo(() => variant && applyEdits(still, variant.edits), [variant, still]);
  const first = usePressed(still, 'a', face, map);
  const second = usePressed(other, 'b', face, map, first.seen?.top);
  useRefreshedVerdict(first.answer);
  if (first.error && !first.answer)
    return <Notice title={t('No pressed sheet for this sandwich.')} text={asSentence(first.error)} />;
  if (first.error)
    return <Notice title={t('The pressed sheet of this sandwich is gone.')} text={asSentence(first.error)} />;
  if (first.answer?.state === 'failed' && !first.answer.result)
    return <Notice title={t("Can't show the pressed sheet.")} text={read(first.answer.message)} />;
  if (!first.answer || !first.seen)
    return (
      <Notice
        title={t('Pressing the sheet')}
        text={t('You get the coarse picture right away and the full one a little later.')}
      />
    );
  return (
    <Shown
      key={still.press.name}
      answer={first.answer}
      first={first.seen}
      second={variant ? second.seen : undefined}
      names={variant ? [read(variant.here), read(variant.there)] : undefined}
      sandwich={still}
    >
      <Segments
        label={t('Side of the sheet')}
        value={face}
        options={['front', 'back'] as const}
        onChange={(next) => set({ face: next })}
      />
      <Segments
        label={t('What is shown')}
        value={map}
        options={MAPS.filter((name) => applies(name, first.answer))}
        onChange={(next) => set({ map: next })}
      />
      <Box sx={{ color: colour.quiet }}>
        {t('compared with')}{' '}
        <QuietSelect
          label={t('Compare with')}
          value={variant?.key ?? ''}
          options={{
            '': t('nothing'),
            ...Object.fromEntries(variants.map((one) => [one.key, read(one.name)])),
          }}
          onChange={(next) => set({ compare: next })}
        />
      </Box>
    </Shown>
  );
}

/** Once the full result is there, the verdict stands on it. */
function useRefreshedVerdict(answer: Impression | undefined): void {
  const queries = useQueryClient();
  const full = answer?.stage === 'full' ? answer.key : undefined;
  useEffect(() => {
    if (full) void judgeAnew(queries);
  }, [full, queries]);
}

function applies(name: (typeof MAPS)[number], answer: Impression | undefined): boolean {
  const result = answer?.result;
  if (name === 'ink') return result?.fields.some((field) => field.startsWith('ink')) ?? false;
  if (name === 'cut') return Object.keys(result?.figures.cut ?? {}).length > 0;
  if (name === 'crack' || name === 'buckle') return result?.figures.retained_share != null;
  return true;
}

interface ShownProps {
  answer: Impression;
  first: Seen;
  second: Seen | undefined;
  names: [string, string] | undefined;
  sandwich: Sandwich;
  children: React.ReactNode;
}

function Shown({ answer, first, second, names, sandwich, children }: ShownProps) {
  const read = useWords();
  const { face, map } = useLookChoices();
  const { extent, surface } = first;
  const seen = useMemo(() => (surface.mirrored ? flipped(extent) : extent), [extent, surface.mirrored]);
  const [lamp, setLamp] = useState<Spot>();
  const [probe, setProbe] = useState<Probe>();
  const [wipe, setWipe] = useState(0.5);
  const [across, along] = [seen.right - seen.left, seen.bottom - seen.top];
  const height = Math.min(MOST_HEIGHT, Math.round((360 * along) / across));
  const width = Math.min(360, Math.round((height * across) / along));
  const lampNow = lamp ?? { right: seen.left + 0.08 * across, down: seen.top + 0.06 * along };
  const probeNow = useMemo(() => probe ?? acrossTheMiddle(seen), [probe, seen]);
  const lines = useMemo(() => linesOf(first, second, names), [first, second, names]);
  const { figures, panel } = first.result;
  return (
    <Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '12px 20px' }}>
        <Sheet
          first={first.surface}
          second={second?.surface}
          extent={seen}
          ink={panel.ink_colour ?? '#2b2b2e'}
          sheen={face === 'front' ? (SHEEN[panel.finish] ?? 0) : 0}
          mapped={map === 'light' ? 0 : map === 'cut' ? 2 : 1}
          lamp={lampNow}
          onLamp={setLamp}
          probe={probeNow}
          onProbe={setProbe}
          wipe={wipe}
          onWipe={setWipe}
          marks={marksOf(first)}
          label={labelOf(
            face,
            figures.words.map((row) => [read(row.name), read(row.value)]),
          )}
          width={width}
          height={height}
        />
        <Box
          sx={{
            width: SIDE,
            flexShrink: 0,
            display: 'flex',
            flexDirection: 'column',
            gap: '10px',
            fontSize: 13.5,
          }}
        >
          {children}
          <MapLegend map={map} top={first.top} />
          <FigureList
            first={figures}
            second={second?.result.figures}
            names={names}
            coarse={answer.stage !== 'full'}
          />
          {figures.retained_share !== null && <Why sandwich={sandwich} first="relief" />}
          <RunLine answer={answer} standIn={figures.stand_in} />
          <Exports
            answer={answer}
            face={face}
            lamp={lampNow}
            seen={seen}
            probe={probeNow}
            mirrored={first.surface.mirrored}
            name={sandwich.name}
          />
        </Box>
      </Box>
      <Box sx={{ marginTop: '10px' }}>
        <ProfileChart probe={probeNow} width={width + SIDE + 20} lines={lines} />
      </Box>
    </Box>
  );
}

function acrossTheMiddle(seen: Extent): Probe {
  const down = (seen.top + seen.bottom) / 2;
  const margin = 0.1 * (seen.right - seen.left);
  return { from: { right: seen.left + margin, down }, to: { right: seen.right - margin, down } };
}

function linesOf(first: Seen, second: Seen | undefined, names: [string, string] | undefined): ProfileLine[] {
  const from = ({ result, surface }: Seen) => ({ panel: result.panel, mirrored: surface.mirrored });
  const { tool, pressed, released } = first.fields;
  const lines: ProfileLine[] = [
    { ...from(first), name: 'tool', field: tool, dash: '3 3', width: 1, tone: colour.quiet },
    { ...from(first), name: 'pressed', field: pressed, width: 1, tone: colour.accent },
    { ...from(first), name: names?.[0] ?? 'released', field: released, width: 1.8, tone: colour.ink },
  ];
  if (second && names)
    lines.push({
      ...from(second),
      name: names[1],
      field: second.fields.released,
      width: 1.6,
      tone: colour.warn,
    });
  return lines;
}

function RunLine({ answer, standIn }: { answer: Impression; standIn: boolean }) {
  const read = useWords();
  const queries = useQueryClient();
  const stop = () =>
    void stopImpression({ path: { key: answer.key } }).then(() =>
      queries.invalidateQueries({ queryKey: ['impression'], refetchType: 'none' }),
    );
  const busy = answer.state === 'waiting' || answer.state === 'running';
  const solver = answer.result?.figures.solver;
  return (
    <Box
      role="status"
      data-testid="run"
      data-stage={answer.stage}
      sx={{ fontSize: 12.5, color: answer.state === 'failed' ? colour.stop : colour.quiet }}
    >
      {busy && (
        <>
          {answer.stage === 'finer' ? t('Finer picture') : t('Coarse picture')}
          {t('; the full one is {share} % done.', {
            share: Math.round((answer.progress?.share ?? 0) * 100),
          })}{' '}
          <Button
            color="inherit"
            onClick={stop}
            sx={{ padding: 0, textDecoration: 'underline', fontWeight: 400 }}
          >
            {t('stop')}
          </Button>
        </>
      )}
      {answer.state === 'stopped' &&
        t('Stopped: this is the {part} picture.', {
          part: answer.stage === 'finer' ? t('finer') : t('coarse'),
        })}
      {answer.state === 'failed' && read(answer.message)}
      {answer.state === 'done' && solver && (
        <span
          title={t(
            '{grid} cells, {iterations} steps on the finest grid, residual {residual} of the pressing.',
            {
              grid: solver.grid.join(' × '),
              iterations: solver.iterations,
              residual: solver.residual.toExponential(1),
            },
          )}
        >
          {t('Computed on {spacing} mm in {seconds} s.', {
            spacing: solver.spacing_mm.toFixed(1),
            seconds: solver.seconds.toFixed(1),
          })}
        </span>
      )}
      {standIn && (
        <Box>
          {t(
            "We don't know this tool's relief, so plain ridges of its height are shown. Add its relief on the shelf.",
          )}
        </Box>
      )}
    </Box>
  );
}

interface ExportProps {
  answer: Impression;
  face: Face;
  lamp: Spot;
  seen: Extent;
  probe: Probe;
  mirrored: boolean;
  name: string;
}

function Exports({ answer, face, lamp, seen, probe, mirrored, name }: ExportProps) {
  const [right, down] = [lamp.right - (seen.left + seen.right) / 2, lamp.down - (seen.top + seen.bottom) / 2];
  const azimuth = ((Math.atan2(right, down) * 180) / Math.PI).toFixed(0);
  const altitude = Math.max((Math.atan2(LAMP_HEIGHT, Math.hypot(right, down)) * 180) / Math.PI, 15).toFixed(
    0,
  );
  const base = `/api/impressions/${answer.key}`;
  const y = (spot: Spot) => (mirrored ? -spot.right : spot.right).toFixed(2);
  const line = `x0=${probe.from.down.toFixed(2)}&y0=${y(probe.from)}&x1=${probe.to.down.toFixed(2)}&y1=${y(probe.to)}`;
  const files: [string, string, string][] = [
    [
      'picture',
      `${base}/files/png?face=${face}&azimuth=${azimuth}&altitude=${altitude}`,
      t('PNG of this face under the lamp'),
    ],
    ['heights', `${base}/files/tiff?face=${face}`, t('TIFF, 16 bit; the scale is in its description')],
    ['profile', `${base}/profile?${line}`, t('CSV of the heights along the probe line')],
    ['solid', `${base}/files/stl`, t('STL of the whole sheet, both faces')],
  ];
  return (
    <Box sx={{ fontSize: 12.5, color: colour.quiet, display: 'flex', flexWrap: 'wrap', gap: '2px 10px' }}>
      {t('save')}
      {files.map(([text, address, what]) => (
        <Box
          component="a"
          key={text}
          href={address}
          download={`${name}, ${text}`}
          title={what}
          sx={{ color: colour.accent }}
        >
          {text}
        </Box>
      ))}
    </Box>
  );
}

function marksOf({ result, surface }: Seen): Mark[] {
  const { figures } = result;
  const rows: [string, number, [number, number] | null][] = [
    ['crack', figures.crack_index, figures.crack_at_mm],
    ['buckle', figures.buckle_index, figures.buckle_at_mm],
  ];
  return rows.flatMap(([name, index, place]) =>
    place && index >= 0.7
      ? [
          {
            spot: { right: surface.mirrored ? -place[1] : place[1], down: place[0] },
            text: t('worst place: {name} index {index}', { name, index: index.toFixed(2) }),
          },
        ]
      : [],
  );
}

function labelOf(face: Face, words: [string, string][]): string {
  return t('The {face} of the sheet under a lamp. {words}. Plus and minus zoom, arrow keys move.', {
    face,
    words: words.map(([name, value]) => `${name}: ${value}`).join(', '),
  });
}

function flipped(extent: Extent): Extent {
  return { ...extent, left: -extent.right, right: -extent.left };
}
