import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readGivenDrill, readResults, writeResults } from '../../api/gen/sdk.gen';
import type { ResultsRead } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { download, fileName } from '../../shared/download';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { useClass } from './classStore';

const DRILL = 'open-drill';
const RESULTS = 'open-results';

/** Drills from a teacher and results for one, as files. */
export function ClassFiles() {
  const { done, who, set } = useClass();
  const [handed, setHanded] = useState<ResultsRead[]>([]);
  const navigate = useNavigate();
  const guarded = (work: Promise<unknown>) => {
    work.catch((error: unknown) => say(told(error)));
  };
  const openDrill = async (file: File) => {
    set({ open: await readGivenDrill({ body: file }) });
    await navigate('/coach/practice/given');
  };
  const save = async () => {
    const made = await writeResults({ body: { who: who.trim(), done } });
    download(
      `${JSON.stringify(made, null, 1)}\n`,
      fileName(t('Results of {who}', { who: who.trim() }), 'json'),
      'application/json',
    );
  };
  const open = async (file: File) => {
    const read = await readResults({ body: file });
    setHanded((before) => [...before.filter((one) => one.results.who !== read.results.who), read]);
  };
  return (
    <Box sx={{ margin: '14px 0 0', fontSize: 14 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 12px' }}>
        <Button onClick={() => document.getElementById(DRILL)?.click()}>
          {t("A teacher's drill, from a file…")}
        </Button>
        <Button onClick={() => document.getElementById(RESULTS)?.click()}>{t('Results of a class…')}</Button>
        <HiddenFileInput id={DRILL} accept=".json" onFile={(file) => guarded(openDrill(file))} />
        <HiddenFileInput id={RESULTS} accept=".json" onFile={(file) => guarded(open(file))} />
        {done.length > 0 && (
          <>
            <label>
              {t('Hand in as')}{' '}
              <input
                value={who}
                maxLength={120}
                onChange={(event) => set({ who: event.target.value })}
                style={{ font: 'inherit', width: 140, padding: '3px 6px' }}
              />
            </label>
            <Button variant="outlined" disabled={who.trim() === ''} onClick={() => guarded(save())}>
              {done.length === 1 ? t('Save one result') : t('Save {count} results', { count: done.length })}
            </Button>
            <Button color="inherit" onClick={() => set({ done: [] })}>
              {t('Start over')}
            </Button>
          </>
        )}
      </Box>
      {handed.length > 0 && <Handed handed={handed} />}
    </Box>
  );
}

/** What a class handed in, a learner a row. */
function Handed({ handed }: { handed: ResultsRead[] }) {
  const drills = [...new Set(handed.flatMap(({ results }) => results.done.map((one) => one.drill)))];
  return (
    <Box
      sx={{ overflowX: 'auto', marginTop: '8px' }}
      tabIndex={0}
      role="group"
      aria-label={t('Results of the class')}
    >
      <table style={{ borderCollapse: 'collapse' }}>
        <thead>
          <tr>
            <Cell head>{t('Who')}</Cell>
            {drills.map((drill) => (
              <Cell head key={drill}>
                {drill}
              </Cell>
            ))}
          </tr>
        </thead>
        <tbody>
          {handed.map(({ results, as_written }) => (
            <tr key={results.who}>
              <Cell>
                {results.who}
                {!as_written && <span style={{ color: colour.stop }}> {t('changed by hand')}</span>}
              </Cell>
              {drills.map((drill) => {
                const all = results.done.filter((one) => one.drill === drill);
                return (
                  <Cell key={drill}>
                    {all.length > 0 &&
                      t('{points} points', { points: Math.max(...all.map((one) => one.points)) })}
                  </Cell>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </Box>
  );
}

function Cell({ head = false, children }: { head?: boolean; children: React.ReactNode }) {
  const style = {
    textAlign: 'left',
    padding: '3px 18px 3px 0',
    borderBottom: `1px solid ${colour.hairline}`,
  } as const;
  return head ? <th style={style}>{children}</th> : <td style={style}>{children}</td>;
}
