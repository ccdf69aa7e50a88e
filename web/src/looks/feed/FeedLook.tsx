import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { Lying, NextRun, PlateFace, Sandwich } from '../../api/client';
import { feedQuery, lyingQuery, nextRunQuery, plateWearQuery } from '../../api/queries';
import type { Work } from '../../sandwich/placing';
import { useWidth } from '../../shared/useWidth';
import { Notice } from '../../shared/Notice';
import { Segments } from '../../shared/Segments';
import { colour } from '../../theme/tokens';
import { AtTheLine } from './AtTheLine';
import { bedScale } from './bedScale';
import { BedView, placingOf } from './BedView';
import { CrankChart } from './CrankChart';
import { PARTS, useFeedChoices } from './feedChoices';
import { LayPart } from './LayPart';
import { PassesPart } from './PassesPart';
import { PlaceLine } from './PlaceLine';
import { PlatesPart } from './PlatesPart';
import { RegisterPart } from './RegisterPart';
import { WearMap } from './WearMap';

const WIDEST = 640;
const MOST_HEIGHT = 328;
const LEAST_SCALE = 1; // a surface cut over once throughout

interface Props {
  /** The sandwich as it is kept. */
  sandwich: Sandwich;
  /** The sandwich as it would be if the drag that is going on ended here. */
  shown: Sandwich;
  moving: boolean;
}

/** Where and how it goes between the rollers, and what that does to the plates. */
export function FeedLook({ sandwich, shown, moving }: Props) {
  const { part, first, wear, set } = useFeedChoices();
  const lying = useQuery(lyingQuery(shown));
  const advice = useQuery(feedQuery(sandwich, first));
  const next = useQuery(nextRunQuery(sandwich));
  const [at, setAt] = useState<number>();
  const [room, width] = useWidth(WIDEST);
  const worn = useWear(next.data, wear);
  const still = useQuery(lyingQuery(sandwich)).data;
  const bed = useMemo(
    () => still && bedScale(still.shapes, still.feed_width_mm, width, MOST_HEIGHT),
    [still, width],
  );
  if (!lying.data || !bed) {
    if (lying.error) return <Notice title="The feed cannot be worked out." text={lying.error.message} />;
    return <Notice title="Laying it out" text="One moment." />;
  }
  if (shown.layers.length === 0)
    return (
      <Notice title="The bed is empty" text="Lay something between the rollers, and it is drawn here." />
    );
  const { data } = lying;
  const now = placingOf(data.placing);
  const work = workOf(shown, data);
  const line = at ?? data.crank.x_mm[data.crank.force_n.indexOf(data.crank.peak_n)] ?? peakPlace(data.crank);
  const plate = next.data && shown.layers.find((layer) => layer.id === next.data?.layer);
  const shape = plate && data.shapes.find((candidate) => candidate.layer === plate.id);
  const worst = worn ? Math.max(...worn.crossed.map((row) => Math.max(...row))) : 0;
  const fresh = advice.data && !advice.isPlaceholderData && !moving ? advice.data : undefined;
  return (
    <Box ref={room} sx={{ fontSize: 13.5 }}>
      <BedView
        lying={data}
        bed={bed}
        advice={fresh?.advice}
        work={work}
        at={line}
        onAt={setAt}
        under={
          worn && plate && shape ? (
            <WearMap
              wear={worn}
              layer={plate}
              shape={shape}
              bed={bed}
              below={(worn.face === 'face') === plate.turned}
              top={Math.max(LEAST_SCALE, worst)}
            />
          ) : null
        }
      />
      <CrankChart
        crank={data.crank}
        better={fresh?.advice?.crank}
        bed={bed}
        at={line}
        onAt={setAt}
        drive={shown.press.drive}
      />
      <AtTheLine lying={data} at={line} drive={shown.press.drive} />
      {now && work && <PlaceLine now={now} work={work} />}
      <Box sx={{ display: 'flex', margin: '8px 0 6px', borderBottom: `1px solid ${colour.hairline}` }}>
        <Box sx={{ flex: 1 }}>
          <Segments
            label="About the feed"
            value={part}
            options={PARTS}
            onChange={(choice) => set({ part: choice })}
          />
        </Box>
        {next.data && (
          <Segments
            label="Wear under the work"
            value={wear ? 'wear' : 'no wear'}
            options={['wear', 'no wear']}
            names={{
              wear: worst > 0 ? `wear, darkest ${worst.toFixed(1)}×` : 'wear',
              'no wear': 'hidden',
            }}
            hints={{ wear: 'How often the blade has gone over each place of the face that it meets' }}
            onChange={(choice) => set({ wear: choice === 'wear' })}
          />
        )}
      </Box>
      {part === 'Lay it' && <LayPart sandwich={shown} lying={data} advice={fresh?.advice} work={work} />}
      {part === 'Plates' && (
        <PlatesPart sandwich={sandwich} next={next.data} fresh={!next.isPlaceholderData && !moving} />
      )}
      {part === 'Register' && <RegisterPart sandwich={shown} lying={data} />}
      {part === 'Two passes' && <PassesPart passes={fresh?.passes} />}
    </Box>
  );
}

/** Wear of the face that the blade meets. */
function useWear(next: NextRun | null | undefined, wanted: boolean) {
  const face: PlateFace = next?.face ?? 'face';
  const marks = Math.round((next?.as_it_lies.worst ?? 0) * 1000);
  const wear = useQuery({
    ...plateWearQuery(next?.item_id, face, marks),
    enabled: wanted && next != null,
  });
  return wanted && next ? wear.data : undefined;
}

/** What moves as one; a folder is drawn once, by its raised half, and moves with both. */
function workOf(sandwich: Sandwich, lying: Lying): Work | undefined {
  if (!lying.lead) return undefined;
  const drawn = new Set(lying.shapes.filter((shape) => shape.moves).map((shape) => shape.layer));
  const items = new Set(sandwich.layers.filter((l) => l.half && drawn.has(l.id)).map((l) => l.item));
  const moving = sandwich.layers.filter((l) => drawn.has(l.id) || (l.half && items.has(l.item)));
  return { lead: lying.lead, moving: new Set(moving.map((layer) => layer.id)) };
}

function peakPlace(crank: { x_mm: number[]; force_n: number[] }): number {
  return crank.x_mm[crank.force_n.indexOf(Math.max(...crank.force_n))] ?? 0;
}
