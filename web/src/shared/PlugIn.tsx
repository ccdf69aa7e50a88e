import Button from '@mui/material/Button';
import { useState } from 'react';
import { colour } from '../theme/tokens';
import { t } from '../words/words';

const EXAMPLE = '/dev/ttyUSB0';

interface Props {
  /** What it is, before the field. */
  label: string;
  /** What the field is called, and where the stand-in's address comes from. */
  name: string;
  hint: string;
  /** Listens there; true if it may. */
  onListen: (address: string) => Promise<boolean>;
  onDone: () => void;
}

/** Where an instrument is plugged in, as typed. */
export function PlugIn({ label, name, hint, onListen, onDone }: Props) {
  const [address, setAddress] = useState('');
  const go = async () => {
    if (await onListen(address.trim())) onDone();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void go();
      }}
    >
      <label>
        {label}{' '}
        <input
          ref={(input) => input?.focus()}
          aria-label={name}
          placeholder={EXAMPLE}
          title={hint}
          value={address}
          maxLength={200}
          onChange={(event) => setAddress(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onDone();
          }}
          style={{
            font: 'inherit',
            width: 210,
            border: 0,
            borderBottom: `1px dotted ${colour.quiet}`,
            background: 'transparent',
          }}
        />
      </label>
      <Button type="submit" disabled={address.trim() === ''}>
        {t('Listen')}
      </Button>
      <Button onClick={onDone}>{t('Cancel')}</Button>
    </form>
  );
}
