import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { depthOfTool, reliefInPhotos } from '../../api/gen/sdk.gen';
import type { Item, ShapeReading, ShelfEntry } from '../../api/gen/types.gen';
import { categoryQuery } from '../../api/queries';
import { asSentence } from '../../api/refusal';
import { addresses } from '../../api/service';
import { HiddenFileInput, PHOTOS } from '../../shared/HiddenFileInput';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { fileAt } from '../../shared/dataAddress';
import { formatThickness, useUnit } from '../../shared/units';
import { HAND } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { zipped } from '../../shared/zip';
import { colour, type } from '../../theme/tokens';
import { t } from '../../words/words';
import { LampSides } from './LampSides';
import { ROADS, type Road } from './reliefRoads';

/** What a series of photos said of a tool: its heights as a file, its picture, and its depth as far as it is known. */
export interface Photographed {
  file: File;
  face: string;
  depth: number | undefined;
  /** Standard deviation of the depth. [mm] */
  spread: number | undefined;
  width: number;
  /** Whether that is the tool's own size, not a sheet's. */
  whole: boolean;
  sunk: boolean;
}

interface Props {
  item: Item;
  onDone: (found: Photographed) => void;
  onClose: () => void;
}

/** The relief of a tool by photographs: three roads, what is still missing, and what came of it beside the tool's own picture. */
export function ReliefPhotos({ item, onDone, onClose }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const inWords = useWords();
  const [road, setRoad] = useState<Road>('torch');
  const [files, setFiles] = useState<File[]>([]);
  const [perInch, setPerInch] = useState(300);
  const [ruler, setRuler] = useState(100);
  const [stock, setStock] = useState('');
  const presses = useQuery(categoryQuery('press')).data ?? [];
  const stocks = (useQuery({ ...categoryQuery('stock'), enabled: road === 'sheet' }).data ?? [])
    .filter((entry) => entry.item?.stock)
    .sort((one, other) => lightness(other) - lightness(one));
  const read = useMutation({
    mutationFn: async (photos: File[]) =>
      reliefInPhotos({
        body: await zipped(photos),
        query:
          road === 'scans'
            ? { way: 'scans', per_inch: perInch }
            : {
                way: 'torch',
                ruler_mm: ruler,
                thickness_mm: road === 'sheet' ? undefined : item.thickness.mm,
              },
      }),
  });
  const putBack = useMutation({
    mutationFn: (found: ShapeReading) =>
      depthOfTool({
        body: {
          press_id: presses[0]?.id ?? '',
          tool: item,
          stock: stock || (stocks[0]?.id ?? ''),
          depth_mm: found.depth_mm,
          spread_mm: found.depth_spread_mm ?? 0.3 * found.depth_mm,
        },
      }),
  });
  const take = (more: File[]) => {
    const all = [...files, ...more];
    setFiles(all);
    putBack.reset();
    read.mutate(all);
  };
  const start = (next: Road) => {
    setRoad(next);
    setFiles([]);
    read.reset();
    putBack.reset();
  };
  const found = read.data;
  const use = () => {
    if (!found) return;
    const depth = road === 'sheet' ? (putBack.data?.depth_mm ?? found.depth_mm) : undefined;
    onDone({
      file: new File([fileAt(found.heights)], 'photos.png', { type: 'image/png' }),
      face: found.face,
      depth,
      spread: road === 'sheet' ? (putBack.data?.spread_mm ?? found.depth_spread_mm ?? undefined) : undefined,
      width: found.width_mm,
      whole: road !== 'sheet',
      sunk: found.sunk,
    });
  };
  const problem = read.error
    ? asSentence(read.error, t('The photos'))
    : putBack.error
      ? asSentence(putBack.error, t('The sheet'))
      : '';
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="relief-photos-title">
      <Box sx={{ padding: '20px 24px', minHeight: 440, fontSize: 14 }}>
        <Box id="relief-photos-title" sx={{ fontFamily: type.head, fontWeight: 700, fontSize: 20 }}>
          {t('Photograph the relief of {name}', { name: item.name })}
        </Box>
        <Box role="tablist" sx={{ display: 'flex', gap: 2, margin: '10px 0', flexWrap: 'wrap' }}>
          {(Object.keys(ROADS) as Road[]).map((key) => (
            <Button
              key={key}
              role="tab"
              aria-selected={key === road}
              color="inherit"
              onClick={() => start(key)}
              sx={{
                fontWeight: key === road ? 700 : 400,
                borderBottom: `3px solid ${key === road ? colour.accent : 'transparent'}`,
                borderRadius: 0,
              }}
            >
              {ROADS[key].title}
            </Button>
          ))}
        </Box>
        <Box sx={{ display: 'flex', gap: 3, [HAND]: { flexDirection: 'column' } }}>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Box component="ol" sx={{ margin: 0, paddingLeft: '20px', lineHeight: 1.6 }}>
              {ROADS[road].steps.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </Box>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', margin: '12px 0', flexWrap: 'wrap' }}>
              {road === 'scans' ? (
                <NumberField
                  label={t('pixels an inch')}
                  name={t('Pixels an inch')}
                  kind="number"
                  value={perInch}
                  least={75}
                  most={1200}
                  onValue={setPerInch}
                />
              ) : (
                <>
                  <a href={addresses.photoSheet('A4')} download style={{ color: colour.accent }}>
                    {t('Photo sheet, A4')}
                  </a>
                  <a href={addresses.photoSheet('letter')} download style={{ color: colour.accent }}>
                    {t('Letter')}
                  </a>
                  <NumberField
                    label={t('its ruler measures')}
                    name={t('Length of the printed ruler')}
                    kind="size"
                    value={ruler}
                    least={50}
                    most={200}
                    onValue={setRuler}
                  />
                </>
              )}
            </Box>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
              <Button component="label" variant={found ? 'text' : 'contained'} disabled={read.isPending}>
                {files.length ? t('Add photos') : t('Choose the photos')}
                <HiddenFileInput accept={PHOTOS} testId="relief-photos" onFiles={take} />
              </Button>
              {files.length > 0 && (
                <Button color="inherit" onClick={() => start(road)}>
                  {t('Start over')}
                </Button>
              )}
              <span style={{ color: colour.quiet }}>
                {read.isPending
                  ? t('Reading {count} photos, about {seconds} seconds …', {
                      count: files.length,
                      seconds: 3 + 2 * files.length,
                    })
                  : files.length > 0 && t('{count} photos', { count: files.length })}
              </span>
            </Box>
            {problem && (
              <Box role="alert" sx={{ color: colour.stop, marginTop: '10px' }}>
                {problem}
              </Box>
            )}
            {found?.notes.map((note, n) => (
              <Box key={n} sx={{ color: colour.warn, marginTop: '6px' }}>
                {inWords(note)}
              </Box>
            ))}
            {found && road === 'sheet' && (
              <Box sx={{ marginTop: '10px' }}>
                {t('The sheet is {depth} deep. It was', { depth: formatThickness(found.depth_mm, unit) })}{' '}
                <QuietSelect
                  label={t('Card you pressed')}
                  value={stock || (stocks[0]?.id ?? '')}
                  options={Object.fromEntries(stocks.map((entry) => [entry.id, entry.name]))}
                  onChange={setStock}
                />{' '}
                <Button
                  color="inherit"
                  disabled={putBack.isPending || !stocks.length || !presses.length}
                  sx={{ color: colour.accent }}
                  onClick={() => putBack.mutate(found)}
                >
                  {putBack.isPending ? t('Computing …') : t('Work out the tool’s depth')}
                </Button>
                {putBack.data && (
                  <Box>
                    {t(
                      'The tool is about {depth} deep, give or take {spread}: this card keeps {kept} % of it.',
                      {
                        depth: formatThickness(putBack.data.depth_mm, unit),
                        spread: formatThickness(putBack.data.spread_mm, unit),
                        kept: Math.round(100 * putBack.data.kept),
                      },
                    )}
                  </Box>
                )}
              </Box>
            )}
          </Box>
          <Box sx={{ flex: '0 0 400px', [HAND]: { flex: 'none' } }}>
            {found ? (
              <Box sx={{ display: 'flex', gap: 1 }}>
                <Shown src={found.face} alt={t('The tool in the photos')} words={t('Photo')} />
                <Shown src={found.lamp} alt={t('Its relief under a lamp')} words={t('Relief under a lamp')} />
              </Box>
            ) : (
              <Box
                sx={{
                  height: 260,
                  background: colour.panel,
                  color: colour.quiet,
                  display: 'flex',
                  alignItems: 'center',
                  justifyContent: 'center',
                }}
              >
                {t('Its relief shows here.')}
              </Box>
            )}
            {road !== 'scans' && <LampSides sides={found?.sides ?? []} />}
          </Box>
        </Box>
        <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end', marginTop: 2 }}>
          <Button color="inherit" onClick={onClose}>
            {t("Don't log it")}
          </Button>
          <Button variant="contained" disabled={!found || read.isPending} onClick={use}>
            {t('Use this relief')}
          </Button>
        </Box>
      </Box>
    </Dialog>
  );
}

/** How light a stock's face is; the lightest is the one that was most likely pressed. */
const lightness = (entry: ShelfEntry): number =>
  [1, 3, 5].reduce(
    (sum, at) => sum + parseInt(entry.item?.stock?.face_colour.slice(at, at + 2) ?? '0', 16),
    0,
  );

function Shown({ src, alt, words }: { src: string; alt: string; words: string }) {
  return (
    <Box component="figure" sx={{ margin: 0, flex: 1, minWidth: 0 }}>
      <Box component="img" src={src} alt={alt} sx={{ width: '100%', maxHeight: 320, objectFit: 'contain' }} />
      <Box component="figcaption" sx={{ color: colour.quiet, fontSize: 13, textAlign: 'center' }}>
        {words}
      </Box>
    </Box>
  );
}
