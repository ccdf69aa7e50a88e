import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { deleteSandwich, rawSandwich } from '../../api/gen/sdk.gen';
import { SANDWICHES } from '../../api/queries';
import { download } from '../../shared/download';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { SandwichMenu } from './SandwichMenu';
import { told } from '../../api/refusal';
import { written } from '../../api/making';
import { t } from '../../words/words';

/** A sandwich that this version of the program cannot read: the others are as they were, and this one has a way out. */
export function UnreadableSandwich({ id, reason }: { id: string; reason: string }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const guarded = (work: () => Promise<unknown>) => () => {
    work().catch((error: unknown) => say(told(error)));
  };
  const stored = () => written(rawSandwich({ path: { sandwich_id: id }, parseAs: 'text' }));
  const remove = async () => {
    const text = await stored();
    const { version, name } = JSON.parse(text) as { version: number; name: string };
    await deleteSandwich({ path: { sandwich_id: id }, query: { version } });
    await client.invalidateQueries({ queryKey: SANDWICHES });
    say(t('“{name}” is removed. Its file is in your downloads.', { name }));
    download(text, 'as-stored.json', 'application/json');
    await navigate('/bench');
  };
  return (
    <Box sx={{ padding: 6 }}>
      <Notice title={t("Can't read this sandwich.")} text={reason}>
        <Button
          variant="contained"
          onClick={guarded(async () => download(await stored(), 'as-stored.json', 'application/json'))}
        >
          {t('Save it as stored')}
        </Button>
        <Button color="inherit" onClick={guarded(remove)} sx={{ marginLeft: 2 }}>
          {t('Save and remove it')}
        </Button>
        <Box sx={{ marginTop: 2 }}>
          {t('Other sandwiches:')} <SandwichMenu current={id} />
        </Box>
      </Notice>
    </Box>
  );
}
