import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Assessment, Finding, Sandwich, Verdict } from '../../api/gen/types.gen';
import { fixesQuery } from '../../api/queries';
import { formatThickness, percent, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { LoadTrace } from '../nip/LoadTrace';
import { FirstSteps } from './FirstSteps';
import { FindingRow, type Standing } from './FindingRow';
import { withKeys } from './fixKeys';
import { OrientationLine } from './OrientationLine';
import { VerdictScale } from './VerdictScale';

interface Props {
  sandwich: Sandwich;
  assessment: Assessment;
  /** True while the sandwich is being dragged: fixes wait until it lies still. */
  moving: boolean;
  onFix: (finding: Finding) => void;
  onSelect: (layer: string) => void;
}

/** The judgement in one sentence, its figures, and the calls in order of importance. */
export function CallsLook({ sandwich, assessment, moving, onFix, onSelect }: Props) {
  const read = useWords();
  const fixes = useQuery({
    ...fixesQuery(sandwich),
    enabled: !moving && assessment.findings.some((f) => f.fix),
  });
  const { verdict } = assessment;
  const before = useMemo(() => standing(assessment), [assessment]);
  const stopped = assessment.findings.some((f) => f.severity === 'stop');
  return (
    <Box>
      <Typography
        variant="h1"
        data-testid="sentence"
        sx={{ color: stopped ? colour.stop : colour.ink, minHeight: 34, maxWidth: 640 }}
      >
        {read(assessment.sentence)}
      </Typography>
      {verdict ? <Figures assessment={assessment} verdict={verdict} /> : <Box sx={{ height: 12 }} />}
      {sandwich.layers.length === 0 && <FirstSteps />}
      <OrientationLine orientation={assessment.orientation} />
      <Box component="ul" aria-label="Calls" sx={{ listStyle: 'none', padding: 0, margin: '12px 0 0' }}>
        {withKeys(assessment.findings).map(({ finding, shortcut }) => (
          <FindingRow
            key={`${finding.code} ${finding.layer ?? ''}`}
            before={before}
            finding={finding}
            shortcut={shortcut}
            mended={fixes.data?.find((m) => m.code === finding.code && m.layer === finding.layer)?.outcome}
            onFix={onFix}
            onShow={onSelect}
          />
        ))}
      </Box>
      {assessment.nip.bites && assessment.nip.force_n > 0 && (
        <LoadTrace trace={assessment.trace} drive={sandwich.press.drive} />
      )}
    </Box>
  );
}

function standing({ verdict, findings }: Assessment): Standing {
  const calls = findings.filter((finding) => finding.severity !== 'care').length;
  return { zone: verdict?.zone, pressure: verdict?.pressure_mpa ?? 0, calls };
}

function Figures({ assessment, verdict }: { assessment: Assessment; verdict: Verdict }) {
  const read = useWords();
  const { nip } = assessment;
  return (
    <Box>
      <Box
        sx={{
          display: 'flex',
          gap: '6px 22px',
          flexWrap: 'wrap',
          margin: '6px 0 10px',
          fontSize: 14,
          color: colour.quiet,
        }}
      >
        {nip.bites ? <Pressed assessment={assessment} verdict={verdict} /> : <Refused nip={nip} />}
        <Figure title="Chance that the verdict holds, with every thickness, the opening and the stock's strength as uncertain as they are known.">
          <b data-testid="sure">{Math.min(Math.round(verdict.sure * 100), 99)} %</b> sure
        </Figure>
      </Box>
      <VerdictScale verdict={verdict} />
      <Typography sx={{ color: colour.quiet, fontSize: 13.5 }}>
        {marginWords(verdict, read(verdict.margin.shim))}
      </Typography>
    </Box>
  );
}

function Pressed({ assessment, verdict }: { assessment: Assessment; verdict: Verdict }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const { nip } = assessment;
  return (
    <>
      <Figure
        title={`Mean pressure where tool and sheet lie over one another. This needs ${verdict.need.right_mpa.toFixed(1)} to ${verdict.need.hard_mpa.toFixed(1)} MPa: ${read(verdict.need.why)}. ${basis(nip)}`}
      >
        <b data-testid="pressure">{verdict.pressure_mpa.toFixed(1)} MPa</b> at the work{' '}
        <span data-testid="off-by">± {percent(nip.off_by)}</span>
      </Figure>
      <Figure
        title={`Greatest force between the rollers on the way; the frame opens by ${formatThickness(nip.give_mm, unit)} under it. Within ${percent(nip.force_off_by)}.`}
      >
        <b>{(nip.force_n / 1000).toFixed(1)} kN</b> on the rollers
      </Figure>
      <Figure title="Greatest force at the end of the handle, from rolling loss, bearings and cutting. Known to about a third.">
        <b>{nip.handle_n.toFixed(0)} N</b> at the handle
      </Figure>
    </>
  );
}

/** Which of the two computations of the nip a figure comes from. */
function basis(nip: Assessment['nip']): string {
  return nip.full
    ? `Computed in full: within ${percent(nip.off_by)}.`
    : `The quick answer: within ${percent(nip.off_by)} of the full computation, which comes with the Impression.`;
}

function Refused({ nip }: { nip: Assessment['nip'] }) {
  const unit = useUnit((choice) => choice.unit);
  return (
    <Figure title="A roller climbs a step by its own friction up to friction squared times its radius.">
      <b>{formatThickness(nip.interference_mm - nip.bites_up_to_mm, unit)}</b> more than these rollers draw in
    </Figure>
  );
}

function Figure({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Tooltip title={title}>
      <Box component="span" tabIndex={0} sx={{ '& b': { color: colour.ink } }}>
        {children}
      </Box>
    </Tooltip>
  );
}

/** Distance to both neighbours in sheets of the shim at hand. */
export function marginWords({ margin, zone }: Verdict, shim: string): string {
  if (zone === 'refuses') return '';
  const sheets = (n: number) => `${n} sheet${n === 1 ? '' : 's'}`;
  const turn = (n: number) => (n === 1 ? 'turns' : 'turn');
  const parts: string[] = [];
  if (margin.sheets_less != null && margin.less_is) {
    parts.push(`${sheets(margin.sheets_less)} less ${turn(margin.sheets_less)} it ${margin.less_is}`);
  }
  if (margin.sheets_more != null && margin.more_is) {
    const then =
      margin.more_is === 'refuses'
        ? 'and it will not feed'
        : `${turn(margin.sheets_more)} it ${margin.more_is}`;
    parts.push(`${sheets(margin.sheets_more)} more ${then}`);
  }
  return parts.length > 0 ? `In ${shim}: ${parts.join(', ')}.` : '';
}
