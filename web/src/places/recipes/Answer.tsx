import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Found as FoundRecipe, Item, Recipes } from '../../api/gen/types.gen';
import { lookOf, ToolLook } from '../../sandwich/ToolLook';
import { PileDrawing } from '../../sandwich/PileDrawing';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { NothingFound } from './NothingFound';
import { WayColumn } from './WayColumn';
import { useWords } from '../../shared/useWords';
import { asSentence } from '../../api/refusal';
import { t } from '../../words/words';

interface Props {
  recipes: Recipes | undefined;
  error: Error | null;
  waiting: boolean;
  press: string;
}

/** The sandwiches that work, a tool at a time, the schools side by side. */
export function Answer({ recipes, error, waiting, press }: Props) {
  const read = useWords();
  if (error)
    return (
      <Box role="alert">
        <Notice title={t("Those wishes don't go together.")} text={asSentence(error)} />
      </Box>
    );
  if (!recipes)
    return <Notice title={t('Trying the shelf')} text={t('Judging every pile that could work.')} />;
  if (recipes.found.length === 0) return <NothingFound recipes={recipes} press={press} />;
  const tools = grouped(recipes.found);
  const first = recipes.found[0];
  return (
    <Box aria-busy={waiting} sx={{ opacity: waiting ? 0.6 : 1 }}>
      <Typography variant="h1" data-testid="answer" sx={{ marginBottom: '2px' }}>
        {first && `${first.tool_name}, ${lower(read(first.way_title))}.`}
      </Typography>
      <Typography sx={{ color: colour.quiet, marginBottom: '10px' }}>
        {t('The best on {press} of {choices} piles your shelf can make.', {
          press,
          choices: recipes.choices.toLocaleString('en'),
        })}
        {first?.before_next && ` ${read(first.before_next)}`}
      </Typography>
      {tools.map(({ name, ways }) => (
        <Box component="section" key={name} aria-label={name} sx={{ marginBottom: '18px' }}>
          <Typography
            variant="h2"
            sx={{
              borderBottom: `1px solid ${colour.hairline}`,
              paddingBottom: '3px',
              display: 'flex',
              alignItems: 'center',
              gap: 1.5,
            }}
          >
            <Shown item={toolOf(ways[0]?.found)} />
            {name}
          </Typography>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: `repeat(${Math.max(ways.length, 2)}, minmax(0, 1fr))`,
              '& > * + *': { borderLeft: `1px solid ${colour.hairline}`, paddingLeft: '16px' },
              '& > *': { paddingRight: '16px' },
            }}
          >
            {ways.map(({ found, rank }) => (
              <WayColumn
                key={found.way}
                found={found}
                rank={rank}
                first={found === first}
                narrow={ways.length > 3}
              />
            ))}
            {ways.length === 1 && ways[0] && (
              <Box sx={{ display: { xs: 'none', md: 'block' }, paddingTop: '12px' }}>
                <PileDrawing sandwich={ways[0].found.sandwich} />
              </Box>
            )}
          </Box>
        </Box>
      ))}
      {recipes.missing.length > 0 && (
        <Box sx={{ color: colour.quiet, fontSize: 13 }}>
          {t('Other ways need: {missing}', { missing: recipes.missing.map(read).join(' ') })}
        </Box>
      )}
    </Box>
  );
}

/** The tool beside its name, where there is anything to show. */
function Shown({ item }: { item: Item | undefined }) {
  return item && lookOf(item) ? <ToolLook item={item} width={56} height={38} /> : null;
}

/** The tool of a sandwich, with its look. */
const toolOf = (found: FoundRecipe | undefined): Item | undefined =>
  found &&
  Object.values(found.sandwich.items).find(
    (item) => item.shelf_id === found.tool || item.name === found.tool_name,
  );

/** Sandwiches by tool, in the order of each tool's best; ranks count within a tool. */
function grouped(found: FoundRecipe[]) {
  const tools = new Map<string, { name: string; ways: { found: FoundRecipe; rank: number }[] }>();
  found.forEach((one) => {
    const group = tools.get(one.tool) ?? { name: one.tool_name, ways: [] };
    group.ways.push({ found: one, rank: group.ways.length + 1 });
    tools.set(one.tool, group);
  });
  return [...tools.values()];
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
