import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { categoryQuery } from '../../api/queries';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { nameOf } from './fields';
import { t } from '../../words/words';

interface Props {
  press: string;
  onPress: (id: string) => void;
  tool: string;
  onTool: (id: string) => void;
}

/** Shows only what passes a press, and only plates, mats and stocks that a tool lies on whole. */
export function Fitting({ press, onPress, tool, onTool }: Props) {
  const presses = useQuery(categoryQuery('press')).data ?? [];
  const tools = useQuery(categoryQuery('tool')).data ?? [];
  const named = (none: string, entries: typeof presses) => ({
    '': none,
    ...Object.fromEntries(entries.map((entry) => [entry.id, nameOf(entry)])),
  });
  return (
    <Box sx={{ fontSize: 13.5, color: colour.quiet, whiteSpace: 'nowrap' }}>
      {t('fits through')}{' '}
      <QuietSelect
        label={t('What fits through this press')}
        value={press}
        options={named(t('any press'), presses)}
        onChange={onPress}
      />{' '}
      {t('fits')}{' '}
      <QuietSelect
        label={t('What fits this tool')}
        value={tool}
        options={named(t('any tool'), tools)}
        onChange={onTool}
      />
    </Box>
  );
}
