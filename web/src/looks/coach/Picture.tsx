import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useIsFetching, useQuery, type Query } from '@tanstack/react-query';
import type { KeyboardEvent, MouseEvent } from 'react';
import { coachPictureOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Sandwich } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Stuck } from './Stuck';

const COARSE = [{ _id: 'coachPicture' }];
const isCoarse = (query: Query) => {
  const asked = query.queryKey[0] as { query?: { fine?: boolean } };
  return asked.query?.fine !== true;
};

const NUDGE = 5; // mm by an arrow key
const ARROWS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

interface Props {
  sandwich: Sandwich;
  /** It does not go through, for it stands over the opening by so much [mm]: there is no sheet to see. */
  over?: number | null;
  /** It is known to have cracked. */
  cracked?: boolean;
  /** The mistake that left something on it. */
  cause?: string | undefined;
  title: string;
  at?: [number, number] | undefined;
  onPoint?: (place: [number, number]) => void;
}

/** Across over along, of the sheet of a pile. */
function shapeOf({ layers, items }: Sandwich): string | undefined {
  const sheet = layers.map(({ item }) => items[item]).find((item) => item?.kind === 'sheet');
  return sheet && `${sheet.width_mm} / ${sheet.length_mm}`;
}

/** A sheet as it comes out of a pile, coarse and at once; where it can be pointed to, the place in millimetres is told. */
export function Picture({ sandwich, over = null, cracked = false, cause, title, at, onPoint }: Props) {
  const stuck = over !== null;
  const how = { cracked, ...(cause !== undefined && { cause }) };
  const asked = { staleTime: Infinity, retry: false };
  const coarse = useQuery({
    ...coachPictureOptions({ body: sandwich, query: how }),
    enabled: !stuck,
    ...asked,
  });
  // finer ones come when no coarse one is waited for any more
  const waiting = useIsFetching({ queryKey: COARSE, predicate: isCoarse });
  const fine = useQuery({
    ...coachPictureOptions({ body: sandwich, query: { ...how, fine: true } }),
    enabled: !stuck && waiting === 0 && Boolean(coarse.data?.png),
    ...asked,
  });
  const pressed = fine.data?.png ? fine : coarse;
  const { png, first_mm: first, spacing_mm: spacing, cells, mirrored } = pressed.data ?? {};
  const known = first && spacing && cells ? { first, spacing, cells } : undefined;
  const fromLeft = (share: number) => (mirrored ? 1 - share : share);
  const placeOf = (event: MouseEvent<HTMLElement>): [number, number] | undefined => {
    if (!known) return undefined;
    const box = event.currentTarget.getBoundingClientRect();
    const byKey = event.detail === 0; // Enter: begin in the middle
    const down = byKey ? 0.5 : (event.clientY - box.top) / box.height;
    const right = byKey ? 0.5 : (event.clientX - box.left) / box.width;
    return [
      known.first[0] + down * known.cells[0] * known.spacing,
      known.first[1] + fromLeft(right) * known.cells[1] * known.spacing,
    ];
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = ARROWS[event.key];
    if (!way || !at || !onPoint) return;
    event.preventDefault();
    event.stopPropagation();
    onPoint([at[0] + way[0] * NUDGE, at[1] + (mirrored ? -way[1] : way[1]) * NUDGE]);
  };
  const image = png && <img src={png} alt="" style={{ display: 'block', width: '100%' }} />;
  return (
    <figure style={{ margin: 0 }}>
      <Box
        sx={{
          position: 'relative',
          minHeight: 60,
          // what comes after it must not move when it comes: a touch would land elsewhere
          aspectRatio: png || stuck ? undefined : shapeOf(sandwich),
          background: png ? undefined : colour.panel,
        }}
      >
        {over !== null && <Stuck over={over} />}
        {onPoint && png ? (
          <ButtonBase
            aria-label={t("Touch the spot that's wrong")}
            onClick={(event) => {
              const place = placeOf(event);
              if (place) onPoint(place);
            }}
            onKeyDown={onKeyDown}
            sx={{ display: 'block', width: '100%', cursor: 'crosshair' }}
          >
            {image}
          </ButtonBase>
        ) : (
          image
        )}
        {at && known && (
          <Box
            data-testid="pointed"
            sx={{
              position: 'absolute',
              top: `${(100 * (at[0] - known.first[0])) / (known.cells[0] * known.spacing)}%`,
              left: `${100 * fromLeft((at[1] - known.first[1]) / (known.cells[1] * known.spacing))}%`,
              width: 14,
              height: 14,
              margin: '-7px 0 0 -7px',
              borderRadius: '50%',
              border: `3px solid ${colour.stop}`,
              pointerEvents: 'none',
            }}
          />
        )}
      </Box>
      <figcaption style={{ fontSize: 13, lineHeight: 1.25 }}>{title}</figcaption>
    </figure>
  );
}
