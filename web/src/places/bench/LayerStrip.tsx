import Box from '@mui/material/Box';
import type { Layer, Sandwich } from '../../api/gen/types.gen';
import { NumberField } from '../../shared/NumberField';
import { itemOf, type Change } from '../../sandwich/edits';
import { useEditor } from '../../sandwich/store';
import { FINGER, FINGERS, NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { QuietSelect } from '../../shared/QuietSelect';
import { t } from '../../words/words';

const ROLES = { sheet: t('the sheet'), shim: t('a shim'), backing: t('a backing') };
const FACES = { back: 'back', front: 'front' };

/** Place and state of the selected layer, to be typed. */
export function LayerStrip({ sandwich, selected }: { sandwich: Sandwich; selected: string | undefined }) {
  const edit = useEditor((editor) => editor.edit);
  const layer = sandwich.layers.find((candidate) => candidate.id === selected);
  if (!layer) return <Box sx={{ height: 30 }} />;
  const item = itemOf(sandwich, layer);
  const change = (part: Omit<Extract<Change, { op: 'set' }>, 'op' | 'layer'>) =>
    edit([{ op: 'set', layer: layer.id, ...part }]);
  return (
    <Box
      aria-label={t('Selected: {name}', { name: item.name })}
      role="group"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: '10px',
        minHeight: 30,
        paddingLeft: '24px',
        [NARROW]: { flexWrap: 'wrap', rowGap: 0, padding: '0 12px' },
        [FINGERS]: { '& input, & select': { minHeight: FINGER } },
        fontSize: 12.5,
        color: colour.quiet,
        whiteSpace: 'nowrap',
      }}
    >
      <Box
        component="b"
        sx={{ color: colour.ink, maxWidth: 130, overflow: 'hidden', textOverflow: 'ellipsis' }}
      >
        {item.name}
      </Box>
      <NumberField
        label={t('along')}
        name={t('Place along the feed')}
        value={layer.x_mm}
        kind="size"
        least={-2000}
        most={2000}
        onValue={(x_mm) => change({ x_mm })}
      />
      <NumberField
        label={t('across')}
        name={t('Place across the feed')}
        value={layer.y_mm}
        kind="size"
        least={-2000}
        most={2000}
        onValue={(y_mm) => change({ y_mm })}
      />
      <NumberField
        label={t('turned')}
        name={t('Turned, in degrees')}
        value={layer.rotation_deg}
        kind="number"
        ending="°"
        least={-360}
        most={360}
        onValue={(rotation_deg) => change({ rotation_deg })}
      />
      {item.kind === 'sheet' && (
        <QuietSelect
          label={t('What this sheet is')}
          value={layer.role ?? 'sheet'}
          options={ROLES}
          onChange={(role) => change({ role: role as Layer['role'] })}
        />
      )}
      {layer.mist_age_s != null && (
        <>
          <NumberField
            label={t('misted')}
            name={t('Seconds since it was misted')}
            value={layer.mist_age_s}
            kind="number"
            ending=" s ago"
            least={0}
            most={86_400}
            onValue={(mist_age_s) => change({ mist_age_s })}
          />
          <QuietSelect
            label={t('Which face was misted')}
            value={layer.mist_face}
            options={FACES}
            onChange={(face) => change({ mist_face: face as Layer['mist_face'] })}
          />
        </>
      )}
    </Box>
  );
}
