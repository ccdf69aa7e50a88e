import Box from '@mui/material/Box';
import type { Item } from '../../api/gen/types.gen';
import type { ReliefWish } from '../../api/types';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { t } from '../../words/words';
import { USE_NAMES, usesOf, type ReliefUse } from './reliefUse';

const TURNS = {
  '0': t('as it is'),
  '1': t('quarter turn left'),
  '2': t('half turn'),
  '3': t('quarter turn right'),
};
export const BY_CALIPER = 0.05; // mm; how far off a depth is that somebody measured

interface Props {
  item: Item;
  wish: ReliefWish;
  /** Standard deviation of the depth. [mm] */
  depthSd: number;
  /** Whether the tool takes the relief's size. */
  takeSize: boolean;
  onWish: (part: ReliefWish) => void;
  onDepthSd: (mm: number) => void;
  onTakeSize: (so: boolean) => void;
}

/** How a file is to be read: as what, how large, how deep, how it lies. */
export function ReliefFields({ item, wish, depthSd, takeSize, onWish, onDepthSd, onTakeSize }: Props) {
  return (
    <>
      <div>
        {t('read as')}{' '}
        <QuietSelect
          label={t('Read as')}
          value={wish.use ?? 'relief'}
          options={Object.fromEntries(usesOf(item).map((use) => [use, USE_NAMES[use]]))}
          onChange={(use) => onWish({ use: use as ReliefUse })}
        />
      </div>
      <NumberField
        label={t('across the feed')}
        name={t('Width of the relief')}
        kind="size"
        value={wish.width_mm ?? 100}
        least={1}
        most={2000}
        onValue={(width_mm) => onWish({ width_mm })}
      />
      <NumberField
        label={t('highest part')}
        name={t('Depth of the relief')}
        kind="thickness"
        value={wish.depth_mm ?? 0.5}
        least={0.02}
        most={60}
        onValue={(depth_mm) => {
          onWish({ depth_mm });
          onDepthSd(BY_CALIPER);
        }}
      />
      {item.relief && wish.use !== 'window' && wish.use !== 'blade' && (
        <NumberField
          label={t('give or take')}
          name={t('How far off its depth may be')}
          kind="thickness"
          value={depthSd}
          least={0}
          most={5}
          onValue={onDepthSd}
        />
      )}
      {wish.use === 'plateau' && (
        <NumberField
          label={t('shoulder')}
          name={t('Shoulder of the plateau')}
          kind="thickness"
          value={wish.shoulder_mm ?? 0.2}
          least={0}
          most={10}
          onValue={(shoulder_mm) => onWish({ shoulder_mm })}
        />
      )}
      <div>
        {t('placed')}{' '}
        <QuietSelect
          label={t('Turn')}
          value={String(wish.quarter_turns ?? 0)}
          options={TURNS}
          onChange={(turns) => onWish({ quarter_turns: Number(turns) })}
        />
      </div>
      <Box sx={{ display: 'flex', gap: 2 }}>
        <Tick
          label={t('swap left and right')}
          on={wish.mirror ?? false}
          onChange={(mirror) => onWish({ mirror })}
        />
        {wish.use === 'relief' && (
          <Tick
            label={t('dark is high')}
            on={wish.invert ?? false}
            onChange={(invert) => onWish({ invert })}
          />
        )}
      </Box>
      {wish.use !== 'window' && (
        <Tick label={t('the tool has this size')} on={takeSize} onChange={onTakeSize} />
      )}
    </>
  );
}

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label>
      <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} /> {label}
    </label>
  );
}
