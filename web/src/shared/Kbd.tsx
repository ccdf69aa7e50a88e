import { styled } from '@mui/material/styles';
import { colour } from '../theme/tokens';

/** A key of the keyboard. */
export const Kbd = styled('kbd')({
  display: 'inline-block',
  minWidth: 18,
  padding: '0 5px',
  border: `1px solid ${colour.hairline}`,
  borderBottomWidth: 2,
  borderRadius: 3,
  background: '#fff',
  color: colour.ink,
  font: 'inherit',
  fontSize: 12,
  fontWeight: 600,
  lineHeight: '17px',
  textAlign: 'center',
});
