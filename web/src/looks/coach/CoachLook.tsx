import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState, type KeyboardEvent, type MouseEvent } from 'react';
import { coachOptions, coachPictureOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Cause, Coach, Sandwich } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { useEditor } from '../../sandwich/store';
import { percent } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const SHOWN = 8; // pictures beside the right one
const TOLD = 5; // causes that are told in full

const NUDGE = 5; // mm by an arrow key
const ARROWS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

type Seen = NonNullable<Coach['seen']>;

/** What did you see? The sheet as it should be, and as each likely mistake would have made it; then why, how to tell, and the cure. */
export function CoachLook({ sandwich }: { sandwich: Sandwich }) {
  const read = useWords();
  const [seen, setSeen] = useState<Seen>();
  const [at, setAt] = useState<[number, number]>();
  const all = useQuery({ ...coachOptions({ body: { sandwich } }), staleTime: Infinity });
  const found = useQuery({
    ...coachOptions({ body: { sandwich, seen, at } }),
    enabled: seen !== undefined,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  if (all.error) return <Box sx={{ color: colour.quiet }}>{asSentence(all.error, t('The sandwich'))}</Box>;
  if (!all.data) return <Box sx={{ color: colour.quiet }}>{t('Every mistake is tried …')}</Box>;
  const pictured = all.data.causes.filter((cause) => cause.changed).slice(0, SHOWN);
  const chosen = seen === undefined ? undefined : found.data;
  return (
    <Box data-testid="coach">
      <Typography variant="h2">{t('What did you see?')}</Typography>
      <Box sx={{ color: colour.quiet, marginBottom: '8px' }}>
        {t(
          'Each picture is this very sheet, pressed with that mistake in the pile. Take the one that resembles yours.',
        )}
      </Box>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(112px, 1fr))', gap: '10px' }}
      >
        <Picture
          sandwich={sandwich}
          title={t('As it should be; touch the place that is wrong')}
          at={at}
          onPoint={(place) => setAt(place)}
        />
        {pictured.map((cause) => (
          <ButtonBase
            key={cause.key}
            onClick={() => setSeen(cause.shows)}
            aria-label={read(cause.title)}
            sx={{ display: 'block', textAlign: 'left' }}
          >
            <Picture sandwich={cause.lay} stuck={cause.shows === 'no feed'} title={read(cause.title)} />
          </ButtonBase>
        ))}
      </Box>
      <Box
        role="group"
        aria-label={t('Or say it')}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 14px', margin: '12px 0' }}
      >
        {all.data.sights.map((sight) => (
          <ButtonBase
            key={sight.key}
            aria-pressed={sight.key === seen}
            onClick={() => setSeen(sight.key === seen ? undefined : sight.key)}
            sx={{
              fontSize: 14,
              minHeight: 26,
              color: sight.key === seen ? colour.ink : colour.quiet,
              fontWeight: sight.key === seen ? 700 : 400,
              borderBottom: `2px solid ${sight.key === seen ? colour.accent : 'transparent'}`,
            }}
          >
            {read(sight.title)}
          </ButtonBase>
        ))}
      </Box>
      {found.error && (
        <Box role="alert" sx={{ color: colour.stop }}>
          {asSentence(found.error, t('The place'))}
        </Box>
      )}
      {chosen && <Causes found={chosen} onAnywhere={at && (() => setAt(undefined))} />}
    </Box>
  );
}

interface CausesProps {
  found: Coach;
  /** Forgets the place, where one was pointed to. */
  onAnywhere: (() => void) | undefined;
}

function Causes({ found, onAnywhere }: CausesProps) {
  const read = useWords();
  return (
    <Box aria-live="polite">
      {onAnywhere && (
        <Button onClick={onAnywhere} sx={{ fontSize: 13.5 }}>
          {t('Not only at that place')}
        </Button>
      )}
      {found.look && (
        <Box sx={{ margin: '4px 0 8px' }}>
          <b>{t('Look first:')}</b> {read(found.look)}
        </Box>
      )}
      {found.causes.length === 0 && (
        <Box>{t('Nothing that is known explains it. Press one sheet of scrap and look again.')}</Box>
      )}
      <Box component="ol" aria-label={t('Causes')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {found.causes.slice(0, TOLD).map((cause) => (
          <OneCause key={cause.key} cause={cause} />
        ))}
      </Box>
      {found.none >= 0.01 && (
        <Box sx={{ color: colour.quiet, marginTop: '6px' }}>
          {t('None of these: {chance}.', { chance: percent(found.none) })}
        </Box>
      )}
    </Box>
  );
}

function OneCause({ cause }: { cause: Cause }) {
  const read = useWords();
  const edit = useEditor((editor) => editor.edit);
  const { label, edits, outcome } = cause.cure;
  return (
    <Box component="li" sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '7px 0' }}>
      <b>{read(cause.title)}</b> <span style={{ color: colour.quiet }}>{percent(cause.chance)}</span>
      <Box sx={{ color: colour.quiet }}>
        {read(cause.why)} {read(cause.tell)}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 12px' }}>
        <span>{read(label)}</span>
        {edits.length > 0 && (
          <Button
            variant="outlined"
            onClick={() => edit(edits)}
            title={outcome ? read(outcome.sentence) : undefined}
          >
            {t('Do it')}
          </Button>
        )}
        {edits.length > 0 && outcome && <span style={{ color: colour.quiet }}>{read(outcome.sentence)}</span>}
      </Box>
    </Box>
  );
}

interface PictureProps {
  sandwich: Sandwich;
  /** It does not go through: there is no sheet to see. */
  stuck?: boolean;
  title: string;
  at?: [number, number] | undefined;
  onPoint?: (place: [number, number]) => void;
}

/** A sheet as it comes out of a pile, coarse and at once; where it can be pointed to, the place in millimetres is told. */
function Picture({ sandwich, stuck = false, title, at, onPoint }: PictureProps) {
  const pressed = useQuery({
    ...coachPictureOptions({ body: sandwich }),
    enabled: !stuck,
    staleTime: Infinity,
    retry: false,
  });
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
      <Box sx={{ position: 'relative', minHeight: 60, background: png ? undefined : colour.panel }}>
        {stuck && (
          <Box
            sx={{
              aspectRatio: '3 / 4',
              display: 'grid',
              placeItems: 'center',
              textAlign: 'center',
              padding: '6px',
              border: `1px dashed ${colour.quiet}`,
              color: colour.quiet,
              fontSize: 13,
            }}
          >
            {t('does not go through')}
          </Box>
        )}
        {onPoint && png ? (
          <ButtonBase
            aria-label={t('Touch the place that is wrong')}
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
