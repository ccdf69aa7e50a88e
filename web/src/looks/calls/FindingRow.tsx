import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { Link } from 'react-router';
import type { Finding } from '../../api/gen/types.gen';
import type { LeadsTo, Zone } from '../../api/types';
import { Kbd } from '../../shared/Kbd';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

const SIGN = { stop: '✕', warn: '!', advise: '→', care: '○' } as const;
const SAID = { stop: t('Stop'), warn: t('Warning'), advise: t('Advice'), care: t('Care') } as const;
const TONE = { stop: colour.stop, warn: colour.warn, advise: colour.ink, care: colour.quiet } as const;

const Row = styled('li')({
  display: 'grid',
  gridTemplateColumns: '26px 1fr auto',
  columnGap: 8,
  padding: '8px 0',
  borderTop: `1px solid ${colour.hairline}`,
  alignItems: 'start',
});
const Sign = styled('div')({ fontWeight: 800, paddingTop: 1 });
const Said = styled('div')({ minWidth: 0, '&[data-layer]': { cursor: 'pointer' } });
const What = styled('div')({ fontSize: 14.5, fontWeight: 700 });
const Why = styled('div')({ fontSize: 13.5, color: colour.quiet, maxWidth: 470, lineHeight: 1.35 });
const Mend = styled('div')({
  textAlign: 'right',
  maxWidth: 190,
  '& kbd': { marginLeft: 8 },
  '& button': { lineHeight: 1.2, whiteSpace: 'normal', textAlign: 'right' },
});
const Then = styled('div')({
  fontSize: 12,
  color: colour.quiet,
  paddingRight: 8,
  '&[data-good="true"]': { color: colour.accent },
});

/** How the sandwich stands before a fix. */
export interface Standing {
  zone: Zone | undefined;
  pressure: number;
  calls: number;
}

interface Props {
  before: Standing;
  finding: Finding;
  shortcut: string | undefined;
  mended: LeadsTo | undefined;
  onFix: (finding: Finding) => void;
  onShow: (layer: string) => void;
  /** A thing to put a gauge on, by its name: its thickness is kept on the Shelf. */
  measure?: string | undefined;
}

/** One call: what, why, and a fix with what it leads to. */
export const FindingRow = memo(function FindingRow({
  finding,
  shortcut,
  mended,
  before,
  onFix,
  onShow,
  measure,
}: Props) {
  const read = useWords();
  const { severity, fix, layer } = finding;
  return (
    <Row data-code={finding.code}>
      <Sign role="img" aria-label={SAID[severity]} style={{ color: TONE[severity] }}>
        {SIGN[severity]}
      </Sign>
      <Said data-layer={layer ?? undefined} onClick={() => layer && onShow(layer)}>
        <What style={severity === 'stop' ? { color: colour.stop } : undefined}>{read(finding.what)}</What>
        <Why>{read(finding.why)}</Why>
        {measure && (
          <Link
            to={`/shelf?q=${encodeURIComponent(measure)}`}
            style={{ color: colour.accent, fontSize: 13.5 }}
          >
            {t('Find it, to measure it')}
          </Link>
        )}
      </Said>
      {fix && (
        <Mend>
          <Button onClick={() => onFix(finding)} aria-keyshortcuts={shortcut}>
            {read(fix.label)}
            {shortcut && <Kbd>{shortcut}</Kbd>}
          </Button>
          {mended && <After mended={mended} before={before} />}
        </Mend>
      )}
    </Row>
  );
});

function After({ mended, before }: { mended: LeadsTo; before: Standing }) {
  const read = useWords();
  const good = mended.zone === 'right' && mended.stops === 0 && !mended.breaks;
  return (
    <Then data-testid="after-fix" data-good={good}>
      {mended.breaks ? t('then: {words}', { words: read(mended.breaks) }) : afterWords(mended, before)}
    </Then>
  );
}

/** What a fix leads to: the verdict if that changes, else how many calls it takes away. */
export function afterWords(mended: LeadsTo, before: Standing): string {
  const pressure =
    mended.pressure_mpa == null || mended.zone === 'slack' ? '' : `, ${mended.pressure_mpa.toFixed(1)} MPa`;
  const moved = mended.zone !== before.zone || Math.abs((mended.pressure_mpa ?? 0) - before.pressure) >= 0.05;
  if (moved)
    return t('then {zone}{pressure}', { zone: mended.zone ? term(mended.zone) : t('unfinished'), pressure });
  const fewer = before.calls - mended.calls;
  if (fewer < 1) return t('stays {zone}', { zone: mended.zone ? term(mended.zone) : t('unfinished') });
  return t('stays {zone}, {part} settled', {
    zone: mended.zone ? term(mended.zone) : t('unfinished'),
    part: fewer === 1 ? t('this call') : t('{fewer} calls', { fewer }),
  });
}
