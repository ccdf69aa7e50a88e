import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Drill } from '../../api/gen/types.gen';
import { Kbd } from '../../shared/Kbd';
import { NARROW } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  steps: Drill['steps'];
  /** Keys of those that were taken, in order. */
  order: string[];
  onOrder: (order: string[]) => void;
  still: boolean;
}

/** Things that are put in order: each that is taken goes to the end of the row; one that is touched there goes back. */
export function OrderDrill({ steps, order, onOrder, still }: Props) {
  const read = useWords();
  const left = steps.filter((step) => !order.includes(step.key));
  const take = (key: string | undefined) => {
    if (key !== undefined && !still) onOrder([...order, key]);
  };
  useHotkeys('1,2,3,4,5,6,7,8,9', (event) => take(left[Number(event.key) - 1]?.key));
  useHotkeys('backspace', () => !still && onOrder(order.slice(0, -1)), { preventDefault: true });
  const title = (key: string) => steps.find((step) => step.key === key)?.title;
  return (
    <Box sx={{ width: 580, flexShrink: 0, display: 'flex', gap: 3, [NARROW]: { width: '100%' } }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <h2 style={{ margin: '6px 0', fontSize: 15, color: colour.quiet }}>{t('In this order')}</h2>
        <Box
          component="ol"
          aria-label={t('In this order')}
          sx={{ margin: 0, padding: 0, listStyle: 'none', counterReset: 'step' }}
        >
          {steps.map((step, place) => {
            const key = order[place];
            const says = key === undefined ? undefined : title(key);
            return (
              <Box
                component="li"
                key={step.key}
                sx={{
                  display: 'flex',
                  alignItems: 'center',
                  gap: 1,
                  minHeight: 44,
                  borderBottom: `1px solid ${colour.hairline}`,
                }}
              >
                <Box sx={{ width: 22, color: colour.quiet, textAlign: 'right' }}>{place + 1}</Box>
                {key !== undefined && says && (
                  <Button
                    color="inherit"
                    disabled={still}
                    title={t('Touch it to take it back')}
                    onClick={() => onOrder(order.filter((one) => one !== key))}
                    sx={{
                      justifyContent: 'flex-start',
                      flex: 1,
                      fontSize: 15.5,
                      '&.Mui-disabled': { color: colour.ink },
                    }}
                  >
                    <Title>{read(says)}</Title>
                  </Button>
                )}
              </Box>
            );
          })}
        </Box>
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <h2 style={{ margin: '6px 0', fontSize: 15, color: colour.quiet }}>{t('Still to do')}</h2>
        <Box role="group" aria-label={t('Still to do')} sx={{ display: 'grid', gap: '6px' }}>
          {left.map((step, index) => (
            <Button
              key={step.key}
              variant="outlined"
              disabled={still}
              onClick={() => take(step.key)}
              sx={{ justifyContent: 'flex-start', fontSize: 15.5 }}
            >
              <Kbd style={{ marginRight: 10 }}>{index + 1}</Kbd>
              <Title>{read(step.title)}</Title>
            </Button>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

/** What is done, as the beginning of a line. */
function Title({ children }: { children: string }) {
  return (
    <Box component="span" sx={{ display: 'inline-block', '&::first-letter': { textTransform: 'uppercase' } }}>
      {children}
    </Box>
  );
}
