import type { Card as RunCard, Step as RunStep } from '../../api/gen/types.gen';
import { t } from '../../words/words';

export const STAGE_TITLES: Record<RunStep['stage'], string> = {
  prepare: t('Prepare'),
  build: t('Build, from the bottom up'),
  feed: t('Feed'),
  press: t('Press'),
  look: t('Look'),
  finish: t('Finish'),
};

const STAGES = Object.keys(STAGE_TITLES) as RunStep['stage'][];

/** Steps by stage, each with its number on the whole card. */
export function byStage(
  card: RunCard,
): { stage: RunStep['stage']; steps: { step: RunStep; number: number }[] }[] {
  const numbered = card.steps.map((step, index) => ({ step, number: index + 1 }));
  return STAGES.map((stage) => ({
    stage,
    steps: numbered.filter(({ step }) => step.stage === stage),
  })).filter(({ steps }) => steps.length > 0);
}

/** A time to wait as people say it. */
export function waitWords(seconds: number): string {
  return seconds < 90
    ? t('{n} seconds', { n: Math.round(seconds) })
    : t('{n} minutes', { n: Math.round(seconds / 60) });
}
