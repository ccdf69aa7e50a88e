import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { togetherQuery } from '../../api/queries';
import type { Feed, Item, Lying, Sandwich } from '../../api/gen/types.gen';
import { useEditor } from '../../sandwich/store';
import { added } from '../../sandwich/changes';
import { formatSize, useUnit } from '../../shared/units';
import { figure } from '../../words/figures';
import { QuietSelect } from '../../shared/QuietSelect';
import { SuggestionButton } from '../../sandwich/SuggestionButton';
import type { Change } from '../../sandwich/edits';
import { FOLDERS } from '../../sandwich/traits.gen';
import { colour } from '../../theme/tokens';
import { useFeedChoices } from './feedChoices';
import { Misfits } from './Misfits';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

const WORDS = {
  either: t('words either way'),
  'with the feed': t('words with the feed'),
  'along the rollers': t('words along the rollers'),
};
const FIRST = { either: t('either end first'), hinge: t('hinge first'), 'open edge': t('open edge first') };

interface Props {
  sandwich: Sandwich;
  lying: Lying;
  advice: Feed['advice'] | undefined;
}

/** What does not fit, and how it would better lie. */
export function LayPart({ sandwich, lying, advice }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const { first, words, set } = useFeedChoices();
  const leading = sandwich.layers.find((layer) => layer.id === lying.lead);
  const lead = leading && sandwich.items[leading.item];
  const folder = Object.values(sandwich.items).some((item) => FOLDERS.includes(item.kind));
  return (
    <Box>
      <Misfits lying={lying} />
      {lying.overlaps.map((overlap) => (
        <Box key={overlap.layers.join()} role="alert" sx={{ color: colour.stop, marginBottom: '4px' }}>
          <b>{t('{names} and {other}', { names: overlap.names[0], other: overlap.names[1] })}</b>{' '}
          {t('overlap by {area}, marked red. Both would be ruined: put them side by side.', {
            area: figure(overlap.area_mm2, 'area', unit),
          })}
          {lying.without_overlap[0] &&
            lying.without_overlap[0].length > 1 &&
            ` ${t('Placed like this, {together} fit together.', { together: lying.without_overlap[0].join(t(' and ')) })}`}
        </Box>
      ))}
      {advice === undefined && <Box sx={{ color: colour.quiet }}>{t('Trying the ways to place it …')}</Box>}
      {advice === null && (
        <Box sx={{ color: colour.quiet }}>{t("There's no tool and no sheet to move yet.")}</Box>
      )}
      {advice && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
          <Box data-testid="feed-advice" sx={{ flex: 1 }}>
            {read(advice.says)}
          </Box>
          {advice.suggestion && (
            <SuggestionButton suggestion={advice.suggestion} variant={advice.needed ? 'contained' : 'text'} />
          )}
        </Box>
      )}
      <Box sx={{ fontSize: 12.5, color: colour.quiet, marginTop: '4px' }}>
        {folder && (
          <>
            <QuietSelect
              label={t('Which end of the folder goes in first')}
              value={first}
              options={FIRST}
              onChange={(value) => set({ first: value as typeof first })}
            />
            {'. '}
            {first === 'open edge'
              ? t('The hinge keeps both halves together to the end.')
              : t(
                  "Hinge first, the sheet can't creep out and the rollers bite evenly. Open edge first, the hinge holds the halves together to the end.",
                )}{' '}
          </>
        )}
        {lying.leading_mm !== null && (
          <span title={t('Its width two millimeters behind its first point')}>
            {t('The rollers first meet {leading} of {whole} at once.', {
              leading: formatSize(lying.leading_mm, unit),
              whole: lying.leads ?? '',
            })}
          </span>
        )}{' '}
        {read(lying.words) && (
          <>
            <QuietSelect
              label={t('Which way its words run')}
              value={words}
              options={WORDS}
              onChange={(value) => set({ words: value as typeof words })}
            />{' '}
            {read(lying.words)}{' '}
          </>
        )}
        {advice &&
          advice.fitting > 0 &&
          t('{fitting} of {tried} turns fit.', { fitting: advice.fitting, tried: advice.tried })}
        {advice &&
          advice.by_sheet > 0 &&
          ` ${t('{by_sheet} more would if you trimmed the sheet.', { by_sheet: advice.by_sheet })}`}
      </Box>
      {lead?.blade && <Together sandwich={sandwich} lead={lying.lead ?? ''} />}
    </Box>
  );
}

/** What of the shelf can be cut in the same run, such as every other size of a nested set. */
function Together({ sandwich, lead }: { sandwich: Sandwich; lead: string }) {
  const edit = useEditor((editor) => editor.edit);
  const found = useQuery(togetherQuery(sandwich)).data ?? [];
  if (found.length === 0) return null;
  const add = (die: Item) =>
    edit((s) => {
      const at = s.layers.findIndex((layer) => layer.id === lead);
      const beside = s.layers[at];
      if (!beside) return [];
      const { x_mm, y_mm, rotation_deg, turned } = beside;
      const { edits, id } = added(s, die, at + 1);
      const over: Change[] = turned ? [{ op: 'turn over', layer: id }] : [];
      return [...edits, { op: 'set', layer: id, x_mm, y_mm, rotation_deg }, ...over];
    });
  return (
    <Box data-testid="together" sx={{ fontSize: 13 }}>
      {t('Cut these in the same run, around the same middle:')}{' '}
      {found.map((die) => (
        <Button key={die.shelf_id ?? die.name} onClick={() => add(die)} title={t('Add it')}>
          {die.name}
        </Button>
      ))}
    </Box>
  );
}
