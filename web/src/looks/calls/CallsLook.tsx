import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Assessment, Press, Sandwich, Suggestion, Verdict } from '../../api/gen/types.gen';
import { effort } from '../effort';
import { GoodSheet } from '../GoodSheet';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { Learnt } from './Learnt';
import { LoadTrace } from '../nip/LoadTrace';
import { FirstSteps } from './FirstSteps';
import { FindingRow, type Standing } from './FindingRow';
import { useFixes } from './fixes';
import { OrientationLine } from './OrientationLine';
import { VerdictScale } from './VerdictScale';
import { Why } from './Why';
import { t, term } from '../../words/words';

interface Props {
  sandwich: Sandwich;
  assessment: Assessment;
  /** True while the sandwich is being dragged: fixes wait until it lies still. */
  moving: boolean;
  onFix: (fix: Suggestion) => void;
  onSelect: (layer: string) => void;
}

/** The judgement in one sentence, its figures, and the calls in order of importance. */
export function CallsLook({ sandwich, assessment, moving, onFix, onSelect }: Props) {
  const read = useWords();
  const offered = useFixes(sandwich, assessment, !moving);
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
      {verdict ? (
        <Figures assessment={assessment} verdict={verdict} drive={sandwich.press.drive} />
      ) : (
        <Box sx={{ height: 12 }} />
      )}
      {verdict && <Why sandwich={sandwich} />}
      {sandwich.layers.length === 0 && <FirstSteps />}
      <OrientationLine orientation={assessment.orientation} />
      <Learnt />
      <Box
        component="ul"
        aria-label={t('Findings')}
        sx={{ listStyle: 'none', padding: 0, margin: '12px 0 0' }}
      >
        {offered.map(({ finding, fix, shortcut }) => (
          <FindingRow
            key={`${finding.code} ${finding.layer ?? ''}`}
            before={before}
            finding={finding}
            shortcut={shortcut}
            fix={fix}
            onFix={onFix}
            onShow={onSelect}
            measure={finding.code === 'measure' ? nameOf(sandwich, finding.layer) : undefined}
          />
        ))}
      </Box>
      {assessment.nip.bites && assessment.nip.force_n > 0 && (
        <LoadTrace trace={assessment.trace} drive={sandwich.press.drive} of="handle" />
      )}
    </Box>
  );
}

/** What a layer's thing is called. */
function nameOf(sandwich: Sandwich, id: string | null | undefined): string | undefined {
  const layer = sandwich.layers.find((one) => one.id === id);
  return layer && sandwich.items[layer.item]?.name;
}

function standing({ verdict, findings }: Assessment): Standing {
  const calls = findings.filter((finding) => finding.severity !== 'care').length;
  return { good: verdict?.good?.chance, calls };
}

interface FiguresProps {
  assessment: Assessment;
  verdict: Verdict;
  drive: Press['drive'];
}

function Figures({ assessment, verdict, drive }: FiguresProps) {
  const read = useWords();
  const { nip } = assessment;
  return (
    <Box>
      {verdict.good && (
        <Box sx={{ margin: '8px 0 2px', fontSize: 16, color: colour.quiet }}>
          <GoodSheet good={verdict.good} />
        </Box>
      )}
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
        {nip.bites ? <Pressed handle={nip.handle_n} drive={drive} /> : <Refused nip={nip} />}
      </Box>
      <VerdictScale verdict={verdict} />
      <Typography sx={{ color: colour.quiet, fontSize: 13.5 }}>
        {marginWords(verdict, read(verdict.margin.shim))}
      </Typography>
    </Box>
  );
}

function Pressed({ handle, drive }: { handle: number; drive: Press['drive'] }) {
  const figures = {
    handle: handle.toFixed(0),
    comfort: drive.comfort_n.toFixed(0),
    limit: drive.limit_n.toFixed(0),
  };
  return (
    <Figure
      title={
        drive.kind === 'motor'
          ? t(
              '{handle} N at the motor; {comfort} N is easy, {limit} N the limit. Known to about a third.',
              figures,
            )
          : t(
              '{handle} N at the handle; {comfort} N is easy, {limit} N the limit. Known to about a third.',
              figures,
            )
      }
    >
      {drive.kind === 'motor' ? t('At the motor:') : t('At the handle:')}{' '}
      <b data-testid="effort">{effort(handle, drive)}</b>
    </Figure>
  );
}

function Refused({ nip }: { nip: Assessment['nip'] }) {
  const unit = useUnit((choice) => choice.unit);
  return (
    <Figure title={t('By its own friction a roller climbs a step up to friction squared times its radius.')}>
      <b>{formatThickness(nip.interference_mm - nip.bites_up_to_mm, unit)}</b>{' '}
      {t('more than these rollers pull in')}
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
  const sheets = (n: number) => (n === 1 ? t('{n} sheet', { n }) : t('{n} sheets', { n }));
  const parts: string[] = [];
  if (margin.sheets_less != null && margin.less_is) {
    parts.push(
      t("{sheets} fewer and it's {zone}", { sheets: sheets(margin.sheets_less), zone: term(margin.less_is) }),
    );
  }
  if (margin.sheets_more != null && margin.more_is) {
    const then =
      margin.more_is === 'refuses' ? t('and it jams') : t("and it's {zone}", { zone: term(margin.more_is) });
    parts.push(t('{sheets} more {then}', { sheets: sheets(margin.sheets_more), then }));
  }
  return parts.length > 0 ? t('Room to spare in {shim}: {what}.', { shim, what: parts.join(', ') }) : '';
}
