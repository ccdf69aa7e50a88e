import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Item } from '../../api/gen/types.gen';
import { readRelief } from '../../api/gen/sdk.gen';
import type { ReliefWish } from '../../api/types';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { formatSize, formatThickness, useUnit } from '../../shared/units';
import { colour, type } from '../../theme/tokens';
import { likelyUse, USE_NAMES, usesOf, withRelief, type ReliefUse } from './reliefUse';
import type { Photographed } from './ReliefPhotos';
import { told } from '../../api/refusal';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

const TURNS = {
  '0': t('as it is'),
  '1': t('quarter turn left'),
  '2': t('half turn'),
  '3': t('quarter turn right'),
};
const LARGEST_FILE = 24_000_000; // bytes, as the service has it
const FINEST = 0.2; // mm; what a press shows
const BY_CALIPER = 0.05; // mm; how far off a depth is that somebody measured

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
  const [wish, setWish] = useState<ReliefWish>(() => ({
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
  }));
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
          {read ? (
            <Box
              component="img"
              src={read.picture}
              alt={t('The relief as read, hinge on top')}
              sx={{ maxWidth: 304, maxHeight: 324, opacity: reading.isPlaceholderData ? 0.5 : 1 }}
            />
          ) : (
            <Box sx={{ color: colour.quiet, padding: 3 }}>
              {refusal ? t('Nothing to show.') : t('Reading it …')}
            </Box>
          )}
        </Box>
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
          <div>
            {t('read as')}{' '}
            <QuietSelect
              label={t('Read as')}
              value={wish.use ?? 'relief'}
              options={Object.fromEntries(usesOf(item).map((use) => [use, USE_NAMES[use]]))}
              onChange={(use) => change({ use: use as ReliefUse })}
            />
          </div>
          <NumberField
            label={t('across the feed')}
            name={t('Width of the relief')}
            kind="size"
            value={wish.width_mm ?? 100}
            least={1}
            most={2000}
            onValue={(width_mm) => change({ width_mm })}
          />
          <NumberField
            label={t('highest part')}
            name={t('Depth of the relief')}
            kind="thickness"
            value={wish.depth_mm ?? 0.5}
            least={0.02}
            most={60}
            onValue={(depth_mm) => {
              change({ depth_mm });
              setDepthSd(BY_CALIPER);
            }}
          />
          {item.relief && wish.use !== 'window' && wish.use !== 'blade' && (
            <NumberField
              label={t('give or take')}
              name={t('How far off its depth may be')}
              kind="thickness"
              value={depthSd}
              least={0}
              most={5}
              onValue={setDepthSd}
            />
          )}
          {wish.use === 'plateau' && (
            <NumberField
              label={t('shoulder')}
              name={t('Shoulder of the plateau')}
              kind="thickness"
              value={wish.shoulder_mm ?? 0.2}
              least={0}
              most={10}
              onValue={(shoulder_mm) => change({ shoulder_mm })}
            />
          )}
          <div>
            {t('placed')}{' '}
            <QuietSelect
              label={t('Turn')}
              value={String(wish.quarter_turns ?? 0)}
              options={TURNS}
              onChange={(turns) => change({ quarter_turns: Number(turns) })}
            />
          </div>
          <Box sx={{ display: 'flex', gap: 2 }}>
            <Tick
              label={t('swap left and right')}
              on={wish.mirror ?? false}
              onChange={(mirror) => change({ mirror })}
            />
            {wish.use === 'relief' && (
              <Tick
                label={t('dark is high')}
                on={wish.invert ?? false}
                onChange={(invert) => change({ invert })}
              />
            )}
          </Box>
          {wish.use !== 'window' && (
            <Tick label={t('the tool has this size')} on={takeSize} onChange={setTakeSize} />
          )}
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
              {t("Don't log it")}
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

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label>
      <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} /> {label}
    </label>
  );
}
