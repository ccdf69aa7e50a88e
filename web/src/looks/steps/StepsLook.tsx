import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Step as RunStep, Sandwich } from '../../api/gen/types.gen';
import { runCard, runCardPdf, runCardText } from '../../api/gen/sdk.gen';
import { cardQuery } from '../../api/queries';
import { download, fileName } from '../../shared/download';
import { lookOf, ToolLook } from '../../sandwich/ToolLook';
import { TOOLS } from '../../sandwich/traits.gen';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { useUnit, type Unit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { byStage, STAGE_TITLES, waitWords } from './stages';
import { useWords } from '../../shared/useWords';
import { told } from '../../api/refusal';
import { written } from '../../api/making';
import { readOut } from '../../words/words';
import { t } from '../../words/words';

interface Props {
  sandwich: Sandwich;
  selected: string | undefined;
  onSelect: (layer: string) => void;
  onPress: () => void;
}

/** The run card of the sandwich on the bench. */
export function StepsLook({ sandwich, selected, onSelect, onPress }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const card = useQuery(cardQuery(sandwich));
  if (sandwich.layers.length === 0)
    return (
      <Notice
        title={t('No steps yet')}
        text={t('They appear as soon as something is between the rollers.')}
      />
    );
  if (!card.data)
    return card.error ? (
      <Notice title={t("Can't write the card.")} text={card.error.message} />
    ) : (
      <Notice title={t('Writing the card')} text={t('One moment.')} />
    );
  const { stops, orders } = card.data;
  const tool = sandwich.layers
    .map(({ item }) => sandwich.items[item])
    .find((item) => item && TOOLS.includes(item.kind));
  return (
    <Box data-testid="run-card">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, marginBottom: '6px' }}>
        {tool && lookOf(tool) && <ToolLook item={tool} width={62} height={42} />}
        <Typography sx={{ flex: 1, color: colour.quiet }}>{read(card.data.subtitle)}</Typography>
        <SaveAs sandwich={sandwich} unit={unit} />
        <Button variant="contained" onClick={onPress} disabled={stops.length > 0}>
          {t('Go to the press')}
        </Button>
      </Box>
      {stops.map((stop, index) => (
        <Typography key={index} role="alert" sx={{ color: colour.stop, fontWeight: 600 }}>
          {t("Don't run it like this. {stop}", { stop: read(stop) })}
        </Typography>
      ))}
      <Box sx={{ columnCount: 2, columnGap: '28px' }}>
        {byStage(card.data).map(({ stage, steps }) => (
          <Box component="section" key={stage} aria-label={STAGE_TITLES[stage]}>
            <Typography variant="h3" sx={{ color: colour.accent, margin: '5px 0 1px', breakAfter: 'avoid' }}>
              {STAGE_TITLES[stage]}
            </Typography>
            {steps.map(({ step, number }) => (
              <StepRow
                key={number}
                step={step}
                number={number}
                lit={step.layer != null && step.layer === selected}
                onSelect={onSelect}
              />
            ))}
          </Box>
        ))}
        {orders.length > 0 && (
          <Box component="section" aria-label={t('Before and after')} sx={{ breakInside: 'avoid' }}>
            <Typography variant="h3" sx={{ color: colour.accent, margin: '5px 0 1px', breakAfter: 'avoid' }}>
              {t('Before and after')}
            </Typography>
            {orders.map((order, index) => (
              <Typography
                key={index}
                sx={{ fontSize: 12, lineHeight: 1.3, color: colour.quiet, marginBottom: '4px' }}
              >
                {read(order)}
              </Typography>
            ))}
          </Box>
        )}
      </Box>
    </Box>
  );
}

interface RowProps {
  step: RunStep;
  number: number;
  lit: boolean;
  onSelect: (layer: string) => void;
}

function StepRow({ step, number, lit, onSelect }: RowProps) {
  const { layer } = step;
  const read = useWords();
  const detail = read(step.detail);
  return (
    <Box
      onClick={layer ? () => onSelect(layer) : undefined}
      sx={{
        display: 'flex',
        gap: 1,
        marginBottom: '3px',
        breakInside: 'avoid',
        cursor: layer ? 'pointer' : 'default',
        borderLeft: `2px solid ${lit ? colour.accent : 'transparent'}`,
        marginLeft: '-8px',
        paddingLeft: '6px',
        fontSize: 13,
        lineHeight: 1.25,
      }}
    >
      <span style={{ color: colour.quiet, minWidth: 18, textAlign: 'right' }}>{number}</span>
      <div>
        {read(step.text)}
        {step.wait && <b>{t('Wait {time}.', { time: waitWords(step.wait.seconds) })}</b>}
        {detail && <div style={{ fontSize: 12, color: colour.quiet }}>{detail}</div>}
        {step.care.map((care, index) => (
          <div key={index} style={{ fontSize: 12, color: colour.stop }}>
            {read(care)}
          </div>
        ))}
      </div>
    </Box>
  );
}

function SaveAs({ sandwich, unit }: { sandwich: Sandwich; unit: Unit }) {
  const guarded = (work: () => Promise<void>) => () => {
    work().catch((error: unknown) => say(told(error)));
  };
  const pdf = guarded(async () =>
    download(await runCardPdf({ body: sandwich, query: { unit } }), fileName(sandwich.name, 'pdf')),
  );
  const text = guarded(async () =>
    download(await written(runCardText({ body: sandwich, query: { unit } })), fileName(sandwich.name, 'txt')),
  );
  const json = guarded(async () =>
    download(
      `${JSON.stringify(readOut(await runCard({ body: sandwich }), unit), null, 2)}\n`,
      fileName(sandwich.name, 'card.json'),
      'application/json',
    ),
  );
  return (
    <Box sx={{ display: 'flex' }}>
      <Button title={t('One page for the wall')} onClick={pdf}>
        {t('PDF')}
      </Button>
      <Button title={t('Plain text')} onClick={text}>
        {t('Text')}
      </Button>
      <Button title={t('For other programs')} onClick={json}>
        {t('JSON')}
      </Button>
    </Box>
  );
}
