import { create } from 'zustand';

/** What an instrument said of the thing in hand: the mean of its readings and how well that is known, and how many were slips. */
export interface Measured {
  mm: number;
  sd_mm: number;
  count: number;
  slips: number;
}

interface Hand {
  measured: Measured | null;
  /** Things measured so far; what was said before the present one is of another. */
  things: number;
}

/** The thing in hand, whose thickness the field with the focus is to show. */
export const useMeasured = create<Hand>()(() => ({ measured: null, things: 0 }));

/** Another thing is measured from now on. */
export function nextThing(): void {
  useMeasured.setState(({ things }) => ({ measured: null, things: things + 1 }));
}

/** An instrument said something of it; what it said already changes nothing. */
export function hear(measured: Measured | null): void {
  const { measured: before } = useMeasured.getState();
  const same =
    measured?.mm === before?.mm && measured?.count === before?.count && measured?.slips === before?.slips;
  if (!same) useMeasured.setState({ measured });
}
