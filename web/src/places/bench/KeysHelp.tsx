import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { Kbd } from '../../shared/Kbd';

const KEYS: [string[], string][] = [
  [['↑', '↓'], 'select a layer'],
  [['Alt ↑', 'Alt ↓'], 'move it'],
  [['a'], 'add from the shelf'],
  [['x'], 'take it out'],
  [['t'], 'turn it over'],
  [['r', 'Shift r'], 'turn it by 15°, and back'],
  [['m', 'Shift m'], 'mist the sheet, dry it'],
  [['i'], 'ink it: the next ink, then none'],
  [['1', '…', '9'], 'how many of it'],
  [['f', 'g', 'h', 'j', 'k'], 'apply a fix'],
  [['[', ']'], 'the look before, the next'],
  [['+', '−', '0'], 'enlarge the pressed sheet, reduce it, see all of it'],
  [['Tab', '← ↑ ↓ →'], 'take the lamp, the probe or the wipe, and move it'],
  [['← ↑ ↓ →'], 'on the bed: move the work by 1 mm, with Shift by 10'],
  [[',', '.', 'Enter'], 'on the bed: turn it by 5°, with Shift by 1°; lay it as advised'],
  [['u', 'Shift u'], 'undo, redo'],
  [['s'], 'another sandwich'],
  [['Esc'], 'end a drag, close a panel'],
  [['?'], 'this list'],
];

/** All keys of the bench. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title" transitionDuration={0}>
      <Box sx={{ padding: 3, minWidth: 420 }}>
        <Typography variant="h2" id="keys-title" sx={{ marginBottom: 2 }}>
          Keys on the bench
        </Typography>
        <Box
          component="dl"
          sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '7px 20px', margin: 0 }}
        >
          {KEYS.map(([keys, meaning]) => (
            <Box key={meaning} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ display: 'flex', gap: '4px' }}>
                {keys.map((key) => (
                  <Kbd key={key}>{key}</Kbd>
                ))}
              </Box>
              <Box component="dd" sx={{ margin: 0 }}>
                {meaning}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
    </Dialog>
  );
}
