import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { getSensorOptions } from '../../api/gen/@tanstack/react-query.gen';
import { chooseSensor } from '../../api/gen/sdk.gen';
import { asSentence, ServiceError } from '../../api/refusal';
import { say } from '../../shared/notices';
import { PlugIn } from '../../shared/PlugIn';
import { percent } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const BETWEEN = 10_000; // ms; air changes slowly

/** The room's air, as a sensor has it: drying times on run cards follow it. */
export function RoomAir() {
  const sensor = useQuery({ ...getSensorOptions(), refetchInterval: BETWEEN });
  const client = useQueryClient();
  const read = useWords();
  const [open, setOpen] = useState(false);
  const listen = async (address: string) => {
    try {
      client.setQueryData(getSensorOptions().queryKey, await chooseSensor({ body: { address } }));
      window.setTimeout(() => void client.invalidateQueries({ queryKey: getSensorOptions().queryKey }), 1500);
      return true;
    } catch (error) {
      if (!(error instanceof ServiceError)) throw error;
      say(asSentence(error, t('The address')));
      return false;
    }
  };
  if (!sensor.data) return null;
  const { address, air } = sensor.data;
  return (
    <Box
      role="group"
      aria-label={t('Room sensor')}
      sx={{ fontSize: 13.5, color: colour.quiet, marginTop: '18px' }}
    >
      {address === '' ? (
        open ? (
          <PlugIn
            label={t('Room sensor at')}
            name={t('Where the room sensor is plugged in')}
            hint={t(
              'A serial port such as /dev/ttyUSB0 or COM3. For the stand-in, what ./lofty device sensor prints.',
            )}
            onListen={listen}
            onDone={() => setOpen(false)}
          />
        ) : (
          <Button onClick={() => setOpen(true)}>{t('Plug in a room sensor…')}</Button>
        )
      ) : (
        <>
          <span role="status">
            {air
              ? t(
                  'The room: {temperature} °C, {humidity}. Paper holds about {water} of water and dries {times} times as slowly as in standard air.',
                  {
                    temperature: air.temperature_c.toFixed(1),
                    humidity: percent(air.humidity),
                    water: percent(air.moisture),
                    times: air.drying.toFixed(1),
                  },
                )
              : t('No room sensor answers at {address}. Trying again. Cards use standard air.', { address })}
          </span>{' '}
          {air?.words && <b style={{ color: colour.warn }}>{read(air.words)}</b>}{' '}
          <Button onClick={() => void listen('')}>{t('Unplug the sensor')}</Button>
        </>
      )}
    </Box>
  );
}
