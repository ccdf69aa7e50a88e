import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import type { ListLine } from '../../api/gen/types.gen';
import { listInFile, setOut } from '../../api/gen/sdk.gen';
import { once } from '../../api/once';
import { listQuery, ROOM, SHELF } from '../../api/queries';
import { asSentence, told } from '../../api/refusal';
import { say } from '../../shared/notices';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { useSetOut, wholeList } from './useSetOut';

const LONGEST = 200_000; // characters, as the service has it

/** Everything else, as one would say it; read as it is typed. */
export function ThingsStep() {
  const { text, box, size, drive, name, pressId, change } = useSetOut();
  const client = useQueryClient();
  const read = useQuery(listQuery(useDeferredValue(text)));
  const put = useMutation({
    mutationFn: () => {
      const press = pressId ? null : { name: name.trim() || t('My press'), size, drive };
      const body = { press, text: pressId ? text : wholeList({ box, text }) };
      return once('set out', body, (headers) => setOut({ body, headers }));
    },
    onSuccess: async ({ press_id, things }) => {
      await Promise.all([SHELF, ROOM].map((queryKey) => client.invalidateQueries({ queryKey })));
      say(t('{things} items are on the shelf.', { things }));
      change({ pressId: pressId ?? press_id ?? undefined, text: '', box: {}, step: 3 });
    },
    onError: (error) => say(told(error)),
  });
  const fill = useMutation({
    mutationFn: (file: File) => listInFile({ body: file }),
    onSuccess: (found) => change({ text: found.text.slice(0, LONGEST) }),
    onError: (error) => say(asSentence(error, t('The file'))),
  });
  const lines = read.data?.lines ?? [];
  const boxed = Object.values(box).reduce((sum, count) => sum + count, 0);
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography variant="h2">{t('What else do you own?')}</Typography>
      <Typography sx={{ color: colour.quiet, margin: '4px 0 10px' }}>
        {t("Write it the way you'd say it, with commas or lines between. Names and pictures can come later.")}
      </Typography>
      <textarea
        value={text}
        aria-label={t('What else you own')}
        maxLength={LONGEST}
        rows={5}
        placeholder={t('6 plain folders, 2 deep, 11 thin dies, 1 rubber mat, 80 lb cover, 216 gsm, vellum')}
        onChange={(event) => change({ text: event.target.value })}
        style={{
          width: '100%',
          font: 'inherit',
          padding: 10,
          border: `1px solid ${colour.hairline}`,
          background: colour.panel,
          resize: 'vertical',
        }}
      />
      <Box
        component="label"
        sx={{ display: 'inline-block', color: colour.accent, cursor: 'pointer', fontSize: 14 }}
      >
        {t('Read a list from a file: text, a table, JSON')}
        <input
          type="file"
          accept=".txt,.csv,.tsv,.json,text/plain,text/csv,application/json"
          data-testid="things-file"
          style={{ position: 'absolute', opacity: 0, width: 1 }}
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) fill.mutate(file);
            event.target.value = '';
          }}
        />
      </Box>
      <Box
        component="ul"
        aria-label={t('What we read in the list')}
        sx={{
          listStyle: 'none',
          padding: 0,
          margin: '12px 0',
          columns: lines.length > 8 ? 2 : 1,
          '& li': { breakInside: 'avoid' },
        }}
      >
        {lines.map((line) => (
          <Read
            key={line.number}
            line={line}
            onMeant={(meant) => change({ text: settled(text, line, meant) })}
          />
        ))}
      </Box>
      <Button
        variant="contained"
        disabled={put.isPending || (boxed === 0 && lines.every((line) => line.count === 0))}
        onClick={() => put.mutate()}
      >
        {t('Add it to the shelf')}
      </Button>
      {pressId && (
        <Button sx={{ marginLeft: 2 }} onClick={() => change({ step: 3 })}>
          {t('Skip this')}
        </Button>
      )}
    </Box>
  );
}

/** The list with the words that were asked about called by what they mean, in their own part of it; without them where they mean nothing of this. */
function settled(text: string, line: ListLine, meant: string): string {
  if (!meant)
    return text.replace(text.includes(line.text) ? line.text : line.asked, '').replace(/^[\s,;]+/, '');
  const called = withItsName(line.asked, meant);
  const part = line.text.includes(line.asked) ? line.text.replace(line.asked, called) : called;
  return text.includes(line.text) ? text.replace(line.text, part) : text.replace(line.asked, called);
}

/** A kind with what was written before it, where the words end as it does: "brick folder" as a plain folder is a brick plain folder. */
function withItsName(asked: string, meant: string): string {
  const words = asked.split(' ');
  const [first = '', ...more] = meant.split(' ');
  const last = words.pop()?.toLowerCase().replace(/s$/, '');
  if (last !== more.at(-1)) return meant;
  return [...words.filter((word) => word.slice(0, 2).toLowerCase() !== first.slice(0, 2)), meant].join(' ');
}

/** What a thing is called beyond its kind, without the number that tells it from others; empty where that is nothing. */
function named(name: string, kind: string, count: number): string {
  const own = count > 1 ? name.slice(name.indexOf(' ') + 1) : name;
  return own.toLowerCase() === kind ? '' : own;
}

function Read({ line, onMeant }: { line: ListLine; onMeant: (meant: string) => void }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  if (line.problem)
    return (
      <li style={{ color: colour.stop }}>
        {t('“{text}”', { text: line.text })} {read(line.problem)}
      </li>
    );
  if (line.asked)
    return (
      <li>
        {t('What is “{words}”?', { words: line.asked })}{' '}
        {line.choices.map((meant) => (
          <Button key={meant} variant="outlined" sx={{ margin: '0 4px' }} onClick={() => onMeant(meant)}>
            {term(meant)}
          </Button>
        ))}
        <Button color="inherit" onClick={() => onMeant('')}>
          {t('none of these')}
        </Button>
      </li>
    );
  const { first } = line;
  return (
    <li>
      <b>{line.count}</b> {first?.kind === 'sheet' ? first.name : term(line.kind ?? '')}
      {first && first.kind !== 'sheet' && named(first.name, first.kind, line.count) && (
        <i> {t('“{text}”', { text: named(first.name, first.kind, line.count) })}</i>
      )}
      {first && (
        <span style={{ color: colour.quiet }}>
          {t(', about {thick} ± {spread}', {
            thick: formatThickness(first.thickness.mm, unit),
            spread: formatThickness(first.thickness.sd_mm, unit),
          })}
          {line.notes.map((note) => `. ${read(note).replace(/\.$/, '')}`)}
        </span>
      )}
    </li>
  );
}
