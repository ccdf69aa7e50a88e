import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { sandwichesQuery } from '../../api/queries';
import { t } from '../../words/words';
import { useStartRun } from '../press/useStartRun';

/** Takes the sandwich that a step of a plan presses to the press, from where a way leads back; says so where no sandwich has its name any more. */
export function AtPress({ pile, plan }: { pile: string; plan: string }) {
  const found = useQuery(sandwichesQuery(pile));
  const start = useStartRun();
  const sandwich = found.data?.sandwiches.find((one) => one.name === pile);
  if (found.data && !sandwich) return <span>{t('No sandwich has this name now.')}</span>;
  return (
    <Button
      disabled={!sandwich}
      aria-label={t('At the press: {pile}', { pile })}
      sx={{ fontSize: 13.5, padding: '0 6px' }}
      onClick={() => sandwich && start(sandwich.id, plan)}
    >
      {t('At the press')}
    </Button>
  );
}
