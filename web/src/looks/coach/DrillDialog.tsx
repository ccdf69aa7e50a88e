import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { writeGivenDrill } from '../../api/gen/sdk.gen';
import type { Cause, Sandwich } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { download, fileName } from '../../shared/download';
import { Segments } from '../../shared/Segments';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const FORMS = ['choose', 'build'] as const;

/** A drill for others: what is asked of this pile with a mistake in it, and a note; saved as a file. */
export function DrillDialog({
  sandwich,
  cause,
  onClose,
}: {
  sandwich: Sandwich;
  cause: Cause;
  onClose: () => void;
}) {
  const read = useWords();
  const [name, setName] = useState(sandwich.name);
  const [note, setNote] = useState('');
  const stuck = cause.over_mm !== null;
  const [form, setForm] = useState<(typeof FORMS)[number]>(stuck ? 'build' : 'choose');
  const save = useMutation({
    mutationFn: () =>
      writeGivenDrill({
        body: {
          format: 'lofty-press-drill',
          version: 1,
          name: name.trim(),
          note,
          meant: sandwich,
          cause: cause.key,
          form,
          reliefs: {},
        },
      }),
    onSuccess: (made) => {
      download(
        `${JSON.stringify(made, null, 1)}\n`,
        fileName(t('Drill {name}', { name: name.trim() }), 'json'),
        'application/json',
      );
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="drill-title">
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
        sx={{ padding: '18px 24px', width: 460, maxWidth: '100%', display: 'grid', gap: '12px' }}
      >
        <h2 id="drill-title" style={{ margin: 0 }}>
          {t('A drill for others')}
        </h2>
        <Box sx={{ color: colour.quiet }}>{read(cause.title)}</Box>
        <label>
          {t('Title')}
          <input
            value={name}
            maxLength={120}
            required
            onChange={(event) => setName(event.target.value)}
            style={{ font: 'inherit', width: '100%', padding: '4px 8px' }}
          />
        </label>
        <Segments
          label={t('Question')}
          value={form}
          options={FORMS}
          names={{ choose: t('what went wrong, from the sheet'), build: t('build it right') }}
          onChange={setForm}
        />
        <label>
          {t('A note to the learner')}
          <textarea
            value={note}
            maxLength={2000}
            rows={3}
            onChange={(event) => setNote(event.target.value)}
            style={{ font: 'inherit', width: '100%', padding: '4px 8px', resize: 'vertical' }}
          />
        </label>
        {save.error && (
          <Box role="alert" sx={{ color: colour.stop }}>
            {asSentence(save.error, t('The drill'))}
          </Box>
        )}
        <Box sx={{ textAlign: 'right' }}>
          <Button color="inherit" onClick={onClose}>
            {t('Cancel')}
          </Button>{' '}
          <Button type="submit" variant="contained" disabled={save.isPending || name.trim() === ''}>
            {t('Save the file')}
          </Button>
        </Box>
      </Box>
    </Dialog>
  );
}
