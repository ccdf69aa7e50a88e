import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { Sandwich } from '../../api/gen/types.gen';
import { pressureQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { formatThickness, percent, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { Why } from '../calls/Why';
import { LoadTrace } from './LoadTrace';
import { PressureMap } from './PressureMap';
import { t } from '../../words/words';

/** What happens between the rollers: pressure from above, load along the crank, what the press gives. */
export function NipLook({ sandwich }: { sandwich: Sandwich }) {
  const unit = useUnit((choice) => choice.unit);
  const { data, error } = useQuery(pressureQuery(sandwich));
  if (error && !data) return <Notice title={t('No picture of the pressure.')} text={error.message} />;
  if (!data?.pressure_map) return <Notice title={t('Working it out')} text={t('One moment.')} />;
  const { nip } = data;
  const within = t('Mean at the work within {off_by}, force within {force_off_by}.', {
    off_by: percent(nip.off_by),
    force_off_by: percent(nip.force_off_by),
  });
  const rows: [string, string, string][] = [
    [
      t('Computed'),
      nip.full ? t('in full') : t('quickly'),
      nip.full ? within : t('{within} The pressed sheet computes it in full.', { within }),
    ],
    [
      t('Free height'),
      formatThickness(nip.free_height_mm, unit),
      t('All layers added up, before anything is pressed.'),
    ],
    [
      t('Over the opening'),
      formatThickness(nip.interference_mm, unit),
      t('By themselves the rollers pull in up to {bites_up_to}.', {
        bites_up_to: formatThickness(nip.bites_up_to_mm, unit),
      }),
    ],
    [
      t('The frame opens'),
      formatThickness(nip.give_mm, unit, 3),
      t('How much the opening grows under load, at the worst spot.'),
    ],
    [
      t('Tilt across the feed'),
      formatThickness(nip.tilt_mm, unit, 3),
      t('How the opening differs from side to side when the load is off the middle.'),
    ],
    [
      t('Half width of the nip'),
      formatThickness(nip.half_width_mm, unit, 1),
      t("How far the contact goes before and behind the rollers' line."),
    ],
  ];
  return (
    <Box>
      <PressureMap map={data.pressure_map} full={nip.full} />
      <LoadTrace trace={data.trace} drive={sandwich.press.drive} />
      <Why sandwich={sandwich} first="pressure" />
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto auto 1fr',
          gap: '4px 18px',
          margin: '10px 0 0',
          fontSize: 13,
        }}
      >
        {rows.map(([name, value, why]) => (
          <Box key={name} sx={{ display: 'contents' }}>
            <dt>{name}</dt>
            <Box component="dd" sx={{ margin: 0, fontWeight: 700, textAlign: 'right' }}>
              {value}
            </Box>
            <Box component="dd" sx={{ margin: 0, color: colour.quiet }}>
              {why}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
