import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Cause, Coach } from '../../api/gen/types.gen';
import { percent } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const TOLD = 5; // causes that are told in full

type Look = Cause['look'];

export interface Answers {
  /** Looks that were taken, and whether it was so. */
  settled: Record<string, boolean>;
  onLook: (look: string, so: boolean | undefined) => void;
  /** Carries a cure out. */
  onCure: (cause: Cause) => void;
  /** Says that this is what went wrong. */
  onThis: (cause: Cause) => void;
  /** Saves a page to teach with, of a cause or of the pile alone. */
  onPage: (cause: Cause | undefined) => void;
  /** Saves a drill for others, of this mistake. */
  onDrill: (cause: Cause) => void;
  /** The cause that the log has. */
  noted: string | null;
}

/** Causes, likeliest first, each with why, the look that settles it, and its cure; before them the look that tells the first two apart. */
export function Causes({ found, answers }: { found: Coach; answers: Answers }) {
  return (
    <Box aria-live="polite">
      {found.look && (
        <Box
          sx={{ borderLeft: `3px solid ${colour.accent}`, padding: '2px 0 2px 10px', margin: '4px 0 8px' }}
        >
          <b>{t('Check first:')}</b> <OneLook look={found.look} answers={answers} />
        </Box>
      )}
      {found.causes.length === 0 && (
        <Box>{t('Nothing we know explains it. Press one sheet of scrap and look again.')}</Box>
      )}
      <Box component="ol" aria-label={t('Causes')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {found.causes.slice(0, TOLD).map((cause) => (
          <OneCause key={cause.key} cause={cause} answers={answers} />
        ))}
      </Box>
      {found.none >= 0.01 && (
        <Box sx={{ color: colour.quiet, marginTop: '6px' }}>
          {t('None of these: {chance}.', { chance: percent(found.none) })}{' '}
          {found.none > 0.5 &&
            t(
              'No single mistake does all of that. Take one thing back, or check whether it was only one sheet.',
            )}
        </Box>
      )}
    </Box>
  );
}

function OneCause({ cause, answers }: { cause: Cause; answers: Answers }) {
  const read = useWords();
  const { label, edits, outcome } = cause.cure;
  return (
    <Box component="li" sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '7px 0' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: '0 10px', flexWrap: 'wrap' }}>
        <b>{read(cause.title)}</b>
        <Box component="span" sx={{ color: colour.quiet, flex: 1 }}>
          {percent(cause.chance)}
        </Box>
        <Button
          onClick={() => answers.onPage(cause)}
          title={t('One page to teach with: the right sheet and the wrong one')}
          sx={{ fontSize: 13.5 }}
        >
          {t('PDF')}
        </Button>
        {cause.pictured && (
          <Button
            onClick={() => answers.onDrill(cause)}
            title={t('A drill for others: this pile with that mistake in it, as a file')}
            sx={{ fontSize: 13.5 }}
          >
            {t('Drill')}
          </Button>
        )}
        <Button
          onClick={() => answers.onThis(cause)}
          aria-pressed={answers.noted === cause.key}
          sx={{ fontSize: 13.5 }}
        >
          {answers.noted === cause.key ? t('Logged as the cause') : t('It was this')}
        </Button>
      </Box>
      <Box sx={{ color: colour.quiet }}>
        {read(cause.why)} {read(cause.tell)}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 12px' }}>
        <span>{read(label)}</span>
        {edits.length > 0 && (
          <Button variant="outlined" onClick={() => answers.onCure(cause)}>
            {t('Change the pile')}
          </Button>
        )}
        {edits.length > 0 && cause.does && <span data-testid="does">{asSentence(read(cause.does))}</span>}
        {edits.length > 0 && outcome && (
          <span style={{ color: colour.quiet }}>
            {t('Then: {sentence}', { sentence: read(outcome.sentence) })}
            {outcome.good && <> {t('A good sheet: {words}.', { words: read(outcome.good.words) })}</>}
          </span>
        )}
      </Box>
    </Box>
  );
}

function asSentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

/** Something to look at, with its two answers; one that was given can be taken back. */
export function OneLook({ look, answers }: { look: Look; answers: Answers }) {
  const read = useWords();
  const said = answers.settled[look.key];
  const button = (so: boolean, name: string) => (
    <Button
      aria-pressed={said === so}
      onClick={() => answers.onLook(look.key, said === so ? undefined : so)}
      sx={{ fontSize: 13.5, fontWeight: said === so ? 700 : 400 }}
    >
      {name}
    </Button>
  );
  return (
    <span>
      {read(look.title)}{' '}
      <span style={{ color: colour.quiet }}>{t('{seconds} s', { seconds: String(look.costs_s) })}</span>{' '}
      {button(true, t('Yes'))}
      {button(false, t('No'))}
    </span>
  );
}
