import Box from '@mui/material/Box';
import type { Lying, Press } from '../../api/gen/types.gen';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { effort } from '../effort';
import { t } from '../../words/words';

/** What lies between the rollers where their line is now. */
export function AtTheLine({ lying, at, drive }: { lying: Lying; at: number; drive: Press['drive'] }) {
  const unit = useUnit((choice) => choice.unit);
  const { crank } = lying;
  const n = nearest(crank.x_mm, at);
  const parts = lying.parts
    .filter(({ part, amount }) => part !== 'edge' && (amount[n] ?? 0) > 0)
    .map(({ name, part, amount, all }) =>
      part === 'blade'
        ? t('{amount} of {all} of blade ({name})', {
            amount: formatSize(amount[n] ?? 0, unit),
            all: formatSize(all, unit),
            name,
          })
        : t('{amount} cm² of ridges ({name})', { amount: ((amount[n] ?? 0) / 100).toFixed(1), name }),
    );
  const grip = crank.grip[n] ?? 0;
  return (
    <Box data-testid="at-the-line" sx={{ fontSize: 12.5, color: colour.quiet, minHeight: 34 }}>
      <b style={{ color: colour.ink }}>{effort(crank.handle_n[n] ?? 0, drive)}</b>{' '}
      {t('here, {at} from the middle of the bed: {handle} N at the', {
        at: formatSize(at, unit),
        handle: (crank.handle_n[n] ?? 0).toFixed(0),
      })}{' '}
      {drive.kind === 'motor' ? t('motor') : t('handle')}
      {t(', {force} kN between the rollers', { force: ((crank.force_n[n] ?? 0) / 1000).toFixed(2) })}
      {grip >= 0.01 && (
        <span
          title={t(
            "How much of the rollers' friction the step uses up. From 100 % on it has to be pushed in.",
          )}
        >
          {t("; the edge here takes {grip} % of the rollers' grip", { grip: (100 * grip).toFixed(0) })}
        </span>
      )}
      .{' '}
      {parts.length > 0
        ? t('Between the rollers: {parts}.', { parts: parts.join(', ') })
        : t('No blade or ridge between the rollers here.')}
    </Box>
  );
}

function nearest(places: number[], at: number): number {
  const [first, last] = [places[0] ?? 0, places.at(-1) ?? 1];
  const n = Math.round(((at - first) / (last - first)) * (places.length - 1));
  return Math.min(Math.max(n, 0), places.length - 1);
}
