import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Recipes } from '../../api/gen/types.gen';
import { download, fileName } from '../../shared/download';
import { say } from '../../shared/notices';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { WayColumn } from './WayColumn';
import { told } from '../../api/refusal';
import { cuttingFile } from '../../api/gen/sdk.gen';
import { written } from '../../api/making';
import { t } from '../../words/words';

type Nearly = Recipes['nearly'][number];

/** Nothing on the shelf works: what is missing, which one part would change that, and how near the nearest pile comes. */
export function NothingFound({ recipes, press }: { recipes: Recipes; press: string }) {
  const read = useWords();
  const { nearly, missing, closest } = recipes;
  return (
    <Box>
      <Typography variant="h1" data-testid="answer">
        {nearly.length > 0
          ? t('Nearly: with one more part it works on {press}.', { press })
          : t('Nothing on the shelf makes this on {press}.', { press })}
      </Typography>
      {missing.map((line, index) => (
        <Typography key={index} sx={{ marginTop: '6px' }}>
          {read(line)}
        </Typography>
      ))}
      {closest && (
        <Box sx={{ marginTop: '10px' }}>
          <Typography sx={{ color: colour.quiet }}>
            {t('The closest pile: {sentence}', { sentence: read(closest.sentence) })}
          </Typography>
        </Box>
      )}
      {nearly.length > 0 && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: `repeat(${Math.max(Math.min(nearly.length, 3), 2)}, minmax(0, 1fr))`,
            gap: '14px 20px',
            marginTop: '14px',
          }}
        >
          {nearly.map((part, index) => (
            <PartToGet key={part.part.kind} near={part} rank={index + 1} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function PartToGet({ near, rank }: { near: Nearly; rank: number }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const how = read(near.how);
  const range = t('{thinnest} to {thickest}', {
    thinnest: formatThickness(near.thinnest_mm, unit),
    thickest: formatThickness(near.thickest_mm, unit),
  });
  const cutting = () =>
    written(cuttingFile({ body: near.part, parseAs: 'text' }))
      .then((svg) => download(svg, fileName(near.part.name, 'svg'), 'image/svg+xml'))
      .catch((error: unknown) => say(told(error)));
  return (
    <Box component="section" aria-label={near.part.name}>
      <Typography variant="h2" sx={{ borderBottom: `1px solid ${colour.hairline}`, paddingBottom: '3px' }}>
        {near.source === 'made' ? t('Make: {name}', { name: lower(near.part.name) }) : near.part.name}
      </Typography>
      <Typography sx={{ margin: '6px 0 2px' }}>
        {how && `${how.charAt(0).toUpperCase()}${how.slice(1)}. `}
        <b>{range}</b> {t('thick works.')}
      </Typography>
      {near.part.windows.length > 0 && (
        <Button size="small" onClick={() => void cutting()}>
          {t('Cutting file (SVG)')}
        </Button>
      )}
      <WayColumn found={near.best} rank={rank} first={rank === 1} narrow={false} />
    </Box>
  );
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
