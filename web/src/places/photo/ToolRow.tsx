import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { formatSides, useUnit } from '../../shared/units';
import { HAND } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { NEW_KINDS, typical } from '../shelf/newThing';
import { thicknessOf, type Correction, type Draft } from './photoTools';

const KINDS = NEW_KINDS.filter((kind) => typical(kind).item && kind !== 'sheet');

interface Props {
  number: number;
  draft: Draft;
  chosen: boolean;
  onChoose: () => void;
  onChange: (part: Partial<Draft>) => void;
  /** Something that its shape hangs on: kind, thickness, where its blade runs. */
  onCorrect: (part: Correction) => void;
}

/** One tool of a photo: its picture, its name, its kind, its thickness. */
export function ToolRow({ number, draft, chosen, onChoose, onChange, onCorrect }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const { tool, kind } = draft;
  const kinds = [...new Set([...tool.kinds, ...KINDS])];
  return (
    <Box
      component="li"
      onFocusCapture={onChoose}
      sx={{
        display: 'flex',
        [HAND]: { flexWrap: 'wrap' },
        alignItems: 'center',
        gap: '10px',
        padding: '5px 8px',
        borderBottom: `1px solid ${colour.hairline}`,
        background: chosen ? colour.panel : 'transparent',
        fontSize: 13.5,
      }}
    >
      <input
        type="checkbox"
        checked={draft.wanted}
        aria-label={t('Take tool {number}', { number })}
        onChange={(event) => onChange({ wanted: event.target.checked })}
      />
      <span style={{ width: 18, textAlign: 'right', fontWeight: 700 }}>{number}</span>
      <img src={tool.picture} alt="" style={{ width: 46, height: 46, objectFit: 'contain' }} />
      <Box sx={{ flex: 1, minWidth: 0, [HAND]: { flex: '1 0 55%' } }}>
        <InputBase
          value={draft.name}
          onChange={(event) => onChange({ name: event.target.value })}
          placeholder={t('Name')}
          inputProps={{ 'aria-label': t('Name of tool {number}', { number }), maxLength: 120 }}
          sx={{ width: '100%', borderBottom: `1px dotted ${colour.quiet}` }}
        />
        <span style={{ color: tool.cut_off ? colour.stop : colour.quiet }}>
          {tool.cut_off ? t('Sticks out of the frame') : formatSides(tool.width_mm, tool.length_mm, unit)}
        </span>
        {typical(kind).item?.blade && (
          <>
            {' · '}
            <QuietSelect
              label={t('Blade of tool {number}', { number })}
              value={draft.along}
              options={{ middle: t('blade in the middle'), edge: t('blade on the edge') }}
              onChange={(along) => onCorrect({ along: along as Draft['along'] })}
            />
          </>
        )}
        {draft.found && (
          <Button
            color="inherit"
            sx={{ padding: '0 6px', minWidth: 0 }}
            onClick={() => {
              const { found } = draft;
              if (found)
                onChange({
                  tool: found,
                  thickness: found.taken_as_mm,
                  found: undefined,
                  along: 'middle',
                  without: [],
                });
            }}
          >
            {t('as read')}
          </Button>
        )}
      </Box>
      <QuietSelect
        label={t('Kind of tool {number}', { number })}
        value={kind}
        options={Object.fromEntries(kinds.map((each) => [each, term(each)]))}
        onChange={(next) => onCorrect({ kind: next, thickness: thicknessOf(next) })}
      />
      <NumberField
        label=""
        name={t('Thickness of tool {number}', { number })}
        kind="thickness"
        value={draft.thickness}
        least={0.01}
        most={60}
        onValue={(thickness) => onCorrect({ thickness })}
      />
    </Box>
  );
}
