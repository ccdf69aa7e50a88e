import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Finding, Mended } from '../../api/client';
import { Kbd } from '../../shared/Kbd';
import { localise, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';

const SIGN = { stop: '✕', warn: '!', advise: '→', care: '○' } as const;
const SAID = { stop: 'Stop', warn: 'Warning', advise: 'Advice', care: 'Care' } as const;
const TONE = { stop: colour.stop, warn: colour.warn, advise: colour.ink, care: colour.quiet } as const;

interface Props {
  finding: Finding;
  shortcut: string | undefined;
  mended: Mended | undefined;
  onFix: () => void;
  onShow: () => void;
}

/** One call: what, why, and a fix with what it leads to. */
export function FindingRow({ finding, shortcut, mended, onFix, onShow }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const { severity, fix } = finding;
  return (
    <Box
      component="li"
      data-code={finding.code}
      sx={{
        display: 'grid',
        gridTemplateColumns: '26px 1fr auto',
        columnGap: 1,
        padding: '8px 0',
        borderTop: `1px solid ${colour.hairline}`,
        alignItems: 'start',
      }}
    >
      <Box
        role="img"
        aria-label={SAID[severity]}
        sx={{ fontWeight: 800, color: TONE[severity], paddingTop: '1px' }}
      >
        {SIGN[severity]}
      </Box>
      <Box
        onClick={finding.layer ? onShow : undefined}
        sx={{ cursor: finding.layer ? 'pointer' : 'default', minWidth: 0 }}
      >
        <Box sx={{ fontSize: 14.5, fontWeight: 700, color: severity === 'stop' ? colour.stop : colour.ink }}>
          {localise(finding.what, unit)}
        </Box>
        <Box sx={{ fontSize: 13.5, color: colour.quiet, maxWidth: 470, lineHeight: 1.35 }}>
          {localise(finding.why, unit)}
        </Box>
      </Box>
      {fix && (
        <Box sx={{ textAlign: 'right', maxWidth: 190 }}>
          <Button
            onClick={onFix}
            aria-keyshortcuts={shortcut}
            sx={{ whiteSpace: 'normal', textAlign: 'right', lineHeight: 1.2 }}
          >
            {localise(fix.label, unit)}
            {shortcut && (
              <Box component="span" sx={{ marginLeft: 1 }}>
                <Kbd>{shortcut}</Kbd>
              </Box>
            )}
          </Button>
          {mended && <After mended={mended} />}
        </Box>
      )}
    </Box>
  );
}

function After({ mended }: { mended: Mended }) {
  const good = mended.zone === 'right' && mended.stops === 0;
  const pressure =
    mended.pressure_mpa != null && mended.zone !== 'slack' ? `, ${mended.pressure_mpa.toFixed(1)} MPa` : '';
  return (
    <Box
      sx={{ fontSize: 12, color: good ? colour.accent : colour.quiet, paddingRight: 1 }}
      data-testid="after-fix"
    >
      then {mended.zone ?? 'unfinished'}
      {pressure}
    </Box>
  );
}
