import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { laid, type Placing, type Work } from '../../sandwich/placing';
import { useEditor } from '../../sandwich/store';
import { QuietSelect } from '../../shared/QuietSelect';
import { NumberField } from '../../shared/NumberField';
import { colour } from '../../theme/tokens';
import { useFeedChoices } from './feedChoices';
import { t } from '../../words/words';

/** Where the work lies, to be typed. */
export function PlaceLine({ now, work }: { now: Placing; work: Work }) {
  const edit = useEditor((editor) => editor.edit);
  const { snap, load, set } = useFeedChoices();
  const change = (part: Partial<Placing>) => edit((s) => laid(s, work, (lying) => ({ ...lying, ...part })));
  return (
    <Box
      role="group"
      aria-label={t('Where the work is: die, sheet and masks move as one')}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: '2px 14px',
        fontSize: 12.5,
        color: colour.quiet,
        alignItems: 'center',
      }}
    >
      <NumberField
        label={t('along')}
        name={t('Work along the feed')}
        value={now.x}
        kind="size"
        least={-2000}
        most={2000}
        onValue={(x) => change({ x })}
      />
      <NumberField
        label={t('across')}
        name={t('Work across the feed')}
        value={now.y}
        kind="size"
        least={-2000}
        most={2000}
        onValue={(y) => change({ y })}
      />
      <NumberField
        label={t('turned')}
        name={t('Work turned, in degrees')}
        value={now.turn}
        kind="number"
        ending="°"
        least={-360}
        most={360}
        onValue={(turn) => change({ turn })}
      />
      <ButtonBase
        role="switch"
        aria-checked={snap}
        onClick={() => set({ snap: !snap })}
        title={t('Dragging snaps to whole millimeters and five degrees. Hold Alt to move freely.')}
        sx={{
          fontSize: 12.5,
          color: snap ? colour.ink : colour.quiet,
          borderBottom: `2px solid ${snap ? colour.accent : 'transparent'}`,
        }}
      >
        {t('snap')}
      </ButtonBase>
      <Box component="span" sx={{ marginLeft: 'auto' }}>
        <QuietSelect
          label={t('What to show along the crank')}
          value={load}
          options={{
            'between the rollers': t("the rollers' load"),
            'at the handle': t('force at the handle'),
          }}
          onChange={(value) => set({ load: value as typeof load })}
        />
      </Box>
    </Box>
  );
}
