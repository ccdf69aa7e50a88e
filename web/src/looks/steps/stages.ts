import type { Card as RunCard, Step as RunStep } from '../../api/gen/types.gen';

export const STAGE_TITLES: Record<RunStep['stage'], string> = {
  prepare: 'Prepare',
  build: 'Build, from the bottom up',
  feed: 'Feed',
  press: 'Press',
  look: 'Look',
  finish: 'Finish',
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
  return seconds < 90 ? `${Math.round(seconds)} seconds` : `${Math.round(seconds / 60)} minutes`;
}
