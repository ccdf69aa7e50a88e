import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { chooseMotor } from '../../api/gen/sdk.gen';
import type { RunBody } from '../../api/gen/types.gen';
import { asSentence, ServiceError, told } from '../../api/refusal';
import type { Seen } from '../../api/types';
import { TraceChart } from '../../looks/feed/TraceChart';
import { Kbd } from '../../shared/Kbd';
import { say } from '../../shared/notices';
import { PlugIn } from '../../shared/PlugIn';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { beginAnew, feed, follow, stop, traceOf, useMotor } from './motor';
import { useRunStore } from './runStore';

interface Props {
  body: RunBody;
  onSeen: (seen: Seen) => void;
}

/** A pass on a motor press that this page hears: fed by it, drawn as it goes, kept with the run. */
export function MotorFeed({ body, onSeen }: Props) {
  const { found, fed, ended, feeding, lost } = useMotor();
  const change = useRunStore((store) => store.change);
  const [open, setOpen] = useState(false);
  const limit = body.sandwich.press.drive.limit_n;
  const address = found?.address;
  useEffect(() => beginAnew(), []);
  useEffect(() => (address === '' ? undefined : follow(limit)), [address, limit]);
  useEffect(() => {
    if (ended && fed.length > 0) change({ trace: traceOf(fed, ended.how) });
    if (ended?.how === 'jam' || ended?.how === 'limit') onSeen('too hard');
  }, [ended]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each end
  const tell = (what: () => Promise<unknown>) => void what().catch((error: unknown) => say(told(error)));
  useHotkeys('f', () => tell(feed), { enabled: found?.ready === true && !feeding });
  useHotkeys('space, escape', () => tell(stop), { enabled: feeding, preventDefault: true });
  if (!found) return null;
  if (found.address === '')
    return open ? (
      <PlugIn
        label={t('Motor press at')}
        name={t('Where the motor press is plugged in')}
        hint={t(
          'A serial port such as /dev/ttyUSB0 or COM3. For the stand-in, what ./lofty device motor prints.',
        )}
        onListen={listen}
        onDone={() => setOpen(false)}
      />
    ) : (
      <Button onClick={() => setOpen(true)}>{t('Let this page feed a motor press…')}</Button>
    );
  return (
    <Box role="group" aria-label={t('Motor press')} sx={{ margin: '6px 0 14px', maxWidth: 720 }}>
      {found.state !== 'listening' || !found.ready ? (
        <Box role="status" sx={{ color: colour.warn, fontSize: 18 }}>
          {t('No motor press answers at {address}. Trying again. Its own switch still works.', {
            address: found.address,
          })}{' '}
          <Button onClick={() => void listen('')}>{t('Go on without it')}</Button>
        </Box>
      ) : (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
          {feeding ? (
            <Button
              color="error"
              variant="contained"
              onClick={() => tell(stop)}
              sx={{ fontSize: 24, height: 64, width: 220 }}
            >
              {t('Stop')}
              <Kbd style={{ marginLeft: 14, fontSize: 15 }}>{t('space')}</Kbd>
            </Button>
          ) : (
            <Button
              variant="outlined"
              onClick={() => tell(feed)}
              sx={{ fontSize: 24, height: 64, width: 220 }}
            >
              {t('Feed it')}
              <Kbd style={{ marginLeft: 14, fontSize: 15 }}>f</Kbd>
            </Button>
          )}
          <span role="status" style={{ fontSize: 18, color: ended || feeding ? colour.ink : colour.stop }}>
            {words(feeding, ended?.how, Math.max(0, ...fed.map((point) => point.force_n)))}
          </span>
        </Box>
      )}
      {lost && (
        <Box role="alert" sx={{ color: colour.stop, fontSize: 20, fontWeight: 700 }}>
          {t("We've lost the motor. Switch it off at the press.")}
        </Box>
      )}
      {fed.length > 1 && (
        <TraceChart
          sandwich={body.sandwich}
          trace={{ position_mm: fed.map((p) => p.position_mm), force_n: fed.map((p) => p.force_n) }}
        />
      )}
      {found.unread && (
        <Box sx={{ color: colour.quiet, fontSize: 14 }}>
          {t('It sent “{line}”. That was ignored.', { line: found.unread.line })}
        </Box>
      )}
    </Box>
  );
}

/** How the feed stands, in words. */
function words(feeding: boolean, how: string | undefined, peak: number): string {
  if (feeding) return t("It's feeding. Keep fingers, sleeves and hair away.");
  if (how === 'end') return t('Fed through; at most {peak} N.', { peak: peak.toFixed(0) });
  if (how === 'stopped') return t('Stopped. Unplug it before you reach in.');
  if (how) return t('It stopped by itself. Unplug it before you reach in.');
  return t('Fingers away from the rollers before you press it.');
}

async function listen(address: string): Promise<boolean> {
  try {
    useMotor.setState({ found: await chooseMotor({ body: { address } }) });
    return true;
  } catch (error) {
    if (!(error instanceof ServiceError)) throw error;
    say(asSentence(error, t('The address')));
    return false;
  }
}
