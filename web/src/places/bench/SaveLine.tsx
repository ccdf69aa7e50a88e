import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEditor } from '../../sandwich/store';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** Whether the work is saved, in words. */
export function SaveLine() {
  const state = useEditor((editor) => editor.saveState);
  const message = useEditor((editor) => editor.saveMessage);
  const code = useEditor((editor) => editor.saveCode);
  const savedAt = useEditor((editor) => editor.savedAt);
  const open = useEditor((editor) => editor.id);
  if (!open) return null;
  const time = savedAt
    ? new Date(savedAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
    : '';
  const words = {
    saved: time ? t('saved {time}', { time }) : t('saved'),
    unsaved: t('saving soon'),
    saving: t('saving'),
    offline:
      code === 'disk-full'
        ? t("not saved: the disk is full. It's safe on this page")
        : t("not saved yet. It's safe on this page; trying again"),
    conflict: t('changed somewhere else too'),
    refused: t('not saved: {message}', { message }),
  }[state];
  const tone = state === 'saved' || state === 'saving' || state === 'unsaved' ? colour.quiet : colour.stop;
  return (
    <Box
      role="status"
      aria-live="polite"
      data-testid="save-state"
      data-state={state}
      title={message}
      sx={{
        color: tone,
        fontSize: 13,
        maxWidth: 330,
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        whiteSpace: 'nowrap',
      }}
    >
      {words}
    </Box>
  );
}

/** Two versions of one sandwich: say so and let the user choose; nothing is lost either way. */
export function ConflictBar() {
  const theirs = useEditor((editor) => editor.theirs);
  const takeTheirs = useEditor((editor) => editor.takeTheirs);
  const keepMine = useEditor((editor) => editor.keepMine);
  if (!theirs) return null;
  return (
    <Box
      role="alert"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        padding: '6px 24px',
        background: colour.stopWash,
        fontSize: 13.5,
      }}
    >
      <span>
        <b>{t('This sandwich has been changed somewhere else too.')}</b>{' '}
        {t('You still have both: if you take theirs, undo brings yours back.')}
      </span>
      <Box sx={{ flex: 1 }} />
      <Button onClick={takeTheirs}>{t('Take theirs')}</Button>
      <Button onClick={keepMine}>{t('Keep mine')}</Button>
    </Box>
  );
}
