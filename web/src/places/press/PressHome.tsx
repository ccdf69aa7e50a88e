import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { runPhoto, type RunSummary } from '../../api/client';
import { runsQuery } from '../../api/queries';
import { useEditor } from '../../sandwich/store';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { OUTCOMES } from './outcomes';
import { useStartRun } from './useStartRun';

/** `/press`: runs that are open, and those that were kept. */
export function PressHome() {
  const runs = useQuery(runsQuery);
  const sandwich = useEditor((editor) => editor.sandwich);
  const start = useStartRun();
  if (!runs.data)
    return (
      <Box sx={{ padding: 6 }}>
        {runs.error ? (
          <Notice
            title="The runs cannot be read."
            text={`${runs.error.message} It is tried again by itself.`}
          />
        ) : (
          <Notice title="Fetching the runs" text="One moment." />
        )}
      </Box>
    );
  const open = runs.data.filter((run) => run.state === 'open');
  const done = runs.data.filter((run) => run.state !== 'open');
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px', maxWidth: 980 }}>
      <Typography variant="h1">At the press</Typography>
      {sandwich && sandwich.layers.length > 0 && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, margin: '10px 0 18px' }}>
          <span>
            On the bench lies <b>{sandwich.name}</b>.
          </span>
          <Button variant="contained" onClick={start}>
            Run it
          </Button>
        </Box>
      )}
      {runs.data.length === 0 && (
        <Notice
          title="No run yet"
          text="Open a sandwich on the bench, or find one under Recipes, and take it to the press: one step a screen, and the space bar goes on."
        >
          <Link to="/recipes">Find a recipe</Link>
        </Notice>
      )}
      <List title="Not finished" runs={open} />
      <List title="Kept" runs={done} />
    </Box>
  );
}

function List({ title, runs }: { title: string; runs: RunSummary[] }) {
  if (runs.length === 0) return null;
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2" sx={{ margin: '16px 0 4px' }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {runs.map((run) => (
          <Box
            component="li"
            key={run.id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 2,
              borderBottom: `1px solid ${colour.hairline}`,
              minHeight: 40,
            }}
          >
            {run.photo ? (
              <img
                src={runPhoto(run.id, run.version)}
                alt={`What came out: ${run.name}`}
                height={36}
                width={48}
                style={{ objectFit: 'cover' }}
              />
            ) : (
              <Box sx={{ width: 48 }} />
            )}
            <Link to={`/press/${run.id}`} style={{ flex: 1, color: colour.ink }}>
              {run.name}
            </Link>
            <span style={{ color: colour.quiet }}>{run.press}</span>
            <span style={{ width: 190 }}>
              {run.state === 'open' ? 'go on' : run.result ? OUTCOMES[run.result] : run.state}
            </span>
            <span style={{ color: colour.quiet, width: 130, textAlign: 'right' }}>
              {when(run.created_at)}
            </span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The database's clock has no zone in its answer; it runs on the same machine. */
function when(moment: string): string {
  return new Date(moment).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
}
