import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation, useNavigate } from 'react-router';
import { assessmentQuery } from '../../../api/queries';
import { told } from '../../../api/refusal';
import { useEditor } from '../../../sandwich/store';
import { say } from '../../../shared/notices';
import { colour } from '../../../theme/tokens';
import { t } from '../../../words/words';
import { useLook } from '../useLook';
import { useTour } from './useTour';

/** A line at the foot of the page that leads a newcomer once from a pile that does not feed to its sheet under the lamp. */
export function Tour() {
  const tour = useTour();
  const { look, setLook } = useLook();
  const opened = useEditor((editor) => editor.id);
  const sandwich = useEditor((editor) => editor.sandwich);
  const { pathname } = useLocation();
  const here = opened !== undefined && opened === tour.on && pathname === `/bench/${opened}`;
  const judged = useQuery(assessmentQuery(here ? sandwich : undefined));
  const navigate = useNavigate();
  if (!tour.from) return null;
  const guarded = (work: Promise<unknown>) => {
    work.catch((error: unknown) => say(told(error)));
  };
  const begin = () => {
    setLook('verdict');
    guarded(tour.begin(tour.from).then((id) => navigate(`/bench/${id}`)));
  };
  const feeds = judged.data?.verdict?.zone === 'right';
  const right = feeds && !judged.data?.verdict?.good?.breaks;
  const pressed = look === 'sheet';
  return (
    <Box
      component="aside"
      aria-label={t('First job')}
      data-testid="tour"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: '4px 16px',
        padding: '8px 24px',
        borderTop: `2px solid ${colour.accent}`,
        background: colour.accentWash,
        flexShrink: 0,
      }}
    >
      <Box aria-live="polite" sx={{ flex: 1, minWidth: 260 }}>
        <Said
          here={here}
          begun={tour.on !== null}
          feeds={feeds}
          right={right}
          pressed={pressed}
          lit={tour.lit}
        />
      </Box>
      {tour.on === null && (
        <Button variant="contained" onClick={begin}>
          {t('Start: three minutes')}
        </Button>
      )}
      {tour.on !== null && !here && <Link to={`/bench/${tour.on}`}>{t('Back to it')}</Link>}
      {here && right && pressed && !tour.lit && (
        <Button variant="contained" onClick={tour.light}>
          {t('I see it')}
        </Button>
      )}
      {here && right && pressed && tour.lit && (
        <Button variant="contained" component={Link} to="/set-out" onClick={() => guarded(tour.end())}>
          {t('Set out your press')}
        </Button>
      )}
      <Button color="inherit" onClick={() => guarded(tour.end())}>
        {tour.lit ? t('Done') : t("Skip, and don't show again")}
      </Button>
    </Box>
  );
}

interface Where {
  here: boolean;
  begun: boolean;
  feeds: boolean;
  right: boolean;
  pressed: boolean;
  lit: boolean;
}

function Said({ here, begun, feeds, right, pressed, lit }: Where) {
  if (!begun)
    return (
      <>
        {t(
          "New here? Take a deep folder that won't feed, fix its pile, press it, and look at it under the lamp.",
        )}
      </>
    );
  if (!here) return <>{t('The guided job waits on the Bench.')}</>;
  if (!feeds)
    return (
      <>
        {t(
          "1 of 4. This pile is too thick: the rollers don't pull it in. The first finding says what to do. Press its button, or the f key.",
        )}
      </>
    );
  if (!right)
    return <>{t('It goes through now, but the sheet may crack. Press u to take that back, then f.')}</>;
  if (!pressed)
    return (
      <>
        {t(
          "2 of 4. Now it's right, and you see how often the sheet comes out good. Open Pressed sheet to press it.",
        )}
      </>
    );
  if (!lit)
    return (
      <>
        {t(
          "3 of 4. That's the sheet as it comes out. Drag the sun over it: that's the lamp. Low, it shows what's faint; high, what's deep.",
        )}
      </>
    );
  return (
    <>{t('4 of 4. From here, try anything. u takes it back, ? shows the keys. Next: your own press.')}</>
  );
}
