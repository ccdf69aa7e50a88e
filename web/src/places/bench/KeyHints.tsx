import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { useEditor } from '../../sandwich/store';
import { Kbd } from '../../shared/Kbd';
import { FINGER, FINGERS, HAND, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { BENCH_KEYS, type BenchActions } from './keys';
import { t } from '../../words/words';

const Line = styled('div')({
  display: 'flex',
  alignItems: 'center',
  padding: '0 16px 0 16px',
  color: colour.quiet,
  '& button': { fontSize: 12.5, fontWeight: 400, padding: '1px 6px', minHeight: 24, minWidth: 24 },
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
  bench: BenchActions;
  onTrueScale: () => void;
}

/** The commonest commands, as buttons that name their key. */
export function KeyHints({ trueScale, bench, onTrueScale }: Props) {
  const can = {
    past: useEditor((editor) => editor.past.length > 0),
    future: useEditor((editor) => editor.future.length > 0),
  };
  return (
    <Line>
      {BENCH_KEYS.filter((key) => key.hint).map((key) => (
        <Button
          key={key.hint}
          color="inherit"
          disabled={key.needs ? !can[key.needs] : false}
          onClick={(event) => Object.values(key.does ?? {})[0]?.(event.nativeEvent as never, bench)}
          data-keys={key.hint === 'keys'}
        >
          <Kbd>{key.shown[0]?.replace('Shift u', 'U')}</Kbd>
          {key.hint}
        </Button>
      ))}
      <span className="space" />
      <Button color="inherit" aria-pressed={trueScale} onClick={onTrueScale}>
        {trueScale ? t('stretch heights') : t('true scale')}
      </Button>
    </Line>
  );
}
