import type { Crank, FeedTrace } from '../../api/gen/types.gen';

const FELT = 0.1; // of the peak, from which the pile is felt

/** Where a row of forces first rises over a tenth of its peak; 0 where there is none. */
function onset(places: number[], forces: number[]): number {
  const peak = Math.max(0, ...forces);
  const first = forces.findIndex((force) => force > FELT * peak);
  return first < 0 ? 0 : (places[first] ?? 0);
}

/** A motor's trace along the computed crank: nobody knows where its feed began, so both are laid together where the pile is first felt. */
export function alongCrank(
  trace: Pick<FeedTrace, 'position_mm' | 'force_n'>,
  crank: Pick<Crank, 'x_mm' | 'handle_n'>,
): [number, number][] {
  const shift = onset(crank.x_mm, crank.handle_n) - onset(trace.position_mm, trace.force_n);
  return trace.position_mm.map((position, n) => [position + shift, trace.force_n[n] ?? 0]);
}
