import { styled } from '@mui/material/styles';
import { Kbd } from '../../shared/Kbd';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const Steps = styled('ol')({
  margin: '10px 0 0',
  padding: 0,
  listStyle: 'none',
  maxWidth: 560,
  '& li': {
    display: 'grid',
    gridTemplateColumns: '30px 1fr',
    padding: '9px 0',
    borderTop: `1px solid ${colour.hairline}`,
  },
  '& p': { margin: 0, color: colour.quiet },
});

const STEPS = [
  [t('What carries it'), t('A bed. For a thin die, a spacer and a hard plate too.')],
  [
    t('The tool and the sheet'),
    t(
      'A folder with the card between its halves, a die with its blade toward the card, or a motif under it.',
    ),
  ],
  [
    t('What presses on it'),
    t('A plate on top. For a line or a relief instead of a cut, a mat behind the card.'),
  ],
];

/** How to begin, while the bench is empty. */
export function FirstSteps() {
  return (
    <>
      <p>
        {t('Press')} <Kbd>a</Kbd> {t('and type, or drag from the shelf. From the bottom up:')}
      </p>
      <Steps>
        {STEPS.map(([title, text], index) => (
          <li key={title}>
            <b>{index + 1}</b>
            <div>
              <b>{title}</b>
              <p>{text}</p>
            </div>
          </li>
        ))}
      </Steps>
    </>
  );
}
