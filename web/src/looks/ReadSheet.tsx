import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { readSheetPhoto } from '../api/gen/sdk.gen';
import type { Sandwich, SheetPhotoReading } from '../api/gen/types.gen';
import { impressionQuery } from '../api/queries';
import { asSentence } from '../api/refusal';
import type { Outcome } from '../api/types';
import { formatSize, useUnit, type Unit } from '../shared/units';
import { useWords } from '../shared/useWords';
import { colour, type } from '../theme/tokens';
import { t } from '../words/words';

const TAB = crypto.randomUUID();
const MARKED = { faint: colour.warn, blank: colour.warn, cut: colour.stop, cracked: colour.stop };
const WORDS = { faint: t('fainter'), blank: t('blank'), cut: t('cut through'), cracked: t('cracked') };
const OFF = 0.5; // mm and degrees; less is within what a photo tells

interface Props {
  file: File;
  sandwich: Sandwich;
  onUse: (outcome: Outcome, words: string, reading: SheetPhotoReading) => void;
  /** Begin at once; else when it is wanted. */
  begun?: boolean;
  onClose?: () => void;
}

/** What a photo shows beside the computed sheet: where, what to call it, and one touch to note it. */
export function ReadSheet({ file, sandwich, onUse, begun = false, onClose }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const inWords = useWords();
  const [wanted, setWanted] = useState(begun);
  const pressed = useQuery(impressionQuery(wanted ? sandwich : undefined, `${TAB}-read`)).data;
  const key = pressed?.stage ? pressed.key : undefined;
  const reading = useQuery({
    queryKey: ['sheet photo', key, file.name, file.size, file.lastModified],
    queryFn: ({ signal }) => readSheetPhoto({ path: { key: key ?? '' }, body: file, signal }),
    enabled: key !== undefined && wanted,
    staleTime: Infinity,
    retry: false,
  });
  const close = () => {
    setWanted(false);
    onClose?.();
  };
  return (
    <>
      {!begun && (
        <Button color="inherit" sx={{ color: colour.accent, fontSize: 16 }} onClick={() => setWanted(true)}>
          {t('Compare it with the computed sheet')}
        </Button>
      )}
      <Dialog open={wanted} onClose={close} maxWidth="sm" fullWidth aria-labelledby="read-sheet">
        <Box sx={{ padding: '20px 24px', fontSize: 16, minHeight: 300 }}>
          <Box id="read-sheet" sx={{ fontFamily: type.head, fontWeight: 700, fontSize: 20, marginBottom: 1 }}>
            {t('Your sheet next to the computed one')}
          </Box>
          {reading.error && (
            <Box role="alert" sx={{ color: colour.stop }}>
              {asSentence(reading.error, t('The photo'))}
            </Box>
          )}
          {!reading.error && !reading.data && t('Comparing them takes about five seconds …')}
          {reading.data && <Told reading={reading.data} />}
          <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end', marginTop: 2 }}>
            <Button color="inherit" onClick={close}>
              {t('Close')}
            </Button>
            {reading.data?.words && reading.data.outcome && (
              <Button
                variant="contained"
                onClick={() => {
                  const { words, outcome } = reading.data;
                  if (words && outcome)
                    onUse(outcome, `${inWords(words)}. ${placesOf(reading.data, unit)}`.trim(), reading.data);
                  close();
                }}
              >
                {t('Log that')}
              </Button>
            )}
          </Box>
        </Box>
      </Dialog>
    </>
  );
}

function Told({ reading }: { reading: SheetPhotoReading }) {
  const unit = useUnit((choice) => choice.unit);
  const inWords = useWords();
  return (
    <Box sx={{ display: 'flex', gap: 2 }}>
      <SeenOn reading={reading} />
      <div>
        {reading.words && <b>{inWords(reading.words)}.</b>} {placesOf(reading, unit)}
        {reading.notes.map((note, n) => (
          <Box key={n} sx={{ color: colour.quiet }}>
            {inWords(note)}
          </Box>
        ))}
      </div>
    </Box>
  );
}

/** Where it is, in words: from the middle of the sheet. */
function placesOf(data: SheetPhotoReading, unit: Unit): string {
  const found = data.seen.map(({ sight, along_mm, across_mm }) =>
    t('{what} {along} along and {across} across from the middle', {
      what: WORDS[sight],
      along: formatSize(along_mm, unit),
      across: formatSize(across_mm, unit),
    }),
  );
  if (Math.hypot(data.along_mm, data.across_mm) > OFF)
    found.push(
      t('off by {along} along and {across} across', {
        along: formatSize(data.along_mm, unit),
        across: formatSize(data.across_mm, unit),
      }),
    );
  if (Math.abs(data.turned_deg) > OFF)
    found.push(t('turned by {turn}°', { turn: data.turned_deg.toFixed(1) }));
  return found.length ? `${found.join('; ')}.` : '';
}

/** The sheet from above, what is seen marked on it. */
function SeenOn({ reading }: { reading: SheetPhotoReading }) {
  const { length_mm: long, width_mm: wide, picture, seen } = reading;
  return (
    <svg
      role="img"
      aria-label={t('The sheet in the photo, {count} places marked', { count: seen.length })}
      viewBox={`${-wide / 2} ${-long / 2} ${wide} ${long}`}
      style={{ display: 'block', maxWidth: '55%', height: 300, flex: 'none' }}
    >
      <image
        href={picture}
        x={-wide / 2}
        y={-long / 2}
        width={wide}
        height={long}
        preserveAspectRatio="none"
      />
      {seen.map(({ sight, box_mm: [along, across, mostAlong, mostAcross] }, n) => (
        <rect
          key={n}
          x={across}
          y={along}
          width={mostAcross - across}
          height={mostAlong - along}
          fill="none"
          stroke={MARKED[sight]}
          strokeWidth={1}
        />
      ))}
    </svg>
  );
}
