import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { keepPicture } from '../../api/gen/sdk.gen';
import type { Item } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { addresses } from '../../api/service';
import { HiddenFileInput, PHOTOS } from '../../shared/HiddenFileInput';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  item: Item;
  name: string;
  onChange: (item: Item) => void;
}

/** The picture by which a thing is recognised: given, exchanged, taken off; and the photo that it was found in. */
export function PicturePart({ item, name, onChange }: Props) {
  const keep = useMutation({
    // pictures are kept with the feed from top to bottom and shown with it from left to right
    mutationFn: (file: File) => keepPicture({ body: file, query: { quarter_turns: 1 } }),
    onSuccess: ({ id }) => onChange({ ...item, picture: id }),
    onError: (error) => say(asSentence(error, t('The picture'))),
  });
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', flexWrap: 'wrap', gap: 1 }}>
      <Button component="label" color="inherit" sx={{ color: colour.accent }} disabled={keep.isPending}>
        {item.picture ? t('Another picture') : t('Add a picture')}
        <HiddenFileInput
          accept={PHOTOS}
          label={t('Picture of {name}', { name })}
          onFile={(file) => keep.mutate(file)}
        />
      </Button>
      {item.picture && (
        <Button color="inherit" onClick={() => onChange({ ...item, picture: null })}>
          {t('Remove the picture')}
        </Button>
      )}
      {item.photo && (
        <a
          href={addresses.picture(item.photo)}
          target="_blank"
          rel="noreferrer"
          style={{ color: colour.accent }}
        >
          {t('The photo it came from')}
        </a>
      )}
    </Box>
  );
}
