import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { useEditor } from '../../sandwich/store';
import { Kbd } from '../../shared/Kbd';
import { FINGER, FINGERS, HAND, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { commands } from './commands';

const Line = styled('div')({
  display: 'flex',
  alignItems: 'center',
  padding: '0 16px 0 16px',
  color: colour.quiet,
  '& button': { fontSize: 12.5, fontWeight: 400, padding: '1px 6px' },
  '& kbd': { marginRight: 4 },
  '& span.space': { flex: 1 },
  [NARROW]: {
    flexWrap: 'wrap',
    padding: '0 6px',
    position: 'sticky',
    bottom: 0,
    zIndex: 1,
    background: colour.paper,
    borderTop: `1px solid ${colour.hairline}`,
  },
  [FINGERS]: {
    '& button': { fontSize: 14.5, minHeight: FINGER, minWidth: FINGER },
    '& kbd': { display: 'none' },
  },
  [HAND]: { '& [aria-pressed]': { display: 'none' } },
});

interface Props {
  trueScale: boolean;
  onAdd: () => void;
  onTrueScale: () => void;
  onHelp: () => void;
}

/** The commonest commands, as buttons that name their key. */
export function KeyHints({ trueScale, onAdd, onTrueScale, onHelp }: Props) {
  const canUndo = useEditor((editor) => editor.past.length > 0);
  const canRedo = useEditor((editor) => editor.future.length > 0);
  const buttons: [string, string, () => void, boolean][] = [
    ['a', 'add', onAdd, true],
    ['x', 'take out', commands.takeOut, true],
    ['t', 'turn', commands.turnOver, true],
    ['m', 'mist', () => commands.mist(0), true],
    ['u', 'undo', commands.undo, canUndo],
    ['U', 'redo', commands.redo, canRedo],
    ['?', 'keys', onHelp, true],
  ];
  return (
    <Line>
      {buttons.map(([key, meaning, work, enabled]) => (
        <Button key={key} color="inherit" disabled={!enabled} onClick={work} data-keys={key === '?'}>
          <Kbd>{key}</Kbd>
          {meaning}
        </Button>
      ))}
      <span className="space" />
      <Button color="inherit" aria-pressed={trueScale} onClick={onTrueScale}>
        {trueScale ? 'stretch heights' : 'true scale'}
      </Button>
    </Line>
  );
}
