import { useEffect } from 'react';
import { getSettings, keepSetting } from '../../api/gen/sdk.gen';
import { useUnit, UNIT_KEY } from '../../shared/units';

/** Keeps the chosen unit with the data too, so that it goes along to another machine; a browser that never chose takes it from there. */
export function useKeptUnit(): void {
  useEffect(() => {
    const chosen = () => localStorage.getItem(UNIT_KEY) !== null;
    if (!chosen())
      getSettings()
        .then(({ unit }) => {
          if (chosen()) return; // while the answer was on its way
          if (unit === 'in' || unit === 'mm') useUnit.getState().setUnit(unit);
        })
        .catch(() => undefined); // without an answer it stays in millimetres
    return useUnit.subscribe((now, before) => {
      if (now.unit !== before.unit)
        keepSetting({ path: { name: 'unit' }, body: now.unit }).catch(() => undefined);
    });
  }, []);
}
