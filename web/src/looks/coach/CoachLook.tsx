import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { coachOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Cause, Sandwich } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import type { Outcome } from '../../api/types';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { ReadSheet } from '../ReadSheet';
import { Causes, OneLook, type Answers } from './Causes';
import { MistakePictures } from './MistakePictures';
import type { Felt, Said, Seen } from './said';
import { DrillDialog } from './DrillDialog';
import { Rescues } from './Rescues';
import { saveTeachingPage } from './teachingPage';

interface Props {
  sandwich: Sandwich;
  /** How the run ended whose sheet it is: what was seen is begun with. */
  result?: Outcome | null;
  /** The cause that the log has. */
  noted?: string | null;
  onCure: (cause: Cause) => void;
  onThis: (cause: Cause, outcome: Outcome, felt: Felt | undefined) => void;
}

/** What did you see? The sheet as it should be, and as each likely mistake would have made it; then why, how to tell, and the cure. */
export function CoachLook({ sandwich, result, noted = null, onCure, onThis }: Props) {
  const read = useWords();
  const [own, setOwn] = useState<Said>();
  const [none, setNone] = useState(false);
  const [drill, setDrill] = useState<Cause>();
  const [photo, setPhoto] = useState<File>();
  const all = useQuery({ ...coachOptions({ body: { sandwich, settled: {} } }), staleTime: Infinity });
  const begun = all.data?.sights.find((sight) => sight.outcome === result && result !== 'other')?.key;
  const said: Said = own ?? { settled: {}, ...(begun && { seen: begun }) };
  const { seen, at, felt, picked, settled } = said;
  const asked = seen !== undefined || felt !== undefined || Object.keys(settled).length > 0;
  const found = useQuery({
    ...coachOptions({ body: { sandwich, ...said } }),
    enabled: asked && !none,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  if (all.error) return <Box sx={{ color: colour.quiet }}>{asSentence(all.error, t('The sandwich'))}</Box>;
  if (!all.data) return <Box sx={{ color: colour.quiet }}>{t('Trying every mistake …')}</Box>;

  const change = (changed: { [K in keyof Said]?: Said[K] | undefined }) => {
    setNone(false);
    setOwn(without({ ...said, ...changed }));
  };
  const answers: Answers = {
    settled,
    onLook: (look, so) => change({ settled: withLook(settled, look, so) }),
    onCure,
    onThis: (cause) => {
      const key = seen ?? cause.shows;
      onThis(cause, all.data.sights.find((sight) => sight.key === key)?.outcome ?? 'other', felt);
    },
    onPage: (cause) =>
      saveTeachingPage({ sandwich, cause: cause?.key ?? null }, cause ? read(cause.title) : sandwich.name),
    onDrill: setDrill,
    noted,
  };
  return (
    <Box data-testid="coach">
      {photo && (
        <ReadSheet
          key={`${photo.name} ${photo.lastModified}`}
          begun
          file={photo}
          sandwich={sandwich}
          onClose={() => setPhoto(undefined)}
          onUse={(_outcome, _words, reading) =>
            change({
              seen: reading.called ?? undefined,
              at: reading.at_mm ?? undefined,
              picked: undefined,
            })
          }
        />
      )}
      {drill && <DrillDialog sandwich={sandwich} cause={drill} onClose={() => setDrill(undefined)} />}
      <Typography variant="h2">{t('What did you see?')}</Typography>
      <Box sx={{ color: colour.quiet, marginBottom: '8px' }}>
        {t(
          'Each picture is your sheet, pressed with that mistake in the pile. Ink, tape and heat are drawn on. Pick the one that looks like yours.',
        )}
      </Box>
      <MistakePictures
        sandwich={sandwich}
        causes={all.data.causes.filter((cause) => cause.pictured)}
        picked={picked}
        at={at}
        onPoint={(place) => change({ at: place })}
        onPick={(cause) => change({ picked: cause.key, seen: cause.shows as Seen })}
      />
      <Choices
        label={t('Or say it')}
        options={all.data.sights.map((sight) => ({ key: sight.key, name: read(sight.title) }))}
        value={none ? undefined : seen}
        onChange={(key) => change({ seen: key, picked: undefined })}
      />
      <Choices
        label={t('What you felt')}
        lead={t('On the crank:')}
        options={all.data.feelings.map((feeling) => ({ key: feeling.key, name: read(feeling.title) }))}
        value={none ? undefined : felt}
        onChange={(key) => change({ felt: key })}
      />
      <OtherWays
        none={none}
        begun={own !== undefined}
        at={at}
        onPhoto={setPhoto}
        onNone={() => setNone(true)}
        onPage={() => answers.onPage(undefined)}
        onStartOver={() => {
          setNone(false);
          setOwn({ settled: {} });
        }}
        onAnywhere={() => change({ at: undefined })}
      />
      {found.error && (
        <Box role="alert" sx={{ color: colour.stop }}>
          {asSentence(found.error, t('The spot'))}
        </Box>
      )}
      {none ? (
        <NoneOfThese causes={all.data.causes} answers={answers} />
      ) : (
        asked &&
        found.data && (
          <>
            <Causes found={found.data} answers={answers} />
            <Rescues rescues={found.data.rescues} />
          </>
        )
      )}
    </Box>
  );
}

interface OtherWaysProps {
  none: boolean;
  begun: boolean;
  at: Said['at'];
  onPhoto: (file: File) => void;
  onNone: () => void;
  onPage: () => void;
  onStartOver: () => void;
  onAnywhere: () => void;
}

/** Ways on for whom no picture helps, or who was wrong. */
function OtherWays({ none, begun, at, onPhoto, onNone, onPage, onStartOver, onAnywhere }: OtherWaysProps) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 14px' }}>
      <Button component="label" sx={{ fontSize: 13.5 }}>
        {t('Use a photo')}
        <HiddenFileInput
          accept="image/jpeg,image/png,image/webp,image/heic,image/heif"
          testId="coach-photo"
          onFile={onPhoto}
        />
      </Button>
      <Button onClick={onNone} aria-pressed={none} sx={{ fontSize: 13.5 }}>
        {t('None of these')}
      </Button>
      <Button onClick={onPage} sx={{ fontSize: 13.5 }}>
        {t('This pile as a page, PDF')}
      </Button>
      {begun && (
        <Button onClick={onStartOver} sx={{ fontSize: 13.5 }}>
          {t('Start over')}
        </Button>
      )}
      {at && (
        <Button onClick={onAnywhere} sx={{ fontSize: 13.5 }}>
          {t('Not only there')}
        </Button>
      )}
    </Box>
  );
}

/** What was said, without what was taken back. */
const without = (said: Record<string, unknown>): Said => {
  const kept = Object.entries(said).filter(([, value]) => value !== undefined);
  return { settled: {}, ...Object.fromEntries(kept) };
};

/** Looks with one more, or one taken back. */
function withLook(settled: Record<string, boolean>, look: string, so: boolean | undefined) {
  const others = Object.entries(settled).filter(([key]) => key !== look);
  return Object.fromEntries(so === undefined ? others : [...others, [look, so]]);
}

/** No picture resembles it: what to look at next, cheapest first. */
function NoneOfThese({ causes, answers }: { causes: Cause[]; answers: Answers }) {
  const looks = [...new Map(causes.map(({ look }) => [look.key, look])).values()];
  return (
    <Box>
      <Box sx={{ margin: '6px 0' }}>
        {t('Then check these, quickest first. An answer moves its causes up.')}
      </Box>
      <Box component="ol" aria-label={t('Checks')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {looks
          .sort((one, other) => one.costs_s - other.costs_s)
          .map((look) => (
            <li key={look.key}>
              <OneLook look={look} answers={answers} />
            </li>
          ))}
      </Box>
      <Box sx={{ color: colour.quiet, marginTop: '6px' }}>
        {t(
          "If nothing fits, press one sheet of scrap in the same pile. If it happens again it's the pile; if not, it was the sheet.",
        )}
      </Box>
    </Box>
  );
}

interface ChoicesProps<T extends string> {
  label: string;
  lead?: string;
  options: { key: T; name: string }[];
  value: T | undefined;
  onChange: (key: T | undefined) => void;
}

/** One of some, or none: what is taken again is taken back. */
function Choices<T extends string>({ label, lead, options, value, onChange }: ChoicesProps<T>) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 14px', margin: '10px 0' }}
    >
      {lead && <span style={{ color: colour.quiet, fontSize: 14 }}>{lead}</span>}
      {options.map(({ key, name }) => (
        <ButtonBase
          key={key}
          aria-pressed={key === value}
          onClick={() => onChange(key === value ? undefined : key)}
          sx={{
            fontSize: 14,
            minHeight: 26,
            color: key === value ? colour.ink : colour.quiet,
            fontWeight: key === value ? 700 : 400,
            borderBottom: `2px solid ${key === value ? colour.accent : 'transparent'}`,
          }}
        >
          {name}
        </ButtonBase>
      ))}
    </Box>
  );
}
