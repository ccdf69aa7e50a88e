import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Item, ShelfWrite } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { colour } from '../../theme/tokens';
import { ReliefDialog } from './ReliefDialog';
import { ReliefPhotos } from './ReliefPhotos';
import type { Photographed } from './useReliefPhotos';
import { usesOf } from './reliefUse';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { t } from '../../words/words';

interface Props {
  item: Item;
  name: string;
  onChange: (write: ShelfWrite) => void;
}

function wordsFor(item: Item, shown: number): string {
  if (usesOf(item)[0] === 'window') return t('Windows from an SVG');
  return shown > 0 ? t('Another relief from a file') : t('Add its relief: PNG, TIFF, SVG or STL');
}

/** What a tool's relief or blade looks like, and a way to show it to the program. */
export function ReliefPart({ item, name, onChange }: Props) {
  const [file, setFile] = useState<File>();
  const [photographing, setPhotographing] = useState(false);
  const [photographed, setPhotographed] = useState<Photographed>();
  if (usesOf(item).length === 0) return null;
  const shown = [item.relief?.map, item.blade?.map].filter((key): key is string => !!key);
  return (
    <Box sx={{ flexBasis: '100%', display: 'flex', gap: 2, alignItems: 'center', padding: '4px 0' }}>
      {shown.map((key) => (
        <Box
          component="img"
          key={key}
          src={addresses.relief(key)}
          alt={t('Relief of {name}', { name })}
          sx={{ height: 96, maxWidth: 160, objectFit: 'contain', border: `1px solid ${colour.hairline}` }}
        />
      ))}
      <Button component="label" color="inherit" sx={{ color: colour.accent }}>
        {wordsFor(item, shown.length)}
        <HiddenFileInput
          accept=".png,.tif,.tiff,.svg,.stl"
          label={t('Relief file of {name}', { name })}
          onFile={setFile}
        />
      </Button>
      {item.relief && (
        <Button color="inherit" sx={{ color: colour.accent }} onClick={() => setPhotographing(true)}>
          {t('Photograph its relief')}
        </Button>
      )}
      {photographing && (
        <ReliefPhotos
          item={item}
          onClose={() => setPhotographing(false)}
          onDone={(found) => {
            setPhotographing(false);
            setPhotographed(found);
            setFile(found.file);
          }}
        />
      )}
      {file && (
        <ReliefDialog
          key={`${file.name} ${file.lastModified}`}
          file={file}
          item={item}
          photographed={photographed?.file === file ? photographed : undefined}
          onClose={() => setFile(undefined)}
          onUse={(changed) => {
            onChange({ item: changed });
            setFile(undefined);
          }}
        />
      )}
    </Box>
  );
}
