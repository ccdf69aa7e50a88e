import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { addresses } from '../../api/service';
import { HiddenFileInput, PHOTOS } from '../../shared/HiddenFileInput';
import { NumberField } from '../../shared/NumberField';
import { HAND } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { SheetView } from './SheetView';
import { ToolRow } from './ToolRow';
import { usePhotoTools, type PhotoTools } from './usePhotoTools';

const RULER = 100; // mm, as printed

/** Tools come onto the shelf by photograph: each cut out, true to size, under a name and a kind. */
export function PhotoPlace() {
  const inWords = useWords();
  const navigate = useNavigate();
  const [ruler, setRuler] = useState(RULER);
  const photos = usePhotoTools(ruler, () => void navigate('/shelf'));
  const { readings, drafts, chosen, problem, left } = photos;
  const photo = drafts[chosen]?.photo ?? 0;
  const reading = readings[photo];
  const count = drafts.filter((draft) => draft.wanted).length;
  return (
    <Box
      sx={{
        height: '100%',
        display: 'flex',
        gap: 4,
        padding: '18px 24px 16px',
        [HAND]: { height: 'auto', flexDirection: 'column-reverse', gap: 2, padding: '8px 12px 16px' },
      }}
    >
      <Box
        sx={{
          flex: '0 0 46%',
          minWidth: 0,
          [HAND]: { flex: 'none', height: reading ? '120vw' : 80 },
          background: colour.panel,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        {reading ? (
          <SheetView
            reading={reading}
            photo={photo}
            drafts={drafts}
            chosen={chosen}
            onChoose={photos.choose}
            onDraw={(index, outline, windows) => photos.correct(index, { outline, windows })}
            onWithout={photos.without}
          />
        ) : (
          <Typography sx={{ color: colour.quiet, maxWidth: 300, textAlign: 'center' }}>
            {left > 0 ? t('Reading the photo …') : t('Your photo shows up here, seen from straight above.')}
          </Typography>
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            {t('Photograph your tools')}
          </Typography>
          <Link to="/shelf" style={{ color: colour.accent }}>
            {t('Back to the shelf')}
          </Link>
        </Box>
        <PhotoSteps ruler={ruler} onRuler={setRuler} photos={photos} />
        {problem && (
          <Box role="alert" sx={{ color: colour.stop, margin: '4px 0' }}>
            {problem}
          </Box>
        )}
        {readings
          .flatMap((each) => each.notes)
          .map((note, n) => (
            <Box key={n} sx={{ color: colour.warn, fontSize: 13.5 }}>
              {inWords(note)}
            </Box>
          ))}
        <Box
          component="ul"
          aria-label={t('Tools in the photo')}
          sx={{ flex: 1, minHeight: 0, overflowY: 'auto', margin: 0, padding: 0, listStyle: 'none' }}
        >
          {drafts.map((draft, n) => (
            <ToolRow
              key={n}
              number={n + 1}
              draft={draft}
              chosen={n === chosen}
              onChoose={() => photos.choose(n)}
              onChange={(part) => photos.change(n, part)}
              onCorrect={(part) => photos.correct(n, part)}
            />
          ))}
        </Box>
        {reading && (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, paddingTop: '10px' }}>
            <Button
              variant="contained"
              disabled={count === 0 || photos.correcting || photos.putting}
              onClick={photos.put}
              sx={{ flexShrink: 0 }}
            >
              {photos.putting ? t('Adding them to the shelf …') : t('Add {count} to the shelf', { count })}
            </Button>
            <label
              style={{ fontSize: 13.5, flexShrink: 0 }}
              title={t('Smaller, and without the location and camera details a phone adds')}
            >
              <input
                type="checkbox"
                checked={photos.keeping}
                onChange={(event) => photos.keepPhotos(event.target.checked)}
              />{' '}
              {t('Keep the photos too')}
            </label>
            <span style={{ color: colour.quiet, fontSize: 13 }}>
              {t(
                "Drag a line where it's wrong. Touch a dashed one that isn't a blade. Numbered items on the shelf are filled in first.",
              )}
            </span>
          </Box>
        )}
      </Box>
    </Box>
  );
}

interface StepsProps {
  ruler: number;
  onRuler: (mm: number) => void;
  photos: PhotoTools;
}

/** How a photo of tools is taken: the printed sheet, its ruler, the tools on it. */
function PhotoSteps({ ruler, onRuler, photos }: StepsProps) {
  const { left } = photos;
  const begun = photos.readings.length > 0;
  return (
    <Box component="ol" sx={{ margin: '8px 0', paddingLeft: '20px', fontSize: 14, lineHeight: 1.7 }}>
      <li>
        {t('Print the photo sheet at 100 %:')}{' '}
        <a href={addresses.photoSheet('A4')} download style={{ color: colour.accent }}>
          A4
        </a>{' '}
        {t('or')}{' '}
        <a href={addresses.photoSheet('letter')} download style={{ color: colour.accent }}>
          {t('Letter')}
        </a>
        . {t('Then measure its ruler:')}{' '}
        <NumberField
          label=""
          name={t('Length of the printed ruler')}
          kind="size"
          value={ruler}
          least={50}
          most={200}
          onValue={onRuler}
        />
      </li>
      <li>{t('Lay tools inside the four corners, apart from each other. Even light, no flash.')}</li>
      <li>
        {t('Take a photo from above that shows the whole sheet. Take another for more tools.')}{' '}
        <Button component="label" variant={begun ? 'text' : 'contained'} disabled={left > 0}>
          {begun ? t('Add photos') : t('Choose photos')}
          <HiddenFileInput accept={PHOTOS} testId="tools-photo" onFiles={photos.take} />
        </Button>
        {left > 1 && t('{left} photos to go …', { left })}
        {begun && left === 0 && (
          <Button color="inherit" onClick={photos.startOver}>
            {t('Start over')}
          </Button>
        )}
      </li>
    </Box>
  );
}
