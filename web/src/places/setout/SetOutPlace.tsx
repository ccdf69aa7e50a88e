import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { HatchPatterns } from '../../sandwich/Hatching';
import { NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { BoxStep } from './BoxStep';
import { PilesStep } from './PilesStep';
import { PressStep } from './PressStep';
import { ReadyStep } from './ReadyStep';
import { ThingsStep } from './ThingsStep';
import { useSetOut } from './useSetOut';

const STEPS = [
  { title: t('Your press'), part: PressStep },
  { title: t('What came in its box'), part: BoxStep },
  { title: t('What else you own'), part: ThingsStep },
  { title: t('Piles that already work'), part: PilesStep },
  { title: t('Ready'), part: ReadyStep },
];
const AFTER_THINGS = 3;

/** `/set-out`: from a press and a heap of things to a room that can be judged; every step can be left and taken up again. */
export function SetOutPlace() {
  const step = useSetOut((store) => store.step);
  const pressId = useSetOut((store) => store.pressId);
  const change = useSetOut((store) => store.change);
  const Part = (STEPS[step] ?? STEPS[0])?.part ?? PressStep;
  return (
    <Box sx={{ display: 'flex', height: '100%', [NARROW]: { flexDirection: 'column', height: 'auto' } }}>
      <svg width={0} height={0} style={{ position: 'absolute' }} aria-hidden="true">
        <HatchPatterns />
      </svg>
      <Box
        component="nav"
        aria-label={t('Steps of setting out')}
        sx={{
          width: 250,
          flexShrink: 0,
          padding: '22px 24px',
          background: colour.paper,
          borderRight: `1px solid ${colour.hairline}`,
          [NARROW]: { width: 'auto', padding: '10px 16px', borderRight: 0 },
        }}
      >
        <Typography variant="h1" sx={{ marginBottom: 1 }}>
          {t('Set out')}
        </Typography>
        <Typography sx={{ color: colour.quiet, fontSize: 13.5, marginBottom: 2 }}>
          {t("Five minutes, no numbers you don't know. Leave at any step and go on later.")}
        </Typography>
        <Box
          component="ol"
          sx={{
            margin: 0,
            paddingLeft: '20px',
            [NARROW]: { display: 'flex', flexWrap: 'wrap', gap: '0 28px' },
          }}
        >
          {STEPS.map(({ title }, index) => (
            <li key={title} style={{ padding: '4px 0' }}>
              <ButtonBase
                disabled={index >= AFTER_THINGS && !pressId}
                aria-current={index === step ? 'step' : undefined}
                onClick={() => change({ step: index })}
                sx={{
                  fontSize: 15,
                  minHeight: 24,
                  fontWeight: index === step ? 700 : 400,
                  color:
                    index === step
                      ? colour.accent
                      : index >= AFTER_THINGS && !pressId
                        ? colour.quiet
                        : colour.ink,
                }}
              >
                {title}
              </ButtonBase>
            </li>
          ))}
        </Box>
      </Box>
      <Box
        sx={{
          flex: 1,
          minWidth: 0,
          overflowY: 'auto',
          padding: '22px 32px',
          [NARROW]: { padding: '12px 16px' },
        }}
      >
        <Part />
      </Box>
    </Box>
  );
}
