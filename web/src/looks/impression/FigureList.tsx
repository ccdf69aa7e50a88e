import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import { memo } from 'react';
import type { ImpressionFigures } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';

const TONES: Record<string, string> = { fine: colour.ink, watch: colour.warn, bad: colour.stop };

interface Props {
  first: ImpressionFigures;
  second: ImpressionFigures | undefined;
  names: [string, string] | undefined;
  coarse: boolean;
}

/** The figures of one sheet, or of two side by side; each says what it means and what would improve it. */
export const FigureList = memo(function FigureList({ first, second, names, coarse }: Props) {
  const read = useWords();
  const others = new Map(second?.words.map((row) => [row.name.say, row]) ?? []);
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 13,
        '& td, & th': { padding: '4px 0', verticalAlign: 'baseline' },
      }}
      data-testid="figures"
    >
      {names && (
        <thead>
          <Box component="tr" sx={{ '& th': { fontWeight: 400, color: colour.quiet, textAlign: 'right' } }}>
            <th />
            <th scope="col">{names[0]}</th>
            <th scope="col">{second ? names[1] : `${names[1]} …`}</th>
          </Box>
        </thead>
      )}
      <tbody>
        {first.words.map((row) => (
          <Box component="tr" key={row.name.say} sx={{ borderBottom: `1px solid ${colour.hairline}` }}>
            <Box component="th" scope="row" sx={{ fontWeight: 400, color: colour.quiet, textAlign: 'left' }}>
              <Tooltip describeChild title={`${read(row.meaning)} ${read(row.improve)}`} placement="left">
                <Box component="span" tabIndex={0} sx={{ borderBottom: `1px dotted ${colour.hairline}` }}>
                  {read(row.name)}
                </Box>
              </Tooltip>
            </Box>
            <Value text={read(row.value)} grade={row.grade} coarse={coarse} />
            {names && (
              <Value
                text={read(others.get(row.name.say)?.value)}
                grade={others.get(row.name.say)?.grade ?? 'fine'}
                coarse={false}
              />
            )}
          </Box>
        ))}
      </tbody>
    </Box>
  );
});

function Value({ text, grade, coarse }: { text: string; grade: string; coarse: boolean }) {
  return (
    <Box
      component="td"
      sx={{
        textAlign: 'right',
        fontWeight: 700,
        color: TONES[grade],
        fontStyle: coarse ? 'italic' : 'normal',
        paddingLeft: '8px !important',
      }}
    >
      {text}
    </Box>
  );
}
