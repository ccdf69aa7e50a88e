import type {
  FaceSummary,
  FeedData,
  GetImpressionFieldsData,
  ListShelfData,
  ReadReliefData,
  RunBody,
  ShelfEntry,
  Suggestion,
  TroubleRequest,
  Verdict,
} from './gen/types.gen';

/** Types that are a part of a generated one. */
export type Edit = Suggestion['edits'][number];
/** What a suggestion leads to. */
export type LeadsTo = NonNullable<Suggestion['outcome']>;
export type Zone = Verdict['zone'];
export type Seen = TroubleRequest['seen'];
export type Effort = NonNullable<RunBody['effort']>;
export type Outcome = NonNullable<RunBody['result']>;
export type Category = ShelfEntry['category'];
export type PlateFace = FaceSummary['face'];
export type FieldName = GetImpressionFieldsData['query']['names'][number];
export type ReliefWish = NonNullable<ReadReliefData['query']>;
export type FeedWish = Required<NonNullable<FeedData['query']>>;
export type First = NonNullable<FeedWish['first']>;
export type Words = NonNullable<FeedWish['words']>;
/** Which part of the shelf is asked for. */
export type ShelfWindow = NonNullable<ListShelfData['query']>;
