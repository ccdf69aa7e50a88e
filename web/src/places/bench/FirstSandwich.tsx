import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { categoryQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { ImportInput } from './ImportInput';
import { useSandwichActions } from './useSandwichActions';
import { t } from '../../words/words';

const IMPORT = 'first-import';

/** The bench before there is any sandwich; without a press on the shelf the way leads there first. */
export function FirstSandwich() {
  const actions = useSandwichActions();
  const shelf = useQuery(categoryQuery('press'));
  const ready = shelf.data?.some((entry) => entry.press);
  const text = ready
    ? t('Stack what goes between the rollers, and see what happens before you spoil any card.')
    : t(
        "Set out your press room first: five minutes, no numbers you don't know. Then stack what goes between the rollers.",
      );
  return (
    <Box sx={{ padding: 6 }}>
      <Notice title={t('A clear bench')} text={text}>
        {ready ? (
          <Button variant="contained" onClick={() => void actions.makeNew()}>
            {t('Start a sandwich')}
          </Button>
        ) : (
          <>
            <Button variant="contained" component={Link} to="/set-out">
              {t('Set out your press')}
            </Button>
            <Button sx={{ marginLeft: 2 }} component={Link} to="/shelf">
              {t('Go to the shelf')}
            </Button>
          </>
        )}
        <Button sx={{ marginLeft: 2 }} onClick={() => document.getElementById(IMPORT)?.click()}>
          {t('Import a sandwich file…')}
        </Button>
        <ImportInput id={IMPORT} onFile={(file) => void actions.importFile(file)} />
      </Notice>
    </Box>
  );
}
