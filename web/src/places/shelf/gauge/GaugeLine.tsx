import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Gauge } from '../../../api/gen/types.gen';
import { asSentence, ServiceError } from '../../../api/refusal';
import { t, words } from '../../../words/words';
import { colour } from '../../../theme/tokens';
import { say } from '../../../shared/notices';
import { PlugIn } from '../../../shared/PlugIn';
import { formatThickness, useUnit } from '../../../shared/units';
import { listenTo, takeAsZero, useGauge } from './gauge';
import { useGaugeFollow } from './useGaugeFollow';

const CLOSED = 0.2; // mm; what is shown with the jaws closed is less
const TRUE_ZERO = 0.003; // mm

/** The thickness gauge: plug it in, hear it, set its zero, let it go. */
export function GaugeLine() {
  useGaugeFollow();
  const found = useGauge((gauge) => gauge.found);
  const [open, setOpen] = useState(false);
  if (!found) return null;
  return (
    <Box
      role="group"
      aria-label={t('Thickness gauge')}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'baseline',
        gap: '0 10px',
        fontSize: 13.5,
        color: colour.quiet,
      }}
    >
      {found.address === '' ? (
        open ? (
          <PlugIn
            label={t('Gauge at')}
            name={t('Where the gauge is plugged in')}
            hint={t(
              'A serial port such as /dev/ttyUSB0 or COM3. For the stand-in, what ./lofty device gauge prints.',
            )}
            onListen={(address) => ask(() => listenTo(address))}
            onDone={() => setOpen(false)}
          />
        ) : (
          <Button onClick={() => setOpen(true)}>{t('Plug in a gauge…')}</Button>
        )
      ) : (
        <>
          <Heard found={found} />
          <Button onClick={() => void ask(() => listenTo(''))}>{t('Unplug the gauge')}</Button>
        </>
      )}
    </Box>
  );
}

/** What it sent last, and what to do about it. */
function Heard({ found }: { found: Gauge }) {
  const unit = useUnit((choice) => choice.unit);
  const { newest_mm: newest, unread, zero_mm: zero } = found;
  if (found.state !== 'listening')
    return (
      <span role="status" style={{ color: colour.warn }}>
        {t('No gauge answers at {address}. Check its plug and its switch. Trying again.', {
          address: found.address,
        })}
      </span>
    );
  return (
    <>
      <span role="status">
        <span style={{ color: colour.accent }}>● </span>
        {newest === null
          ? t('The gauge answers. Pick a thickness, close the jaws on the item, press its button.')
          : t('The gauge shows {thickness}.', { thickness: formatThickness(newest, unit, 3) })}{' '}
        {zero !== 0 && t('Zero set to {thickness}.', { thickness: formatThickness(zero, unit, 3) })}
        {unread &&
          t('It sent “{line}”: {why}. That was ignored.', {
            line: unread.line,
            why: words(unread.why, unit),
          })}
      </span>
      {newest !== null && Math.abs(newest) < CLOSED && Math.abs(newest) > TRUE_ZERO && (
        <Button
          title={t("With nothing between its jaws. It's taken off every reading.")}
          onClick={() => void ask(() => takeAsZero(newest))}
        >
          {t('Take this as zero')}
        </Button>
      )}
    </>
  );
}

/** Does something with the gauge, and says why if it was refused. */
async function ask(what: () => Promise<void>): Promise<boolean> {
  try {
    await what();
    return true;
  } catch (error) {
    if (!(error instanceof ServiceError)) throw error;
    say(asSentence(error, t('The address')));
    return false;
  }
}
