import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Item } from '../../api/gen/types.gen';
import { readRelief } from '../../api/gen/sdk.gen';
import type { ReliefWish } from '../../api/types';
import { formatSize, formatThickness, useUnit } from '../../shared/units';
import { colour, type } from '../../theme/tokens';
import { BY_CALIPER, ReliefFields } from './ReliefFields';
import { likelyUse, usesOf, withRelief, type ReliefUse } from './reliefUse';
import type { Photographed } from './useReliefPhotos';
import { told } from '../../api/refusal';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

const LARGEST_FILE = 24_000_000; // bytes, as the service has it
const FINEST = 0.2; // mm; what a press shows

interface Props {
  file: File;
  item: Item;
  /** What photos said of it, where the file was made of them. */
  photographed?: Photographed | undefined;
  onUse: (item: Item) => void;
  onClose: () => void;
}

/** A file as it would be read, before it is taken: size, depth, how it lies, and what had to be mended. */
export function ReliefDialog({ file, item, photographed, onUse, onClose }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const inWords = useWords();
  const [wish, setWish] = useState(() => firstWish(item, file, photographed));
  const [takeSize, setTakeSize] = useState(photographed?.whole ?? item.kind === 'motif');
  const [depthSd, setDepthSd] = useState(photographed?.spread ?? item.relief?.sd_mm ?? BY_CALIPER);
  const [problem, setProblem] = useState('');
  const change = (part: ReliefWish) => setWish((now) => ({ ...now, ...part }));
  const tooLarge = file.size > LARGEST_FILE;
  const reading = useQuery({
    queryKey: ['relief', file.name, file.size, file.lastModified, wish],
    queryFn: ({ signal }) => readRelief({ body: file, query: wish, signal }),
    enabled: !tooLarge,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });
  const take = async () => {
    try {
      const kept = await readRelief({
        body: file,
        query: { ...wish, keep: true, name: (photographed ? item.name : file.name).slice(0, 120) },
      });
      onUse(withRelief(item, wish.use as ReliefUse, kept, takeSize, depthSd));
    } catch (error) {
      setProblem(told(error));
    }
  };
  const read = reading.error ? undefined : reading.data;
  const refusal = tooLarge
    ? t('{name} is over 24 MB. Make it coarser; a press shows nothing finer than {finest}.', {
        name: file.name,
        finest: formatThickness(FINEST, unit),
      })
    : (reading.error?.message ?? problem);
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="relief-title">
      <Box sx={{ padding: '20px 24px', display: 'flex', gap: 3, minWidth: 720, minHeight: 380 }}>
        <Picture src={read?.picture} stale={reading.isPlaceholderData} refused={refusal !== ''} />
        {photographed && (
          <Box
            component="img"
            src={photographed.face}
            alt={t('The tool in the photos')}
            sx={{ width: 220, maxHeight: 340, objectFit: 'contain' }}
          />
        )}
        <Box sx={{ flex: 1, display: 'flex', flexDirection: 'column', gap: '9px', fontSize: 13.5 }}>
          <Box id="relief-title" sx={{ fontFamily: type.head, fontWeight: 700, fontSize: 20 }}>
            {photographed
              ? t('Relief of {name}', { name: item.name })
              : t('{name} on {thing}', { name: file.name, thing: item.name })}
          </Box>
          <ReliefFields
            item={item}
            wish={wish}
            depthSd={depthSd}
            takeSize={takeSize}
            onWish={change}
            onDepthSd={setDepthSd}
            onTakeSize={setTakeSize}
          />
          {read && (
            <Box sx={{ color: colour.quiet }}>
              {t('{width} across, {count} along, {depth} high', {
                width: formatSize(read.width_mm, unit),
                count: formatSize(read.length_mm, unit),
                depth: formatThickness(read.depth_mm, unit),
              })}
              {read.blade_mm > 0 && t(', {blade} of blade', { blade: formatSize(read.blade_mm, unit) })}.
              {read.notes.map((note, index) => (
                <div key={index}>{inWords(note)}</div>
              ))}
            </Box>
          )}
          {refusal && (
            <Box role="alert" sx={{ color: colour.stop }}>
              {refusal}
            </Box>
          )}
          <Box sx={{ flex: 1 }} />
          <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end' }}>
            <Button color="inherit" onClick={onClose}>
              {t('Cancel')}
            </Button>
            <Button
              variant="contained"
              disabled={!read || reading.isPlaceholderData}
              onClick={() => void take()}
            >
              {t('Use this relief')}
            </Button>
          </Box>
        </Box>
      </Box>
    </Dialog>
  );
}

/** How a file is read at first: as what is likeliest, as large and as deep as the tool says. */
const firstWish = (item: Item, file: File, photographed: Photographed | undefined): ReliefWish => ({
  use: likelyUse(item, file.name),
  width_mm:
    photographed?.width ?? Math.round(item.width_mm * (usesOf(item)[0] === 'window' ? 50 : 100)) / 100,
  depth_mm:
    photographed?.depth ??
    (item.blade && !item.relief
      ? item.blade.height_mm
      : item.kind === 'motif'
        ? item.thickness.mm
        : (item.relief?.height_mm ?? 0.5)),
  shoulder_mm: item.kind === 'motif' ? 0.1 : 0.5,
  quarter_turns: 0,
  invert: false,
  mirror: false,
});

/** The relief as it is read, or why there is none yet. */
function Picture({ src, stale, refused }: { src: string | undefined; stale: boolean; refused: boolean }) {
  return (
    <Box
      sx={{
        width: 320,
        height: 340,
        background: colour.paper,
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      {src ? (
        <Box
          component="img"
          src={src}
          alt={t('The relief as read, hinge on top')}
          sx={{ maxWidth: 304, maxHeight: 324, opacity: stale ? 0.5 : 1 }}
        />
      ) : (
        <Box sx={{ color: colour.quiet, padding: 3 }}>
          {refused ? t('Nothing to show.') : t('Reading it …')}
        </Box>
      )}
    </Box>
  );
}
