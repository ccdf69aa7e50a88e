import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { addToShelf, changeShelfEntry, keepPicture, toolsInPhoto } from '../../api/gen/sdk.gen';
import type { PhotoReading } from '../../api/gen/types.gen';
import { once } from '../../api/once';
import { shelfFindQuery, SHELF } from '../../api/queries';
import { asSentence, told } from '../../api/refusal';
import { addresses } from '../../api/service';
import { HiddenFileInput, PHOTOS } from '../../shared/HiddenFileInput';
import { NumberField } from '../../shared/NumberField';
import { say } from '../../shared/notices';
import { HAND } from '../../shared/useScreen';
import { formatSize, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import {
  corrected,
  drafts as draftsOf,
  itemOf,
  nameless,
  runOf,
  type Correction,
  type Draft,
} from './photoTools';
import { SheetView } from './SheetView';
import { ToolRow } from './ToolRow';

const RULER = 100; // mm, as printed
const LARGEST = 24_000_000; // bytes, as the service has it

/** Tools come onto the shelf by photograph: each cut out, true to size, under a name and a kind. */
export function PhotoPlace() {
  const unit = useUnit((choice) => choice.unit);
  const inWords = useWords();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [ruler, setRuler] = useState(RULER);
  const [readings, setReadings] = useState<PhotoReading[]>([]);
  const [left, setLeft] = useState(0);
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const [chosen, setChosen] = useState(0);
  const [problem, setProblem] = useState('');
  const shown = useRef<PhotoReading[]>([]);
  const [keeping, setKeeping] = useState(false);
  const taken = useRef<File[]>([]);
  const read = useMutation({
    mutationFn: async (files: File[]) => {
      const wrong: string[] = [];
      for (const [n, file] of files.entries()) {
        setLeft(files.length - n);
        try {
          const found = await toolsInPhoto({ body: file, query: { ruler_mm: ruler } });
          if (n === 0) setChosen(shown.current.flatMap((each) => each.tools).length);
          const own = draftsOf(found, shown.current.length);
          shown.current = [...shown.current, found];
          taken.current = [...taken.current, file];
          setDrafts((now) => [...now, ...own]);
          setReadings(shown.current);
        } catch (error) {
          const words = asSentence(error as Error, t('The photo'));
          wrong.push(files.length > 1 ? `${file.name}: ${words}` : words);
        }
      }
      return wrong;
    },
    onMutate: () => setProblem(''),
    onSuccess: (wrong) => setProblem(wrong.join(' ')),
  });
  const take = (files: File[]) => {
    const large = files.find((file) => file.size > LARGEST);
    if (large) setProblem(t('{name} is over 24 MB. Send a smaller copy.', { name: large.name }));
    else read.mutate(files);
  };
  const startOver = () => {
    shown.current = [];
    taken.current = [];
    setReadings([]);
    setDrafts([]);
    setProblem('');
  };
  const photo = drafts[chosen]?.photo ?? 0;
  const reading = readings[photo];
  const change = (index: number, part: Partial<Draft>) =>
    setDrafts((now) => now.map((draft, n) => (n === index ? { ...draft, ...part } : draft)));
  const correct = useMutation({
    mutationFn: async ({ index, part }: { index: number; part: Correction }) => {
      const draft = drafts[index];
      const seen = draft && readings[draft.photo]?.seen_from;
      if (draft && seen) change(index, await corrected(draft, seen, part));
    },
    onError: (error) => say(asSentence(error, t('The outline'))),
  });
  const put = useMutation({
    mutationFn: async () => {
      const free = new Map<string, ReturnType<typeof nameless>>();
      const photos = new Map<number, string>();
      const photoOf = async (n: number) => {
        const file = taken.current[n];
        if (!keeping || !file) return undefined;
        const key = photos.get(n) ?? (await keepPicture({ body: file })).id;
        photos.set(n, key);
        return key;
      };
      let count = 0;
      for (const [index, draft] of drafts.entries()) {
        if (!draft.wanted) continue;
        const known =
          free.get(draft.kind) ??
          nameless((await client.query(shelfFindQuery(draft.kind))).entries, draft.kind);
        const entry = known.shift();
        free.set(draft.kind, known);
        const size = `${formatSize(draft.tool.width_mm, unit)} x ${formatSize(draft.tool.length_mm, unit)}`;
        const name = draft.name.trim() || t('{kind} {size}', { kind: term(draft.kind), size });
        const item = await itemOf(draft, name, await photoOf(draft.photo));
        if (entry) {
          const body = { item, version: entry.version };
          await changeShelfEntry({ path: { entry_id: entry.id }, body });
        } else await once('photographed', { item }, (headers) => addToShelf({ body: { item }, headers }));
        change(index, { wanted: false }); // what is on the shelf is not put there again if a later one fails
        count += 1;
      }
      return count;
    },
    onSuccess: (count) => {
      say(t('{count} tools are on the shelf.', { count }));
      void navigate('/shelf');
    },
    onError: (error) => say(told(error)),
    onSettled: () => client.invalidateQueries({ queryKey: SHELF }),
  });
  const count = drafts.filter((draft) => draft.wanted).length;
  return (
    <Box
      sx={{
        height: '100%',
        display: 'flex',
        gap: 4,
        padding: '18px 24px 16px',
        [HAND]: { height: 'auto', flexDirection: 'column-reverse', gap: 2, padding: '8px 12px 16px' },
      }}
    >
      <Box
        sx={{
          flex: '0 0 46%',
          minWidth: 0,
          [HAND]: { flex: 'none', height: reading ? '120vw' : 80 },
          background: colour.panel,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        {reading ? (
          <SheetView
            reading={reading}
            photo={photo}
            drafts={drafts}
            chosen={chosen}
            onChoose={setChosen}
            onDraw={(index, outline, windows) => correct.mutate({ index, part: { outline, windows } })}
            onWithout={(index, shown) => {
              const draft = drafts[index];
              if (draft)
                correct.mutate({ index, part: { without: [...draft.without, runOf(draft, shown)] } });
            }}
          />
        ) : (
          <Typography sx={{ color: colour.quiet, maxWidth: 300, textAlign: 'center' }}>
            {read.isPending
              ? t('Reading the photo …')
              : t('Your photo shows up here, seen from straight above.')}
          </Typography>
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            {t('Photograph your tools')}
          </Typography>
          <Link to="/shelf" style={{ color: colour.accent }}>
            {t('Back to the shelf')}
          </Link>
        </Box>
        <Box component="ol" sx={{ margin: '8px 0', paddingLeft: '20px', fontSize: 14, lineHeight: 1.7 }}>
          <li>
            {t('Print the photo sheet at 100 %:')}{' '}
            <a href={addresses.photoSheet('A4')} download style={{ color: colour.accent }}>
              A4
            </a>{' '}
            {t('or')}{' '}
            <a href={addresses.photoSheet('letter')} download style={{ color: colour.accent }}>
              {t('Letter')}
            </a>
            . {t('Then measure its ruler:')}{' '}
            <NumberField
              label=""
              name={t('Length of the printed ruler')}
              kind="size"
              value={ruler}
              least={50}
              most={200}
              onValue={setRuler}
            />
          </li>
          <li>{t('Lay tools inside the four corners, apart from each other. Even light, no flash.')}</li>
          <li>
            {t('Take a photo from above that shows the whole sheet. Take another for more tools.')}{' '}
            <Button component="label" variant={reading ? 'text' : 'contained'} disabled={read.isPending}>
              {reading ? t('Add photos') : t('Choose photos')}
              <HiddenFileInput accept={PHOTOS} testId="tools-photo" onFiles={take} />
            </Button>
            {read.isPending && left > 1 && t('{left} photos to go …', { left })}
            {reading && !read.isPending && (
              <Button color="inherit" onClick={startOver}>
                {t('Start over')}
              </Button>
            )}
          </li>
        </Box>
        {problem && (
          <Box role="alert" sx={{ color: colour.stop, margin: '4px 0' }}>
            {problem}
          </Box>
        )}
        {readings
          .flatMap((each) => each.notes)
          .map((note, n) => (
            <Box key={n} sx={{ color: colour.warn, fontSize: 13.5 }}>
              {inWords(note)}
            </Box>
          ))}
        <Box
          component="ul"
          aria-label={t('Tools in the photo')}
          sx={{ flex: 1, minHeight: 0, overflowY: 'auto', margin: 0, padding: 0, listStyle: 'none' }}
        >
          {drafts.map((draft, n) => (
            <ToolRow
              key={n}
              number={n + 1}
              draft={draft}
              chosen={n === chosen}
              onChoose={() => setChosen(n)}
              onChange={(part) => change(n, part)}
              onCorrect={(part) => correct.mutate({ index: n, part })}
            />
          ))}
        </Box>
        {reading && (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, paddingTop: '10px' }}>
            <Button
              variant="contained"
              disabled={count === 0 || put.isPending}
              onClick={() => put.mutate()}
              sx={{ flexShrink: 0 }}
            >
              {put.isPending ? t('Adding them to the shelf …') : t('Add {count} to the shelf', { count })}
            </Button>
            <label
              style={{ fontSize: 13.5, flexShrink: 0 }}
              title={t('Smaller, and without the location and camera details a phone adds')}
            >
              <input
                type="checkbox"
                checked={keeping}
                onChange={(event) => setKeeping(event.target.checked)}
              />{' '}
              {t('Keep the photos too')}
            </label>
            <span style={{ color: colour.quiet, fontSize: 13 }}>
              {t(
                "Drag a line where it's wrong. Touch a dashed one that isn't a blade. Numbered items on the shelf are filled in first.",
              )}
            </span>
          </Box>
        )}
      </Box>
    </Box>
  );
}
