import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Drill, Mark, Practice, Sandwich, Spot } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';
import { Kbd } from '../../shared/Kbd';
import { NARROW } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { DrillPile } from './DrillPile';
import { LayDrill, Through } from './LayDrill';
import { OrderDrill } from './OrderDrill';
import { Standing } from './Skills';

export interface Given {
  choice: string | null;
  built: Sandwich | null;
  order: string[];
  laid: Spot | null;
  tries: number;
  hints: number;
  gives_up: boolean;
}

interface Props {
  drill: Drill;
  /** How somebody stands in its skill; none of a teacher's drill. */
  skill?: Practice['skills'][number];
  /** Holds an answer against the drill. */
  answer: (given: Given) => Promise<Mark>;
  /** Hears of an answer that ended it. */
  onOver: (came: Mark, given: Given) => void;
  /** What comes after it, and how it is called. */
  next: string;
  onNext: () => void;
}

/** The task over what comes of it, beside what is worked on; on a hand's screen one after the other. */
const GRID = {
  display: 'grid',
  gridTemplate: `'work task' auto 'work rest' 1fr / 580px minmax(0, 620px)`,
  columnGap: 4,
  [NARROW]: { gridTemplate: `'task' 'work' 'rest' / minmax(0, 1fr)` },
};

/** One drill: the pile beside its task, the answers or the press, and what came of it. */
export function OneDrill({ drill, skill, answer: mark, onOver, next, onNext }: Props) {
  const read = useWords();
  const [hint, setHint] = useState(false);
  const [tries, setTries] = useState(1);
  const [last, setLast] = useState<Mark>();
  const [chosen, setChosen] = useState<string>();
  const [order, setOrder] = useState<string[]>([]);
  const [spot, setSpot] = useState(drill.laying?.begin ?? null);
  const [pressed, setPressed] = useState<Spot | null>(null);
  const answer = useMutation({
    mutationFn: async (said: { choice?: string; gives_up?: boolean }) => {
      const built = drill.form === 'build' && !said.gives_up ? useEditor.getState().sandwich : undefined;
      const given: Given = {
        choice: said.choice ?? null,
        built: built ?? null,
        order: said.gives_up ? [] : order,
        laid: said.gives_up ? null : spot,
        tries,
        hints: hint ? 1 : 0,
        gives_up: said.gives_up ?? false,
      };
      return { came: await mark(given), given };
    },
    onSuccess: ({ came, given }) => {
      setLast(came);
      setChosen(given.choice ?? undefined);
      if (given.laid) setPressed(given.laid);
      setTries(tries + 1);
      if (came.over) onOver(came, given);
    },
    onError: (error) => say(told(error)),
  });
  const over = last?.over ?? false;
  const choose = (choice: string | undefined) => {
    if (choice !== undefined && !over && !answer.isPending) answer.mutate({ choice });
  };
  const asked = drill.form !== 'choose';
  const ready = !over && !answer.isPending && (drill.form !== 'order' || order.length === drill.steps.length);
  useHotkeys('1,2,3,4,5,6', (event) => choose(drill.choices[Number(event.key) - 1]?.key), {
    enabled: drill.form === 'choose',
  });
  useHotkeys('space, enter', onNext, { enabled: over, preventDefault: true });
  useHotkeys('p', () => answer.mutate({}), { enabled: asked && ready });
  return (
    <Box sx={GRID}>
      <Box sx={{ gridArea: 'task', minWidth: 0 }}>
        <Typography variant="h1">{read(drill.title)}</Typography>
        <Box data-testid="task" sx={{ fontSize: 18, margin: '4px 0 12px' }}>
          {read(drill.task)}
        </Box>
      </Box>
      <Box sx={{ gridArea: 'work', minWidth: 0 }}>
        {drill.shown && drill.form !== 'lay' && (
          <DrillPile shown={drill.shown} paper={drill.paper} still={drill.form === 'choose' || over} />
        )}
        {drill.form === 'order' && (
          <OrderDrill steps={drill.steps} order={order} onOrder={setOrder} still={over || answer.isPending} />
        )}
        {drill.laying && spot && (
          <LayDrill
            laying={drill.laying}
            spot={spot}
            onSpot={setSpot}
            still={over || answer.isPending}
            best={last && !last.right ? last.best : null}
          />
        )}
      </Box>
      <Box sx={{ gridArea: 'rest', minWidth: 0 }}>
        {drill.png && !last?.png && <Sheet png={drill.png} />}
        {drill.form === 'choose' && (
          <Choices drill={drill} last={last} chosen={chosen} pending={answer.isPending} onChoose={choose} />
        )}
        {last?.png && <Sheet png={last.png} />}
        {drill.laying && pressed && <Through laying={drill.laying} spot={pressed} />}
        <Box aria-live="polite" data-testid="came">
          {last && <Came last={last} tries={tries - 1} form={drill.form} />}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '6px 12px', marginTop: '12px' }}>
          {asked && !over && (
            <Button variant="contained" disabled={!ready} onClick={() => answer.mutate({})}>
              <Kbd style={{ marginRight: 8 }}>p</Kbd>
              {drill.form === 'order' ? t('Done') : t('Press a sheet')}
            </Button>
          )}
          {over ? (
            <Button variant="contained" onClick={onNext}>
              {next}
              <Kbd style={{ marginLeft: 10 }}>{t('space')}</Kbd>
            </Button>
          ) : (
            <>
              {!hint && <Button onClick={() => setHint(true)}>{t('A hint, for 3 points')}</Button>}
              <Button color="inherit" onClick={() => answer.mutate({ gives_up: true })}>
                {t('Show me')}
              </Button>
            </>
          )}
        </Box>
        {hint && !over && <Box sx={{ marginTop: '8px', color: colour.quiet }}>{read(drill.hint)}</Box>}
        {skill && (
          <Box sx={{ maxWidth: 260, marginTop: '26px' }}>
            <Standing skill={skill} />
          </Box>
        )}
      </Box>
    </Box>
  );
}

interface ChoicesProps {
  drill: Drill;
  last: Mark | undefined;
  chosen: string | undefined;
  pending: boolean;
  onChoose: (key: string) => void;
}

/** The answers to choose from, a key each; once it is over, the right one and the one that was chosen. */
function Choices({ drill, last, chosen, pending, onChoose }: ChoicesProps) {
  const read = useWords();
  const over = last?.over ?? false;
  return (
    <Box role="group" aria-label={t('Answers')} sx={{ display: 'grid', gap: '6px', margin: '10px 0' }}>
      {drill.choices.map((choice, index) => (
        <Button
          key={choice.key}
          variant={over && choice.key === last?.answer ? 'contained' : 'outlined'}
          color={over && choice.key === chosen && !last?.right ? 'error' : 'primary'}
          disabled={pending || (over && choice.key !== last?.answer && choice.key !== chosen)}
          onClick={() => onChoose(choice.key)}
          sx={{ justifyContent: 'flex-start', fontSize: 15.5 }}
        >
          <Kbd style={{ marginRight: 10 }}>{index + 1}</Kbd>
          {read(choice.title)}
        </Button>
      ))}
    </Box>
  );
}

/** What came of the last answer. */
function Came({ last, tries, form }: { last: Mark; tries: number; form: Drill['form'] }) {
  const read = useWords();
  return (
    <Box>
      <b style={{ color: last.right ? colour.accent : colour.stop }}>
        {last.right ? t('Right.') : last.over ? t('Not quite.') : t('Not yet.')}
      </b>{' '}
      {last.says && read(last.says)}
      {last.over && last.points !== null && ` ${t('{points} of 10 points', { points: last.points })}`}
      {(form === 'build' || form === 'lay') &&
        ` · ${tries === 1 ? t('one sheet') : t('{sheets} sheets', { sheets: tries })}`}
      {last.sentence && <Box>{read(last.sentence)}</Box>}
      {last.because && <Box sx={{ color: colour.quiet }}>{read(last.because)}</Box>}
    </Box>
  );
}

function Sheet({ png }: { png: string }) {
  return <img src={png} alt={t('Your sheet')} style={{ display: 'block', maxHeight: 260 }} />;
}
