import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { Link } from 'react-router';
import type { Finding, Suggestion } from '../../api/gen/types.gen';
import type { LeadsTo } from '../../api/types';
import { Kbd } from '../../shared/Kbd';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

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

/** Chance from which a fix is shown as good news, and the least change that anybody sees. */
const LIKELY = 0.65;
const SEEN = 0.05;

/** How the sandwich stands before a fix. */
export interface Standing {
  /** Chance of a good sheet; missing where something is wrong whatever the sheet may be. */
  good: number | undefined;
  calls: number;
}

interface Props {
  before: Standing;
  finding: Finding;
  shortcut: string | undefined;
  /** What helps, once that is known. */
  fix: Suggestion | undefined;
  onFix: (fix: Suggestion) => void;
  onShow: (layer: string) => void;
  /** A thing to put a gauge on, by its name: its thickness is kept on the Shelf. */
  measure?: string | undefined;
}

/** One call: what, why, and a fix with what it leads to. */
export const FindingRow = memo(function FindingRow({
  finding,
  shortcut,
  fix,
  before,
  onFix,
  onShow,
  measure,
}: Props) {
  const read = useWords();
  const { severity, layer } = finding;
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
            {t('Find it on the shelf to measure it')}
          </Link>
        )}
      </Said>
      {fix && (
        <Mend>
          <Button onClick={() => onFix(fix)} aria-keyshortcuts={shortcut}>
            {read(fix.label)}
            {shortcut && <Kbd>{shortcut}</Kbd>}
          </Button>
          {fix.outcome && <After mended={fix.outcome} before={before} />}
        </Mend>
      )}
    </Row>
  );
});

function After({ mended, before }: { mended: LeadsTo; before: Standing }) {
  const read = useWords();
  return (
    <Then data-testid="after-fix" data-good={(mended.good?.chance ?? 0) >= LIKELY}>
      {afterWords(mended, before, read)}
    </Then>
  );
}

/** What a fix leads to: how likely a good sheet is then, else what is left. */
export function afterWords(
  mended: LeadsTo,
  before: Standing,
  read: (words: LeadsTo['sentence']) => string,
): string {
  if (mended.good && Math.abs(mended.good.chance - (before.good ?? 0)) >= SEEN)
    return t('then a good sheet: {words}', { words: read(mended.good.words) });
  const fewer = before.calls - mended.calls;
  if (fewer > 1) return t('clears {fewer} findings', { fewer });
  return fewer === 1 ? t('clears this finding') : t('then: {words}', { words: read(mended.sentence) });
}
