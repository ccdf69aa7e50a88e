import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useParams } from 'react-router';
import { listJobsQueryKey, planJobOptions, sizesOfJobOptions } from '../../api/gen/@tanstack/react-query.gen';
import { deleteJob, envelopeForJob, resizePiece } from '../../api/gen/sdk.gen';
import type { JobFile, Plan, SizesAnswer } from '../../api/gen/types.gen';
import { asSentence, ServiceError } from '../../api/refusal';
import { Notice } from '../../shared/Notice';
import { Segments } from '../../shared/Segments';
import { useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { CardDrawing } from './CardDrawing';
import { Entry } from './Entry';
import { OrderLook } from './OrderLook';
import { Pieces, type Follows } from './Pieces';
import { usePlan } from './planStore';
import { PostLook } from './PostLook';
import { SheetsLook } from './SheetsLook';
import { useOpenedPlan } from './useOpenedPlan';
import { Wishes } from './Wishes';

const LOOKS = ['Card', 'Sheets', 'Order', 'Post'] as const;
type Look = (typeof LOOKS)[number];
const LOOK_WORDS = { Card: t('Card'), Sheets: t('Sheets'), Order: t('Order'), Post: t('Post') };

/** `/plan/:id`: one job; the card left, always, and one look at it right. */
export function PlanPlace() {
  const { id = '' } = useParams();
  const opened = useOpenedPlan(id);
  if (!opened.job) return opened.instead;
  return <Planned job={opened.job} />;
}

function Planned({ job }: { job: JobFile }) {
  const { id = '', version, change, undo, redo } = usePlan();
  const [look, setLook] = useState<Look>('Card');
  const [selected, setSelected] = useState(job.pieces[0]?.key);
  const [refused, setRefused] = useState<Error>();
  const [follows, setFollows] = useState<Follows>('borders');
  const sizes = useQuery({
    ...sizesOfJobOptions({ body: job }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  const wanted = look === 'Sheets' || look === 'Order';
  const plan = useQuery({
    ...planJobOptions({ body: job }),
    enabled: wanted && !sizes.error,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  useHotkeys('u', undo);
  useHotkeys('shift+u', redo);
  const step = (by: number) =>
    setLook(LOOKS[(LOOKS.indexOf(look) + by + LOOKS.length) % LOOKS.length] ?? 'Card');
  useHotkeys('[', () => step(-1), { useKey: true });
  useHotkeys(']', () => step(1), { useKey: true });
  const tell = (next: JobFile) => {
    setRefused(undefined);
    change(next);
  };
  const worked = (next: Promise<JobFile>) => void next.then(tell, setRefused);
  const resize = (piece: string, size: string) => {
    const root = !job.pieces.find((one) => one.key === piece)?.on;
    worked(resizePiece({ body: { job, piece, size, follows: root ? 'sizes' : follows } }));
  };
  const failed = refused ?? sizes.error ?? (wanted ? plan.error : null);
  const wrong = failed instanceof ServiceError ? (failed.field ?? '') : '';
  const subject = nameIn(job, wrong);
  return (
    <Box
      sx={{
        height: '100%',
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '5fr 7fr' },
        gridAutoRows: { xs: 'max-content', md: '100%' },
        overflow: { xs: 'auto', md: 'hidden' },
      }}
    >
      <Box
        component="section"
        aria-label={t('The card')}
        sx={{ padding: '16px 24px', overflow: { md: 'auto' } }}
      >
        <PlanHead job={job} wrong={wrong} onChange={tell} />
        {sizes.data && (
          <CardDrawing
            job={job}
            sizes={sizes.data.sizes}
            stale={sizes.isPlaceholderData}
            selected={selected}
            onSelect={setSelected}
            onChange={tell}
            onResize={(key, size) => resize(key, size)}
          />
        )}
      </Box>
      <Box
        component="section"
        aria-label={t('Parts of the plan')}
        sx={{
          padding: '16px 24px 40px',
          overflow: { md: 'auto' },
          borderLeft: { md: `1px solid ${colour.hairline}` },
        }}
      >
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'baseline',
            gap: '4px 24px',
            marginBottom: '12px',
          }}
        >
          <Segments label={t('Look')} value={look} options={LOOKS} names={LOOK_WORDS} onChange={setLook} />
          <Box sx={{ flex: 1 }} />
          <Files id={id} />
          <Remove id={id} version={version} onRefused={setRefused} />
        </Box>
        {failed && (
          <Box role="alert" sx={{ color: colour.stop, marginBottom: '10px' }}>
            {asSentence(failed, subject)}
          </Box>
        )}
        {look === 'Card' && (
          <Pieces
            job={job}
            sizes={sizes.data?.sizes ?? []}
            selected={selected}
            wrong={wrong}
            onSelect={setSelected}
            onChange={tell}
            follows={follows}
            onFollows={setFollows}
            onResize={(key, size) => resize(key, size)}
            onEnvelope={() => worked(envelopeForJob({ body: job }))}
          />
        )}
        <PlanLook
          id={id}
          job={job}
          look={look}
          sizes={sizes.data}
          plan={plan}
          failed={failed !== null}
          onChange={tell}
        />
      </Box>
    </Box>
  );
}

interface PlanLookProps {
  id: string;
  job: JobFile;
  look: Look;
  sizes: SizesAnswer | undefined;
  plan: { data?: Plan | undefined; isFetching: boolean; isPlaceholderData: boolean };
  failed: boolean;
  onChange: (job: JobFile) => void;
}

/** One look at what was planned: sheets, order of work, post. */
function PlanLook({ id, job, look, sizes, plan, failed, onChange }: PlanLookProps) {
  return (
    <>
      {(look === 'Sheets' || look === 'Order') && !plan.data && !failed && (
        <Notice title={t('Planning')} text={t('Trying cuts and hours takes a few seconds.')} />
      )}
      <Box aria-busy={plan.isFetching} sx={{ opacity: plan.isPlaceholderData ? 0.6 : 1 }}>
        {look === 'Sheets' && plan.data && (
          <SheetsLook id={id} job={job} plan={plan.data} onChange={onChange} />
        )}
        {look === 'Order' && plan.data && (
          <OrderLook id={id} job={job} plan={plan.data} onChange={onChange} />
        )}
      </Box>
      {look === 'Order' && !plan.data && (job.wanted ?? []).length > 0 && (
        <Wishes job={job} plan={undefined} onChange={onChange} />
      )}
      {look === 'Post' && sizes && (
        <PostLook
          job={job}
          onChange={onChange}
          post={sizes.post}
          names={new Map(job.pieces.map((piece) => [piece.key, piece.name]))}
        />
      )}
    </>
  );
}

/** What the plan is called, how many it makes; undo, redo, and whether it is saved. */
function PlanHead({
  job,
  wrong,
  onChange,
}: {
  job: JobFile;
  wrong: string;
  onChange: (job: JobFile) => void;
}) {
  const { undo, redo, past, future, saved, trouble } = usePlan();
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', gap: '4px 16px' }}>
        <Typography variant="h1" component="h1" sx={{ fontSize: 22 }}>
          <Entry
            label={t('Name of the plan')}
            value={job.name}
            wide={Math.min(Math.max(job.name.length * 12.5, 160), 400)}
            onCommit={(name) => onChange({ ...job, name })}
          />
        </Typography>
        <span>
          <Entry
            label={t('How many')}
            value={String(job.count)}
            wide={52}
            invalid={wrong === 'count'}
            onCommit={(text) => {
              const count = Number(text);
              if (Number.isInteger(count) && count >= 1 && count <= 5000) onChange({ ...job, count });
            }}
          />{' '}
          {t('to make')}
        </span>
        <span style={{ color: colour.quiet, fontSize: 13.5 }}>
          {job.unit === 'in' ? t('ruled in inches') : t('ruled in millimeters')}
        </span>
      </Box>
      <Box sx={{ display: 'flex', gap: '12px', color: colour.quiet, fontSize: 13.5, margin: '2px 0 8px' }}>
        <Button disabled={past.length === 0} onClick={undo} title="u">
          {t('Undo')}
        </Button>
        <Button disabled={future.length === 0} onClick={redo} title={t('Shift+u')}>
          {t('Redo')}
        </Button>
        <span role="status">{trouble ?? (saved ? t('saved') : t('saving'))}</span>
      </Box>
    </>
  );
}

/** Now, on the clock of whoever reads it, to the minute. */
const localNow = (): string =>
  new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 16);

/** The plan as files. */
function Files({ id }: { id: string }) {
  const { unit } = useUnit();
  const [begin] = useState(localNow);
  const address = (kind: string) => `/api/jobs/${id}/file?kind=${kind}&unit=${unit}&begin=${begin}`;
  return (
    <Box sx={{ display: 'flex', gap: '12px', fontSize: 13.5 }}>
      {(['pdf', 'svg', 'ics'] as const).map((kind) => (
        <a key={kind} href={address(kind)} download style={{ color: colour.accent }}>
          {{ pdf: t('pages'), svg: t('drawing'), ics: t('calendar') }[kind]}
        </a>
      ))}
    </Box>
  );
}

function Remove({
  id,
  version,
  onRefused,
}: {
  id: string;
  version: number;
  onRefused: (why: Error) => void;
}) {
  const go = useNavigate();
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const remove = async () => {
    try {
      await deleteJob({ path: { job_id: id }, query: { version } });
      await queries.invalidateQueries({ queryKey: listJobsQueryKey() });
      await go('/plan');
    } catch (error) {
      onRefused(error as Error);
    }
  };
  return (
    <Button
      onBlur={() => setAsked(false)}
      onClick={() => (asked ? void remove() : setAsked(true))}
      sx={{ fontSize: 13.5 }}
    >
      {asked ? t('Delete it for good') : t('Delete')}
    </Button>
  );
}

/** The name of the piece that a refusal speaks of. */
function nameIn(job: JobFile, field: string): string | undefined {
  const key = /^pieces\.([^.]+)\./.exec(field)?.[1];
  return job.pieces.find((piece) => piece.key === key)?.name;
}
