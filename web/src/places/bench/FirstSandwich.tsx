import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Notice } from '../../shared/Notice';
import { useSandwichActions } from './useSandwichActions';

/** The bench before there is any sandwich. */
export function FirstSandwich() {
  const actions = useSandwichActions();
  return (
    <Box sx={{ padding: 6 }}>
      <Notice
        title="A clear bench"
        text="Pile up what goes between the rollers, and see what it will do before any card is spoiled."
      >
        <Button variant="contained" onClick={() => void actions.makeNew()}>
          Start a sandwich
        </Button>
      </Notice>
    </Box>
  );
}
