import InputBase from '@mui/material/InputBase';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { runFiltersQuery } from '../../api/queries';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const MOST = 12;
const LONGEST = 40;

/** Words of one's own to find a run by, separated by commas; those in use are offered. */
export function TagsField({ tags, onTags }: { tags: string[]; onTags: (tags: string[]) => void }) {
  const known = useQuery(runFiltersQuery).data?.tags ?? [];
  const [text, setText] = useState(tags.join(', '));
  const keep = () => {
    const words = text.split(',').map((word) => word.trim().slice(0, LONGEST));
    const next = [...new Set(words.filter(Boolean))].slice(0, MOST);
    setText(next.join(', '));
    if (next.join() !== tags.join()) onTags(next);
  };
  const started = text.slice(0, text.lastIndexOf(',') + 1);
  return (
    <label style={{ display: 'flex', gap: 10, alignItems: 'baseline' }}>
      {t('Tags')}
      <InputBase
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        placeholder={t('gift, autumn')}
        inputProps={{ list: 'known-tags', maxLength: MOST * LONGEST, 'aria-label': t('Tags') }}
        sx={{ flex: 1, maxWidth: 340, borderBottom: `1px dotted ${colour.quiet}`, fontSize: 'inherit' }}
      />
      <datalist id="known-tags">
        {known.map((tag) => (
          <option key={tag} value={started ? `${started} ${tag}` : tag} />
        ))}
      </datalist>
    </label>
  );
}
