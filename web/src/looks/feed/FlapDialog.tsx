import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { FlapRequest, Item, Sandwich } from '../../api/gen/types.gen';
import { flapQuery } from '../../api/queries';
import { download } from '../../shared/download';
import { NumberField } from '../../shared/NumberField';
import { say } from '../../shared/notices';
import { QuietSelect } from '../../shared/QuietSelect';
import { Segments } from '../../shared/Segments';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { told } from '../../api/refusal';
import { flapTemplate } from '../../api/gen/sdk.gen';
import { t } from '../../words/words';

const SIZE = 250; // px

/** Where a motif sits in the flap of an envelope, with as much room on every side. */
export function FlapDialog({ sandwich, onClose }: { sandwich: Sandwich; onClose: () => void }) {
  const unit = useUnit((choice) => choice.unit);
  const motifs = Object.values(sandwich.items).filter((item) => item.kind === 'motif' || item.blade);
  const [name, setName] = useState(motifs[0]?.name ?? '');
  const [flap, setFlap] = useState<Omit<FlapRequest, 'motif'>>({
    shape: 'pointed',
    width_mm: 160,
    depth_mm: 80,
    tip_width_mm: 60,
  });
  const motif = motifs.find((item) => item.name === name);
  return (
    <Dialog open onClose={onClose} aria-labelledby="flap-title" maxWidth={false}>
      <Box sx={{ padding: '18px 24px', width: 640 }}>
        <h2 id="flap-title" style={{ margin: 0 }}>
          {t('A motif in the flap')}
        </h2>
        {!motif && (
          <p>{t('This sandwich has no motif and no die. Put one in on the Bench, then come back.')}</p>
        )}
        {motif && (
          <>
            <Box sx={{ display: 'flex', gap: 2, margin: '10px 0', fontSize: 13.5, alignItems: 'center' }}>
              <QuietSelect
                label={t('Motif')}
                value={name}
                options={Object.fromEntries(motifs.map((item) => [item.name, item.name]))}
                onChange={setName}
              />
              <Segments
                label={t('Shape of the flap')}
                value={flap.shape}
                options={['pointed', 'squared']}
                onChange={(shape) => setFlap({ ...flap, shape })}
              />
              <SizeField
                label={t('fold')}
                name={t('Width of the flap at its fold')}
                value={flap.width_mm}
                onValue={(width_mm) =>
                  setFlap({ ...flap, width_mm, tip_width_mm: Math.min(flap.tip_width_mm, width_mm) })
                }
              />
              <SizeField
                label={t('depth')}
                name={t('Depth of the flap')}
                value={flap.depth_mm}
                onValue={(depth_mm) => setFlap({ ...flap, depth_mm })}
              />
              {flap.shape === 'squared' && (
                <SizeField
                  label={t('tip')}
                  name={t('Width of the flap at its tip')}
                  value={flap.tip_width_mm}
                  onValue={(tip_width_mm) => setFlap({ ...flap, tip_width_mm })}
                />
              )}
            </Box>
            <Place request={{ ...flap, motif }} unit={unit} />
          </>
        )}
        <Box sx={{ textAlign: 'right' }}>
          <Button onClick={onClose}>{t('Close')}</Button>
        </Box>
      </Box>
    </Dialog>
  );
}

function SizeField(props: { label: string; name: string; value: number; onValue: (mm: number) => void }) {
  return <NumberField {...props} kind="size" least={1} most={1000} />;
}

function Place({ request, unit }: { request: FlapRequest & { motif: Item }; unit: 'mm' | 'in' }) {
  const { data, error } = useQuery(flapQuery(request));
  if (error) return <Box role="alert">{error.message}</Box>;
  if (!data) return <Box sx={{ height: SIZE }} />;
  const points = [...data.flap_mm, ...data.motif_mm];
  const [left, right] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))];
  const [top, bottom] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))];
  const ring = (corners: [number, number][]) => `M${corners.map(([x, y]) => `${x} ${y}`).join('L')}Z`;
  const save = (kind: 'svg' | 'pdf') => {
    flapTemplate({ body: request, path: { kind }, query: { unit }, parseAs: 'blob' })
      .then((file) => download(file, `flap-template.${kind}`))
      .catch((reason: unknown) => say(told(reason)));
  };
  return (
    <Box sx={{ display: 'flex', gap: 3 }}>
      <svg
        role="img"
        aria-label={t('The flap from inside, fold on top, with the motif in place')}
        viewBox={`${left - 4} ${top - 4} ${right - left + 8} ${bottom - top + 8}`}
        width={320}
        height={SIZE}
      >
        <path d={ring(data.flap_mm)} fill="#fff" stroke={colour.quiet} strokeWidth={0.6} />
        <path d={ring(data.motif_mm)} fill={colour.accentWash} stroke={colour.accent} strokeWidth={0.6} />
        <circle cx={0} cy={data.from_fold_mm} r={0.9} fill={colour.accent} />
      </svg>
      <Box data-testid="flap-place" sx={{ fontSize: 14 }}>
        {data.room_mm >= 0 ? (
          <p>
            {t('The middle of the motif is')} <b>{formatSize(data.from_fold_mm, unit)}</b>{' '}
            {t('from the fold, which leaves')} <b>{formatSize(data.room_mm, unit)}</b>{' '}
            {t('to the nearest edge.')}
          </p>
        ) : (
          <p role="alert">
            {t("It doesn't fit: it would go {part} past the edge. Use a smaller motif.", {
              part: formatSize(-data.room_mm, unit),
            })}
          </p>
        )}
        <p>
          {t(
            "Seen from inside, fold on top. The motif is face down, so it's mirrored here and reads right on the closed envelope.",
          )}
        </p>
        <Button onClick={() => save('pdf')}>{t('Template, PDF')}</Button>
        <Button onClick={() => save('svg')}>{t('SVG')}</Button>
      </Box>
    </Box>
  );
}
