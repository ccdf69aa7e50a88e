import type { Coach } from '../../api/gen/types.gen';

export type Sight = Coach['sights'][number];
export type Seen = Sight['key'];
export type Felt = Coach['feelings'][number]['key'];

/** What somebody says of a sheet. */
export interface Said {
  seen?: Seen;
  at?: [number, number];
  felt?: Felt;
  picked?: string;
  settled: Record<string, boolean>;
}
