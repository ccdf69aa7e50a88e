import type { Press } from '../api/gen/types.gen';
import { t } from '../words/words';

/** A force at the handle as a hand feels it, against what this press's drive is said to bear. */
export function effort(newton: number, drive: Press['drive']): string {
  if (newton > drive.limit_n)
    return drive.kind === 'motor' ? t('More than the motor has') : t('More than it should ever take');
  if (newton > drive.comfort_n) return t('Hard to turn');
  if (newton > drive.comfort_n / 2) return t('Firm, and easy to turn');
  return newton > 1 ? t('Light') : t('Almost nothing to feel');
}
