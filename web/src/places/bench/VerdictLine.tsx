import ButtonBase from '@mui/material/ButtonBase';
import type { Assessment } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { FINGER } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  assessment: Assessment | undefined;
  onMore: () => void;
}

/** What is to be said of the pile, in one line over it; the calls are behind it. */
export function VerdictLine({ assessment, onMore }: Props) {
  const read = useWords();
  const stops = assessment?.findings.some((finding) => finding.severity === 'stop') ?? false;
  return (
    <ButtonBase
      onClick={onMore}
      aria-live="polite"
      sx={{
        width: '100%',
        minHeight: FINGER,
        padding: '4px 12px',
        justifyContent: 'space-between',
        textAlign: 'left',
        fontWeight: 700,
        color: stops ? colour.stop : colour.ink,
      }}
    >
      <span>{assessment ? read(assessment.sentence) : t('Working it out …')}</span>
      <span aria-hidden="true">›</span>
    </ButtonBase>
  );
}
