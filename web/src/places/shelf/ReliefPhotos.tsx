import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { Item, ShapeReading } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { HiddenFileInput, PHOTOS } from '../../shared/HiddenFileInput';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { formatThickness, useUnit } from '../../shared/units';
import { HAND } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { colour, type } from '../../theme/tokens';
import { t } from '../../words/words';
import { LampSides } from './LampSides';
import { ROADS, type Road } from './reliefRoads';
import { useReliefPhotos, type Photographed, type ReliefPhotosState } from './useReliefPhotos';

interface Props {
  item: Item;
  onDone: (found: Photographed) => void;
  onClose: () => void;
}

/** The relief of a tool by photographs: three roads, what is still missing, and what came of it beside the tool's own picture. */
export function ReliefPhotos({ item, onDone, onClose }: Props) {
  const inWords = useWords();
  const photos = useReliefPhotos(item);
  const { road, files, found, reading, problem } = photos;
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
              onClick={() => photos.start(key)}
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
            <PhotoSource photos={photos} />
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
              <Button component="label" variant={found ? 'text' : 'contained'} disabled={reading}>
                {files.length ? t('Add photos') : t('Choose the photos')}
                <HiddenFileInput accept={PHOTOS} testId="relief-photos" onFiles={photos.take} />
              </Button>
              {files.length > 0 && (
                <Button color="inherit" onClick={() => photos.start(road)}>
                  {t('Start over')}
                </Button>
              )}
              <span style={{ color: colour.quiet }}>
                {reading
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
            {found && road === 'sheet' && <SheetDepth photos={photos} found={found} />}
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
            {t('Cancel')}
          </Button>
          <Button
            variant="contained"
            disabled={!found || reading}
            onClick={() => photos.result && onDone(photos.result)}
          >
            {t('Use this relief')}
          </Button>
        </Box>
      </Box>
    </Dialog>
  );
}

/** What is needed before the first photo: the printed sheet and its ruler, or the scanner's pixels. */
function PhotoSource({ photos }: { photos: ReliefPhotosState }) {
  const { road } = photos;
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', margin: '12px 0', flexWrap: 'wrap' }}>
      {road === 'scans' ? (
        <NumberField
          label={t('pixels an inch')}
          name={t('Pixels an inch')}
          kind="number"
          value={photos.perInch}
          least={75}
          most={1200}
          onValue={photos.setPerInch}
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
            value={photos.ruler}
            least={50}
            most={200}
            onValue={photos.setRuler}
          />
        </>
      )}
    </Box>
  );
}

/** Which card was pressed, and how deep the tool is by what the model says that card keeps. */
function SheetDepth({ photos, found }: { photos: ReliefPhotosState; found: ShapeReading }) {
  const unit = useUnit((choice) => choice.unit);
  const { stocks, stock, setStock, putBack, canPutBack } = photos;
  return (
    <Box sx={{ marginTop: '10px' }}>
      {t('The sheet is {depth} deep. It was', { depth: formatThickness(found.depth_mm, unit) })}{' '}
      <QuietSelect
        label={t('Card you pressed')}
        value={stock}
        options={Object.fromEntries(stocks.map((entry) => [entry.id, entry.name]))}
        onChange={setStock}
      />{' '}
      <Button
        color="inherit"
        disabled={putBack.isPending || !canPutBack}
        sx={{ color: colour.accent }}
        onClick={() => putBack.mutate(found)}
      >
        {putBack.isPending ? t('Computing …') : t("Work out the tool's depth")}
      </Button>
      {putBack.data && (
        <Box>
          {t('The tool is about {depth} deep, give or take {spread}: this card keeps {kept} % of it.', {
            depth: formatThickness(putBack.data.depth_mm, unit),
            spread: formatThickness(putBack.data.spread_mm, unit),
            kept: Math.round(100 * putBack.data.kept),
          })}
        </Box>
      )}
    </Box>
  );
}

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
