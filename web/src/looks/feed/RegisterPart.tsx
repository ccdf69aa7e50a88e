import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Lying, Sandwich } from '../../api/gen/types.gen';
import { SuggestionButton } from '../../sandwich/SuggestionButton';
import { download, fileName } from '../../shared/download';
import { say } from '../../shared/notices';
import { formatSize, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { FlapDialog } from './FlapDialog';
import { told } from '../../api/refusal';
import { feedTemplate } from '../../api/gen/sdk.gen';
import { t } from '../../words/words';

/** How the layers lie to one another, and templates to lay under. */
export function RegisterPart({ sandwich, lying }: { sandwich: Sandwich; lying: Lying }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const [flap, setFlap] = useState(false);
  const template = (kind: 'svg' | 'pdf') => {
    feedTemplate({ body: sandwich, path: { kind }, query: { unit }, parseAs: 'blob' })
      .then((file) => download(file, fileName(`${sandwich.name} template`, kind)))
      .catch((error: unknown) => say(told(error)));
  };
  return (
    <Box>
      {lying.register_lines.length === 0 && (
        <Box sx={{ color: colour.quiet }}>{t('Nothing here needs lining up yet.')}</Box>
      )}
      {lying.register_lines.map((line) => (
        <Box key={line.layer} sx={{ display: 'flex', gap: 2, alignItems: 'baseline', marginBottom: '3px' }}>
          <Box sx={{ flex: 1 }}>
            <b>{line.name}</b>{' '}
            {t('on {against}: first in {lead}, last in {trail}, left {left}, right {right}.', {
              against: line.against,
              lead: formatSize(line.lead_mm, unit),
              trail: formatSize(line.trail_mm, unit),
              left: formatSize(line.left_mm, unit),
              right: formatSize(line.right_mm, unit),
            })}{' '}
            <Box component="span" sx={{ color: read(line.note) ? colour.warn : colour.quiet }}>
              {read(line.note) || t('Lined up.')}
            </Box>
          </Box>
          {line.mend && <SuggestionButton suggestion={line.mend} />}
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, marginTop: '4px', alignItems: 'center', fontSize: 13 }}>
        <span>{t('Template to put underneath, true size:')}</span>
        <Button onClick={() => template('pdf')}>{t('PDF')}</Button>
        <Button onClick={() => template('svg')}>{t('SVG')}</Button>
        <Button onClick={() => setFlap(true)} sx={{ marginLeft: 'auto' }}>
          {t('Motif in an envelope flap …')}
        </Button>
      </Box>
      {flap && <FlapDialog sandwich={sandwich} onClose={() => setFlap(false)} />}
    </Box>
  );
}
