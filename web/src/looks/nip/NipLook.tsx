import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { Sandwich, Verdict } from '../../api/gen/types.gen';
import { pressureQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { formatThickness, percent, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { Why } from '../calls/Why';
import { LoadTrace } from './LoadTrace';
import { PressureMap } from './PressureMap';
import { t } from '../../words/words';

const COARSE = 0.3;

/** What happens between the rollers: pressure from above, load along the crank, what the press gives. */
export function NipLook({ sandwich }: { sandwich: Sandwich }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const { data, error } = useQuery(pressureQuery(sandwich));
  if (error && !data) return <Notice title={t('No picture of the pressure.')} text={error.message} />;
  if (!data?.pressure_map) return <Notice title={t('Working it out')} text={t('One moment.')} />;
  const { nip, verdict } = data;
  const within = t('Mean at the work within {off_by}, force within {force_off_by}.', {
    off_by: percent(nip.off_by),
    force_off_by: percent(nip.force_off_by),
  });
  const rows: [string, string, string, string?][] = [
    ...(verdict && nip.bites ? [atWork(verdict, read(verdict.need.why))] : []),
    [
      t('Between the rollers'),
      t('{force} kN', { force: (nip.force_n / 1000).toFixed(1) }),
      t('The largest force on the way through.'),
    ],
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
      <LoadTrace trace={data.trace} drive={sandwich.press.drive} of="rollers" />
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
        {rows.map(([name, value, why, id]) => (
          <Box key={name} sx={{ display: 'contents' }}>
            <dt>{name}</dt>
            <Box component="dd" data-testid={id} sx={{ margin: 0, fontWeight: 700, textAlign: 'right' }}>
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

/** The mean where tool and sheet meet, with how well it is known and what is right. */
function atWork(verdict: Verdict, why: string): [string, string, string, string] {
  return [
    t('At the work'),
    t('{pressure} MPa', { pressure: verdict.pressure_mpa.toFixed(1) }),
    t('{known}. This needs {right} to {hard} MPa: {why}.', {
      known: known(verdict.pressure_within),
      right: verdict.need.right_mpa.toFixed(1),
      hard: verdict.need.hard_mpa.toFixed(1),
      why,
    }),
    'pressure',
  ];
}

/** How well a figure is known: as a share, or as a factor where a share says little. */
function known(within: number): string {
  return within < COARSE
    ? t('Give or take {share}', { share: percent(within) })
    : t('Give or take a factor of {factor}', { factor: Math.exp(within).toFixed(1) });
}
