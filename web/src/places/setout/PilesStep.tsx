import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { freshRun, startOne } from '../../api/making';
import { judgeAnew, pilesQuery, ROOM, RUNS } from '../../api/queries';
import { deleteRun } from '../../api/gen/sdk.gen';
import { asSentence, told } from '../../api/refusal';
import type { KnownPile, RunBody, Sandwich } from '../../api/gen/types.gen';
import type { Effort, Outcome } from '../../api/types';
import { PileDrawing } from '../../sandwich/PileDrawing';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Certainty } from './Certainty';
import { CountPaper } from '../../looks/runs/CountPaper';
import { useSetOut } from './useSetOut';

const ANSWERS: [string, Outcome, Effort][] = [
  [t('works'), 'right', 'easy'],
  [t('a little tight'), 'right', 'hard'],
  [t('comes out faint'), 'faint', 'easy'],
  [t("doesn't go through"), 'too hard', 'hard'],
];

const PAPER = 'paper';

interface Told {
  /** Which pile it was said of, and what, in words. */
  key: string;
  said: string;
  sandwich: Sandwich;
  tells: Pick<RunBody, 'result' | 'effort'> | Pick<RunBody, 'paper_sheets'>;
}

/** Two to four taps on piles that somebody knows: they tell the press's opening better than a gauge. */
export function PilesStep() {
  const { pressId, answers, change, beginAnew } = useSetOut();
  const client = useQueryClient();
  const piles = useQuery(pilesQuery(pressId));
  const tell = useMutation({
    mutationFn: ({ sandwich, tells }: Told) =>
      startOne({
        sandwich_id: null,
        state: 'finished',
        body: { ...freshRun(sandwich), ...tells, known: true },
      }),
    onSuccess: async ({ id, version }, { key, said }) => {
      const before = answers[key];
      change({ answers: { ...answers, [key]: { said, run: id, version } } });
      if (before)
        await deleteRun({ path: { run_id: before.run }, query: { version: before.version } }).catch(
          () => undefined,
        );
      await Promise.all([ROOM, RUNS].map((queryKey) => client.invalidateQueries({ queryKey })));
      await judgeAnew(client);
    },
    onError: (error) => say(told(error)),
  });
  if (piles.error)
    return (
      <Notice title={t("Can't work out the piles.")} text={asSentence(piles.error, t('The press'))}>
        <Button variant="outlined" onClick={beginAnew}>
          {t('Start over')}
        </Button>
      </Notice>
    );
  if (!piles.data)
    return (
      <Notice
        title={t('Stacking what you named')}
        text={t('Judging each usual pile for your press. That takes a few seconds the first time.')}
      />
    );
  const { feeler } = piles.data;
  return (
    <Box>
      <Typography variant="h2">{t('Which of these already work for you?')}</Typography>
      <Typography sx={{ color: colour.quiet, margin: '4px 0 14px', maxWidth: 640 }}>
        {t(
          "Say what each one does on your press. Skip what you haven't tried. Two answers are enough to start.",
        )}
      </Typography>
      {piles.data.piles.length === 0 && (
        <Notice
          title={t("These items don't make any usual pile")}
          text={t(
            "A plain folder takes a bed, two hard plates, the folder and a card. Go one step back and add what's missing.",
          )}
        />
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(230px, 1fr))',
          gap: '20px 18px',
          marginBottom: 3,
        }}
      >
        {piles.data.piles.map((pile) => (
          <Pile
            key={pile.key}
            pile={pile}
            busy={tell.isPending}
            said={answers[pile.key]?.said}
            onTell={(said, result, effort) =>
              tell.mutate({ key: pile.key, sandwich: pile.sandwich, said, tells: { result, effort } })
            }
          />
        ))}
        {feeler && (
          <CountPaper
            feeler={feeler}
            told={answers[PAPER]?.said}
            busy={tell.isPending}
            onTell={(sheets) =>
              tell.mutate({
                key: PAPER,
                sandwich: feeler.sandwich,
                said: t('{sheets} sheets', { sheets }),
                tells: { paper_sheets: sheets },
              })
            }
          />
        )}
      </Box>
      <Button variant="contained" onClick={() => change({ step: 4 })}>
        {t('Go on')}
      </Button>
    </Box>
  );
}

function Pile({
  pile,
  busy,
  said,
  onTell,
}: {
  pile: KnownPile;
  busy: boolean;
  said: string | undefined;
  onTell: (said: string, outcome: Outcome, effort: Effort) => void;
}) {
  const read = useWords();
  return (
    <Box
      component="article"
      aria-label={read(pile.title)}
      sx={{ border: `1px solid ${colour.hairline}`, padding: '10px 12px' }}
    >
      <Typography variant="h3">{read(pile.title)}</Typography>
      <Box sx={{ height: 190, overflow: 'hidden', '& svg': { maxHeight: 190 } }}>
        <PileDrawing sandwich={pile.sandwich} />
      </Box>
      <Certainty pile={pile} />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '4px', marginTop: '8px' }}>
        {ANSWERS.map(([title, outcome, effort]) => (
          <Button
            key={title}
            variant={said === title ? 'contained' : 'outlined'}
            aria-pressed={said === title}
            disabled={busy}
            onClick={() => onTell(title, outcome, effort)}
            sx={{ fontSize: 13, lineHeight: 1.2 }}
          >
            {title}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
