import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Lying } from '../../api/client';
import { changeItem } from '../../sandwich/operations';
import type { Placing, Work } from '../../sandwich/placing';
import { useEditor } from '../../sandwich/store';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';

type Misfit = Lying['misfits'][number];

interface Props {
  lying: Lying;
  work: Work | undefined;
  onLay: (to: (now: Placing) => Placing) => void;
}

/** What does not fit: what can be mended first, each with its mend; the rest of it in one line. */
export function Misfits({ lying, work, onLay }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const edit = useEditor((editor) => editor.edit);
  const turns = (misfit: Misfit) => misfit.turned_deg !== null && work?.moving.has(misfit.layer);
  const centred = Math.abs(lying.placing?.x_mm ?? 0) < 0.5 && Math.abs(lying.placing?.y_mm ?? 0) < 0.5;
  const mended = lying.misfits.filter((misfit) => turns(misfit) || misfit.trim_mm);
  const rest = lying.misfits.filter((misfit) => !mended.includes(misfit));
  const trim = (misfit: Misfit, [width_mm, length_mm]: [number, number]) =>
    edit((s) => changeItem(s, misfit.layer, { width_mm, length_mm }));
  return (
    <Box sx={{ color: colour.stop }}>
      {mended.map((misfit) => (
        <Box key={misfit.layer} role="alert">
          <b>{misfit.name}</b> is {formatSize(misfit.over_mm, unit)} over what {misfit.where}{' '}
          {misfit.where === 'its plates' ? 'take' : 'takes'}.{' '}
          {turns(misfit) && (misfit.turned_deg || !centred) && (
            <Button
              onClick={() => onLay((now) => ({ x: 0, y: 0, turn: now.turn + (misfit.turned_deg ?? 0) }))}
            >
              {misfit.turned_deg ? `Turn it by ${misfit.turned_deg.toFixed(0)}° and centre it` : 'Centre it'}
            </Button>
          )}
          {misfit.trim_mm && (
            <Button onClick={() => misfit.trim_mm && trim(misfit, misfit.trim_mm)}>
              Trim it to {formatSize(misfit.trim_mm[0], unit)} by {formatSize(misfit.trim_mm[1], unit)}
            </Button>
          )}
        </Box>
      ))}
      {rest.length > 0 && (
        <Box role="alert">
          <b>{rest.map((misfit) => misfit.name).join(', ')}</b>: up to{' '}
          {formatSize(Math.max(...rest.map((misfit) => misfit.over_mm)), unit)} over what{' '}
          {[...new Set(rest.map((misfit) => misfit.where))].join(' or ')}{' '}
          {rest.some((m) => m.where === 'its plates') ? 'take' : 'takes'}, however turned. Use narrower ones,
          or a wider press.
        </Box>
      )}
    </Box>
  );
}
