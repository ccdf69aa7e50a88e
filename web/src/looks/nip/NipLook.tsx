import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { Sandwich } from '../../api/gen/types.gen';
import { pressureQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { formatThickness, percent, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { LoadTrace } from './LoadTrace';
import { PressureMap } from './PressureMap';

/** What happens between the rollers: pressure from above, load along the crank, what the press gives. */
export function NipLook({ sandwich }: { sandwich: Sandwich }) {
  const unit = useUnit((choice) => choice.unit);
  const { data, error } = useQuery(pressureQuery(sandwich));
  if (error && !data) return <Notice title="No picture of the nip." text={error.message} />;
  if (!data?.pressure_map) return <Notice title="Working it out" text="One moment." />;
  const { nip } = data;
  const within = `Mean at the work within ${percent(nip.off_by)}, force within ${percent(nip.force_off_by)}.`;
  const rows: [string, string, string][] = [
    [
      'Computed',
      nip.full ? 'in full' : 'quickly',
      nip.full ? within : `${within} The Impression computes it in full.`,
    ],
    ['Free height', formatThickness(nip.free_height_mm, unit), 'All layers added up, nothing pressed yet.'],
    [
      'Over the opening',
      formatThickness(nip.interference_mm, unit),
      `The rollers draw in up to ${formatThickness(nip.bites_up_to_mm, unit)} by themselves.`,
    ],
    [
      'The frame gives',
      formatThickness(nip.give_mm, unit, 3),
      'Opening gained under load, at the worst place.',
    ],
    [
      'Tilt across the feed',
      formatThickness(nip.tilt_mm, unit, 3),
      'Difference of the opening between both sides, from a load off the middle.',
    ],
    [
      'Half width of the nip',
      formatThickness(nip.half_width_mm, unit, 1),
      'How far the contact reaches before and behind the rollers’ line.',
    ],
  ];
  return (
    <Box>
      <PressureMap map={data.pressure_map} full={nip.full} />
      <LoadTrace trace={data.trace} drive={sandwich.press.drive} />
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
