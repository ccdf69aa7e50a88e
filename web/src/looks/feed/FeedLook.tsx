import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { Lying, NextRun, Wear as PlateWear, Sandwich } from '../../api/gen/types.gen';
import {
  assessmentQuery,
  feedQuery,
  lyingQuery,
  nextRunQuery,
  platesQuery,
  plateWearQuery,
} from '../../api/queries';
import { itemOf } from '../../sandwich/edits';
import { partsToMark } from '../../sandwich/parts';
import type { Work } from '../../sandwich/placing';
import { useWidth } from '../../shared/useWidth';
import { Notice } from '../../shared/Notice';
import { Segments } from '../../shared/Segments';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { Why } from '../calls/Why';
import { AtTheLine } from './AtTheLine';
import { bedScale } from './bedScale';
import { BedView, placingOf } from './BedView';
import { CrankChart } from './CrankChart';
import { MAPS, PARTS, useFeedChoices, type MapKind } from './feedChoices';
import { LayPart } from './LayPart';
import { PassesPart } from './PassesPart';
import { PlaceLine } from './PlaceLine';
import { PlatesPart, type PlateSide } from './PlatesPart';
import { RegisterPart } from './RegisterPart';
import { darkest, WearMap } from './WearMap';
import { t } from '../../words/words';

const WIDEST = 640;
const MOST_HEIGHT = 328;

interface Props {
  /** The sandwich as it is kept. */
  sandwich: Sandwich;
  /** The sandwich as it would be if the drag that is going on ended here. */
  shown: Sandwich;
  moving: boolean;
}

/** Where and how it goes between the rollers, and what that does to the plates. */
export function FeedLook({ sandwich, shown, moving }: Props) {
  const { part, first, words, map } = useFeedChoices();
  const lying = useQuery(lyingQuery(shown));
  const advice = useQuery(feedQuery(sandwich, { first, words }));
  const next = useQuery(nextRunQuery(sandwich));
  const judged = useQuery(assessmentQuery(sandwich));
  const parts = moving ? [] : partsToMark(judged.data);
  const [at, setAt] = useState<number>();
  const [room, width] = useWidth(WIDEST);
  const [chosen, setChosen] = useState<PlateSide>();
  const side = sideOf(shown, chosen, next.data);
  const worn = useWear(side, map !== 'hidden', next.data);
  const still = useQuery(lyingQuery(sandwich)).data;
  const bed = useMemo(
    () => still && bedScale(still.shapes, still.feed_width_mm, width, MOST_HEIGHT),
    [still, width],
  );
  if (!lying.data || !bed) {
    if (lying.error) return <Notice title={t("Can't work out the feed.")} text={lying.error.message} />;
    return <Notice title={t('Setting it up')} text={t('One moment.')} />;
  }
  if (shown.layers.length === 0)
    return (
      <Notice
        title={t('The bed is empty')}
        text={t('Put something between the rollers and it shows here.')}
      />
    );
  const { data } = lying;
  const now = placingOf(data.placing);
  const work = workOf(shown, data);
  const line = at ?? data.crank.x_mm[data.crank.force_n.indexOf(data.crank.peak_n)] ?? peakPlace(data.crank);
  const plate = shown.layers.find((layer) => itemOf(shown, layer).shelf_id === side?.id);
  const fresh = advice.data && !advice.isPlaceholderData && !moving ? advice.data : undefined;
  return (
    <Box ref={room} sx={{ fontSize: 13.5 }}>
      <BedView
        lying={data}
        sandwich={shown}
        bed={bed}
        advice={fresh?.advice}
        work={work}
        at={line}
        onAt={setAt}
        parts={parts}
        under={
          worn && plate ? (
            <WearMap
              wear={worn}
              kind={map}
              layer={plate}
              bed={bed}
              below={(worn.face === 'face') === plate.turned}
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
      {!moving && <Why sandwich={sandwich} first="handle" />}
      {now && work && <PlaceLine now={now} work={work} />}
      <PartsLine worn={worn} onPlate={side !== undefined} />
      {part === 'Lay it' && <LayPart sandwich={shown} lying={data} advice={fresh?.advice} />}
      {part === 'Plates' && (
        <PlatesPart
          sandwich={sandwich}
          next={next.data}
          fresh={!next.isPlaceholderData && !moving}
          shown={side}
          onShow={setChosen}
        />
      )}
      {part === 'Register' && <RegisterPart sandwich={shown} lying={data} />}
      {part === 'Two passes' && <PassesPart passes={fresh?.passes} />}
    </Box>
  );
}

/** What about the feed is shown below, and which map of the plate above. */
function PartsLine({ worn, onPlate }: { worn: PlateWear | undefined; onPlate: boolean }) {
  const unit = useUnit((choice) => choice.unit);
  const { part, map, set } = useFeedChoices();
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        margin: '8px 0 6px',
        borderBottom: `1px solid ${colour.hairline}`,
      }}
    >
      <Box sx={{ flex: '1 0 auto' }}>
        <Segments
          label={t('About the feed')}
          value={part}
          options={PARTS}
          onChange={(choice) => set({ part: choice })}
        />
      </Box>
      {onPlate && (
        <Segments
          label={t('Map of the plate')}
          value={map}
          options={MAPS}
          names={
            worn && map !== 'hidden'
              ? {
                  [map]: t('{map}, darkest {darkest}', {
                    map,
                    darkest: darkestWords(worn, map, unit),
                  }),
                }
              : {}
          }
          hints={HINTS}
          onChange={(choice) => set({ map: choice })}
        />
      )}
    </Box>
  );
}

/** The face of a plate whose map is drawn: the one chosen, if it is in the sandwich, else the one that the blade meets. */
function sideOf(
  sandwich: Sandwich,
  chosen: PlateSide | undefined,
  next: NextRun | null | undefined,
): PlateSide | undefined {
  if (chosen && Object.values(sandwich.items).some((item) => item.shelf_id === chosen.id)) return chosen;
  return next ? { id: next.item_id, face: next.face } : undefined;
}

function useWear(side: PlateSide | undefined, wanted: boolean, next: NextRun | null | undefined) {
  const plates = useQuery(platesQuery).data;
  const plate = plates?.find((candidate) => candidate.item_id === side?.id);
  const marks = plate?.faces.reduce((sum, face) => sum + face.marks, 0) ?? next?.as_it_lies.worst ?? 0;
  const wear = useQuery({
    ...plateWearQuery(side?.id, side?.face ?? 'face', marks),
    enabled: wanted && plate !== undefined, // one that was never cut on has nothing to show
  });
  return wanted && plate ? wear.data : undefined;
}

const HINTS: Record<MapKind, string> = {
  'cut over': t('How often the blade has cut each spot of this face'),
  scars: t('Depth of the deepest scar at each spot'),
  bow: t('How bowed the plate is: brown toward its back, green toward its face'),
  hidden: t('No map under the work'),
};

function darkestWords(wear: PlateWear, kind: MapKind, unit: 'mm' | 'in'): string {
  if (kind === 'hidden') return '';
  const most = darkest(wear, kind);
  return kind === 'cut over' ? `${most.toFixed(1)}×` : formatThickness(most, unit);
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
