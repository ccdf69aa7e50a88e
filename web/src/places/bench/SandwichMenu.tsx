import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import { sandwichesQuery } from '../../api/queries';
import { Kbd } from '../../shared/Kbd';
import { colour } from '../../theme/tokens';
import { ImportInput } from './ImportInput';
import { useSandwichActions } from './useSandwichActions';

export const SANDWICH_MENU = 'sandwich-menu-button';

/** All sandwiches, for quick switching, and what can be done with the open one. */
export function SandwichMenu({ current }: { current: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const list = useQuery(sandwichesQuery);
  const file = useId();
  const actions = useSandwichActions();
  const navigate = useNavigate();
  const close = () => setAnchor(null);
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
        aria-label="All sandwiches"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        all&nbsp;<Kbd>s</Kbd>
      </Button>
      <ImportInput id={file} onFile={(chosen) => void actions.importFile(chosen)} />
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={close}
        transitionDuration={0}
        slotProps={{ paper: { sx: { maxHeight: 560, minWidth: 340 } } }}
      >
        {(list.data ?? []).map((summary) => (
          <MenuItem
            key={summary.id}
            selected={summary.id === current}
            onClick={and(() => actions.open(summary.id))}
          >
            <Box sx={{ flex: 1 }}>{summary.name}</Box>
            <Box sx={{ color: colour.quiet, fontSize: 12, marginLeft: 3 }}>
              {summary.effect} · {summary.press}
            </Box>
          </MenuItem>
        ))}
        <Divider />
        <MenuItem onClick={and(actions.makeNew)}>New sandwich</MenuItem>
        <MenuItem onClick={and(actions.copy)}>Copy this one</MenuItem>
        <MenuItem onClick={and(() => navigate(`/recipes/on-another-press/${current}`))}>
          This one on another press…
        </MenuItem>
        <MenuItem onClick={and(actions.exportFile)}>Export this one to a file</MenuItem>
        <MenuItem onClick={and(() => document.getElementById(file)?.click())}>Import a file…</MenuItem>
        <MenuItem onClick={and(actions.remove)} sx={{ color: colour.stop }}>
          Delete this one
        </MenuItem>
      </Menu>
    </>
  );
}
