import { useEffect } from 'react';
import { follow, useGauge } from './gauge';

/** Hears the gauge while a place is open where something can be measured. */
export function useGaugeFollow(): void {
  const address = useGauge((gauge) => gauge.found?.address);
  useEffect(() => (address === '' ? undefined : follow()), [address]);
}
