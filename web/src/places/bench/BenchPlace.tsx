import Box from '@mui/material/Box';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Navigate, useParams } from 'react-router';
import { ServiceError } from '../../api/refusal';
import { SANDWICHES, sandwichesQuery, sandwichQuery } from '../../api/queries';
import { Notice } from '../../shared/Notice';
import { useEditor } from '../../sandwich/store';
import { Bench } from './Bench';
import { FirstSandwich } from './FirstSandwich';
import { UnreadableSandwich } from './UnreadableSandwich';
import { t } from '../../words/words';

const LAST = 'lofty-last-sandwich';

/** `/bench`: goes on with the sandwich that was open last. */
export function BenchHome() {
  const list = useQuery(sandwichesQuery());
  if (!list.data) return <Waiting error={list.error} />;
  const last = localStorage.getItem(LAST);
  const found = list.data.sandwiches.find((summary) => summary.id === last) ?? list.data.sandwiches[0];
  return found ? <Navigate to={`/bench/${found.id}`} replace /> : <FirstSandwich />;
}

/** `/bench/:id`: one sandwich on the bench. */
export function BenchPlace() {
  const { id = '' } = useParams();
  const record = useQuery(sandwichQuery(id));
  const opened = useEditor((editor) => editor.id);
  const open = useEditor((editor) => editor.open);
  const sandwich = useEditor((editor) => editor.sandwich);
  useListFollow();

  useEffect(() => {
    if (!record.data) return;
    open(record.data);
    localStorage.setItem(LAST, record.data.id);
  }, [record.data, open]);

  if (opened === id && sandwich) return <Bench id={id} sandwich={sandwich} gone={record.data?.gone ?? []} />;
  if (record.error instanceof ServiceError && record.error.code === 'stored-unreadable')
    return <UnreadableSandwich id={id} reason={record.error.message} />;
  return <Waiting error={record.error} />;
}

/** Lists of sandwiches follow what is saved here. */
function useListFollow(): void {
  const client = useQueryClient();
  const savedAt = useEditor((editor) => editor.savedAt);
  useEffect(() => {
    if (savedAt) void client.invalidateQueries({ queryKey: SANDWICHES });
  }, [savedAt, client]);
}

function Waiting({ error }: { error: Error | null }) {
  return (
    <Box sx={{ padding: 6 }}>
      {error ? (
        <Notice title={t("Can't open this sandwich.")} text={error.message} />
      ) : (
        <Notice title={t('Opening the sandwich')} text={t('One moment.')} />
      )}
    </Box>
  );
}
