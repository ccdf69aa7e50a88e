import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useState } from 'react';
import type { NextRun, PlateSummary, Sandwich } from '../../api/gen/types.gen';
import { measureBow, retirePlate } from '../../api/gen/sdk.gen';
import type { PlateFace } from '../../api/types';
import { NEXT_RUN, PLATES, platesQuery, WEAR } from '../../api/queries';
import { SuggestionButton } from '../../sandwich/SuggestionButton';
import { NumberField } from '../../shared/NumberField';
import { say } from '../../shared/notices';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { told } from '../../api/refusal';
import { t } from '../../words/words';

interface Props {
  sandwich: Sandwich;
  next: NextRun | null | undefined;
  /** False while what is shown is still that of the sandwich before a change. */
  fresh: boolean;
  /** The face whose map is drawn. */
  shown: PlateSide | undefined;
  onShow: (side: PlateSide) => void;
}

/** One face of a plate on the shelf. */
export interface PlateSide {
  id: string;
  face: PlateFace;
}

/** What the plates of this sandwich remember, and where the next run should lie on them. */
export function PlatesPart({ sandwich, next, fresh, shown, onShow }: Props) {
  const plates = useQuery(platesQuery);
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const ids = new Set(Object.values(sandwich.items).map((item) => item.shelf_id));
  const here = plates.data?.filter((plate) => ids.has(plate.item_id)) ?? [];
  const best = next?.options[0];
  if (plates.isError && !plates.data)
    return <Box role="alert">{t("Can't read the plates' history just now. Trying again.")}</Box>;
  return (
    <Box>
      {next && (
        <Box sx={{ marginBottom: '6px' }}>
          {next.says.map((sentence, index) => (
            <Box key={index} sx={{ color: colour.warn }}>
              {read(sentence)}
            </Box>
          ))}
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
            <Box data-testid="next-run" sx={{ flex: 1 }}>
              {t(
                'If you press here, the worst spot on {name} will have been cut over {worst} times, and {bow}.',
                {
                  name: next.name,
                  worst: next.as_it_lies.worst.toFixed(2),
                  bow: bowWords(next.as_it_lies.bow_mm, unit),
                },
              )}{' '}
              {best
                ? t('{part} the work at {x} along, {y} across, turned {turn}°: {worst} times and {bow}.', {
                    part: best.turned_over ? t('Turned over, and with') : t('With'),
                    x: best.placing.x_mm.toFixed(0),
                    y: best.placing.y_mm.toFixed(0),
                    turn: best.placing.turn_deg.toFixed(0),
                    worst: best.after.worst.toFixed(2),
                    bow: bowWords(best.after.bow_mm, unit),
                  })
                : t('No other spot on it is better.')}
            </Box>
            {best && <SuggestionButton suggestion={best.suggestion} variant="contained" disabled={!fresh} />}
          </Box>
        </Box>
      )}
      {next === null && here.length === 0 && (
        <Box sx={{ color: colour.quiet }}>
          {t(
            'No blade of this sandwich has met a plate from the shelf yet. Every run you finish At the press is logged: where, which face, how deep.',
          )}
        </Box>
      )}
      {here.map((plate) => (
        <PlateRow key={plate.item_id} plate={plate} shown={shown} onShow={onShow} />
      ))}
    </Box>
  );
}

/** A bow in words: how far, and to which side it is hollow. */
function bowWords(mm: number, unit: 'mm' | 'in'): string {
  if (Math.abs(mm) < 0.005) return t('flat');
  return t('bowed by {amount}, hollow on its {part}', {
    amount: formatThickness(Math.abs(mm), unit),
    part: mm > 0 ? t('back') : t('face'),
  });
}

function PlateRow({
  plate,
  shown,
  onShow,
}: {
  plate: PlateSummary;
  shown: PlateSide | undefined;
  onShow: (side: PlateSide) => void;
}) {
  const unit = useUnit((choice) => choice.unit);
  const client = useQueryClient();
  const [sure, setSure] = useState(false);
  const done = (work: Promise<unknown>, changed: QueryKey[]) => {
    work
      .then(() => Promise.all(changed.map((queryKey) => client.invalidateQueries({ queryKey }))))
      .catch((error: unknown) => say(told(error)));
  };
  const measured = (mm: number | null) =>
    done(measureBow({ path: { item_id: plate.item_id }, body: { measured_mm: mm } }), [
      PLATES,
      NEXT_RUN,
      WEAR,
    ]);
  const drawn = shown?.id === plate.item_id ? shown.face : undefined;
  return (
    <Box
      data-testid="plate-row"
      sx={{
        display: 'flex',
        gap: '12px',
        alignItems: 'baseline',
        fontSize: 13,
        borderTop: `1px solid ${colour.hairline}`,
        padding: '3px 0',
      }}
    >
      <Box sx={{ flex: 1 }}>
        <b>{plate.name}</b>:{' '}
        {plate.faces.map((side, n) => (
          <span key={side.face}>
            {n > 0 && ', '}
            <ButtonBase
              aria-pressed={drawn === side.face}
              title={t('Show this face under the work')}
              onClick={() => onShow({ id: plate.item_id, face: side.face })}
              sx={{ borderBottom: `2px solid ${drawn === side.face ? colour.accent : colour.hairline}` }}
            >
              {t('{marks} cuts on its {face}', { marks: side.marks, face: side.face })}
            </ButtonBase>
          </span>
        ))}
        {'; '}
        <span
          title={t(
            'Worked out from the scars: material pushed aside bends the plate. We assume a tenth of it stays; a measured bow replaces that.',
          )}
        >
          {bowWords(plate.bow_mm, unit)}
          {plate.measured_bow_mm === null ? t(', as computed') : t(', as corrected')}
        </span>
        .
        {plate.missing > 0 &&
          ` ${t("{missing} older marks can't be read any more and are left out.", { missing: plate.missing })}`}
      </Box>
      <NumberField
        label={t('measured')}
        name={t('Measured bow of {name}', { name: plate.name })}
        value={Math.round((plate.measured_bow_mm ?? plate.bow_mm) * 100) / 100}
        kind="thickness"
        least={-20}
        most={20}
        onValue={measured}
      />
      {plate.measured_bow_mm !== null && <Button onClick={() => measured(null)}>{t('Forget it')}</Button>}
      {sure ? (
        <Button
          color="error"
          onClick={() => {
            setSure(false);
            done(retirePlate({ path: { item_id: plate.item_id } }), [PLATES, NEXT_RUN]); // what is gone has no wear to ask for
          }}
        >
          {t("Yes, I've put in a new one")}
        </Button>
      ) : (
        <Button onClick={() => setSure(true)}>{t('Retire it')}</Button>
      )}
    </Box>
  );
}
