import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import InputBase from '@mui/material/InputBase';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import { sandwichesQuery } from '../../api/queries';
import { effectName } from '../../sandwich/words';
import { Kbd } from '../../shared/Kbd';
import { HAND } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { ImportInput } from './ImportInput';
import { useSandwichActions } from './useSandwichActions';
import { t } from '../../words/words';

export const SANDWICH_MENU = 'sandwich-menu-button';

/** All sandwiches, for quick switching, and what can be done with the open one. */
export function SandwichMenu({ current }: { current: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [text, setText] = useState('');
  const list = useQuery(sandwichesQuery(text.trim()));
  const found = list.data?.sandwiches ?? [];
  const more = (list.data?.total ?? 0) - found.length;
  const file = useId();
  const actions = useSandwichActions();
  const navigate = useNavigate();
  const close = () => {
    setAnchor(null);
    setText('');
  };
  const and = (work: () => unknown) => () => {
    close();
    void work();
  };
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        id={SANDWICH_MENU}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {t('All sandwiches')}
        <Box component="span" aria-hidden sx={{ marginLeft: '5px', [HAND]: { display: 'none' } }}>
          <Kbd>s</Kbd>
        </Box>
      </Button>
      <ImportInput id={file} onFile={(chosen) => void actions.importFile(chosen)} />
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={close}
        transitionDuration={0}
        autoFocus={false}
        disableAutoFocusItem
        slotProps={{ paper: { sx: { maxHeight: 'calc(100vh - 110px)', minWidth: 340 } } }}
      >
        <Box component="li" role="none" sx={{ padding: '2px 16px 8px' }}>
          <InputBase
            fullWidth
            autoFocus
            value={text}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => {
              if (!['ArrowDown', 'ArrowUp', 'Escape', 'Tab'].includes(event.key)) event.stopPropagation();
              const first = found[0];
              if (event.key === 'Enter' && text.trim() && first) and(() => actions.open(first.id))();
            }}
            placeholder={t('Find by name, effect or press')}
            inputProps={{ 'aria-label': t('Find a sandwich'), maxLength: 120 }}
            sx={{ borderBottom: `1px solid ${colour.hairline}`, fontSize: 14 }}
          />
        </Box>
        {list.isSuccess && found.length === 0 && (
          <Box component="li" role="none" sx={{ padding: '4px 16px', color: colour.quiet }}>
            {text ? t('No sandwich is called “{text}”.', { text }) : t('No sandwich yet.')}
          </Box>
        )}
        {found.map((summary) => (
          <MenuItem
            key={summary.id}
            selected={summary.id === current}
            onClick={and(() => actions.open(summary.id))}
          >
            <Box sx={{ flex: 1 }}>{summary.name}</Box>
            <Box sx={{ color: colour.quiet, fontSize: 12, marginLeft: 3 }}>
              {effectName(summary.effect)} · {summary.press}
            </Box>
          </MenuItem>
        ))}
        {more > 0 && (
          <Box component="li" role="none" sx={{ padding: '4px 16px', color: colour.quiet, fontSize: 13 }}>
            {t('{more} more: type to find them.', { more })}
          </Box>
        )}
        <Divider />
        <MenuItem onClick={and(actions.makeNew)}>{t('New sandwich')}</MenuItem>
        <MenuItem onClick={and(actions.copy)}>{t('Copy this one')}</MenuItem>
        <MenuItem onClick={and(() => navigate(`/recipes/on-another-press/${current}`))}>
          {t('This one on another press…')}
        </MenuItem>
        <MenuItem onClick={and(actions.exportFile)}>{t('Export this one to a file')}</MenuItem>
        <MenuItem onClick={and(() => document.getElementById(file)?.click())}>{t('Import a file…')}</MenuItem>
        <MenuItem onClick={and(actions.remove)} sx={{ color: colour.stop }}>
          {t('Delete this one')}
        </MenuItem>
      </Menu>
    </>
  );
}
