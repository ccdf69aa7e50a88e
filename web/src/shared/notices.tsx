import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { create } from 'zustand';
import { t } from '../words/words';

interface Notice {
  text: string;
  undo?: () => void;
}

/** What was just done or refused; kept outside of the places, so that it outlives a change of place. */
const useNotices = create<{ notice: Notice | undefined }>()(() => ({ notice: undefined }));

/** Says something, with a way back if there is one. */
export function say(text: string, undo?: () => void): void {
  useNotices.setState({ notice: { text, undo } });
}

const forget = () => useNotices.setState({ notice: undefined });

/** The bar at the foot of the page that says it. */
export function NoticeBar() {
  const notice = useNotices((state) => state.notice);
  const undo = () => {
    notice?.undo?.();
    forget();
  };
  return (
    <Snackbar
      open={notice !== undefined}
      message={notice?.text}
      autoHideDuration={notice?.undo ? 12_000 : 8_000}
      onClose={(_, reason) => reason !== 'clickaway' && forget()}
      action={
        <>
          {notice?.undo && (
            <Button color="inherit" onClick={undo}>
              {t('Undo')}
            </Button>
          )}
          <Button color="inherit" onClick={forget}>
            {t('Close')}
          </Button>
        </>
      }
    />
  );
}
