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
      say(t('{things} things are on the shelf.', { things }));
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
        {t('Write it as you would say it, with commas or lines between. Names and pictures can come later.')}
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
        aria-label={t('What the list comes to')}
        sx={{ listStyle: 'none', padding: 0, margin: '12px 0', columns: lines.length > 8 ? 2 : 1 }}
      >
        {lines.map((line) => (
          <Read
            key={line.number}
            line={line}
            onKind={(kind) => change({ text: settled(text, line, kind) })}
          />
        ))}
      </Box>
      <Button
        variant="contained"
        disabled={put.isPending || (boxed === 0 && lines.every((line) => line.count === 0))}
        onClick={() => put.mutate()}
      >
        {t('Put it on the shelf')}
      </Button>
      {pressId && (
        <Button sx={{ marginLeft: 2 }} onClick={() => change({ step: 3 })}>
          {t('Go on without')}
        </Button>
      )}
    </Box>
  );
}

/** The list with the words that were asked about called by their kind, in their own part of it. */
function settled(text: string, line: ListLine, kind: string): string {
  const part = line.text.includes(line.asked) ? line.text.replace(line.asked, kind) : kind;
  return text.includes(line.text) ? text.replace(line.text, part) : text.replace(line.asked, kind);
}

function Read({ line, onKind }: { line: ListLine; onKind: (kind: string) => void }) {
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
        {line.kinds.map((kind) => (
          <Button key={kind} variant="outlined" sx={{ margin: '0 4px' }} onClick={() => onKind(kind)}>
            {term(kind)}
          </Button>
        ))}
      </li>
    );
  const { first } = line;
  return (
    <li>
      <b>{line.count}</b> {first?.kind === 'sheet' ? first.name : term(line.kind ?? '')}
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
