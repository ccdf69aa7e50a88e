import type { ReactNode } from 'react';
import type { Assessment, Sandwich, Suggestion } from '../../api/gen/types.gen';
import { CallsLook } from '../../looks/calls/CallsLook';
import { BenchCoach } from '../../looks/coach/BenchCoach';
import { FeedLook } from '../../looks/feed/FeedLook';
import { ImpressionLook } from '../../looks/impression/ImpressionLook';
import { NipLook } from '../../looks/nip/NipLook';
import { RunsLook } from '../../looks/runs/RunsLook';
import { StepsLook } from '../../looks/steps/StepsLook';
import { t } from '../../words/words';

/** What a look is given to look at. */
export interface OnTheBench {
  id: string;
  /** As it is kept, and as it is shown while something is dragged. */
  sandwich: Sandwich;
  shown: Sandwich;
  moving: boolean;
  assessment: Assessment | undefined;
  selected: string | undefined;
  onSelect: (layer: string) => void;
  onFix: (fix: Suggestion) => void;
  onPress: () => void;
}

/** The looks at a sandwich by name, in the order of their tabs; one gives nothing while it still waits for the judgement. */
const SHOWN = {
  verdict: ({ shown, assessment, moving, onFix, onSelect }) =>
    assessment && (
      <CallsLook sandwich={shown} assessment={assessment} moving={moving} onFix={onFix} onSelect={onSelect} />
    ),
  sheet: ({ id, shown, assessment, moving }) =>
    assessment && <ImpressionLook key={id} sandwich={shown} moving={moving} />,
  feed: ({ id, sandwich, shown, moving }) => (
    <FeedLook key={id} sandwich={sandwich} shown={shown} moving={moving} />
  ),
  pressure: ({ shown, assessment }) => assessment && <NipLook sandwich={shown} />,
  steps: ({ shown, selected, onSelect, onPress }) => (
    <StepsLook sandwich={shown} selected={selected} onSelect={onSelect} onPress={onPress} />
  ),
  mistake: ({ id, sandwich }) => <BenchCoach key={id} id={id} sandwich={sandwich} />,
  history: ({ id, sandwich }) => <RunsLook key={id} id={id} sandwich={sandwich} />,
} satisfies Record<string, (bench: OnTheBench) => ReactNode>;

export type Look = keyof typeof SHOWN;
export const LOOKS = Object.keys(SHOWN) as Look[];

/** What the tabs of the looks say. */
export const LOOK_TITLES: Record<Look, string> = {
  verdict: t('Verdict'),
  sheet: t('Pressed sheet'),
  feed: t('Feed'),
  pressure: t('Pressure'),
  steps: t('Steps'),
  mistake: t('What went wrong'),
  history: t('History'),
};

/** One look at the sandwich on the bench. */
export const shownAs = (look: Look, bench: OnTheBench): ReactNode => SHOWN[look](bench);
