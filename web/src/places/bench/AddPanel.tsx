import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Item } from '../../api/gen/types.gen';
import { shelfFindQuery } from '../../api/queries';
import { ToolLook } from '../../sandwich/ToolLook';
import { Kbd } from '../../shared/Kbd';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  /** Kinds that this pile commonly takes next. */
  next: string[];
  onAdd: (item: Item) => void;
  onGrab: (item: Item, event: PointerEvent) => void;
  onClose: () => void;
}

/** The shelf to add from: type to find, Enter puts it on top of the selected layer, or drag it into the stack. */
export function AddPanel({ next, onAdd, onGrab, onClose }: Props) {
  const [text, setText] = useState('');
  const shelf = useQuery(shelfFindQuery(text.trim()));
  const [chosen, setChosen] = useState(0);
  const found = useMemo(
    () =>
      findItems(shelf.data?.entries.flatMap((entry) => (entry.item ? [entry.item] : [])) ?? [], text, next),
    [shelf.data, text, next],
  );
  const at = Math.min(chosen, Math.max(found.length - 1, 0));
  const [awaited, setAwaited] = useState(false); // Enter came before the shelf's answer
  const first = found[at];
  const answered = !shelf.isFetching;
  useEffect(() => {
    if (awaited && answered && first) onAdd(first);
  }, [awaited, answered, first, onAdd]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setChosen(Math.min(at + 1, found.length - 1));
    else if (event.key === 'ArrowUp') setChosen(Math.max(at - 1, 0));
    else if (event.key === 'Enter') {
      if (first) onAdd(first);
      else setAwaited(true);
    } else return;
    event.preventDefault();
  };
  return (
    <Box
      role="dialog"
      aria-label={t('Add from the shelf')}
      sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, height: '100%' }}
    >
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 2,
          borderBottom: `2px solid ${colour.accent}`,
          paddingBottom: '4px',
        }}
      >
        <InputBase
          autoFocus
          fullWidth
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setChosen(0);
            setAwaited(false);
          }}
          onKeyDown={onKeyDown}
          placeholder={t('Add from the shelf: type a name or a kind')}
          inputProps={{
            'aria-label': t('Find on the shelf'),
            role: 'combobox',
            'aria-expanded': true,
            'aria-controls': 'shelf-finds',
            'aria-activedescendant': `find-${at}`,
          }}
          sx={{ fontSize: 19 }}
        />
        <Button onClick={onClose} color="inherit">
          {t('close')} <Kbd>{t('Esc')}</Kbd>
        </Button>
      </Box>
      {shelf.isError && !shelf.data && (
        <Box sx={{ padding: 2, color: colour.stop }}>{t("Can't read the shelf just now. Trying again.")}</Box>
      )}
      {shelf.isSuccess && found.length === 0 && (
        <Box sx={{ padding: '16px 4px', color: colour.quiet }}>
          {text
            ? t('Nothing on the shelf is called “{text}”.', { text })
            : t('The shelf is empty. Add something under Shelf.')}
        </Box>
      )}
      <Box
        component="ul"
        role="listbox"
        id="shelf-finds"
        aria-label={t('On the shelf')}
        sx={{ listStyle: 'none', margin: 0, padding: 0, overflowY: 'auto', flex: 1 }}
      >
        {found.map((item, index) => (
          <Match
            key={item.shelf_id ?? item.name}
            id={`find-${index}`}
            item={item}
            chosen={index === at}
            onAdd={onAdd}
            onGrab={onGrab}
          />
        ))}
      </Box>
      {shelf.data?.next && (
        <Box sx={{ fontSize: 12.5, color: colour.quiet, paddingTop: 1 }}>
          {t('The first {count} of {total}: type more of the name to find the rest.', {
            count: shelf.data.entries.length,
            total: shelf.data.total,
          })}
        </Box>
      )}
      <Box sx={{ fontSize: 12.5, color: colour.quiet, paddingTop: 1 }}>
        {t(
          '● measured   ○ typical for its class  ·  Drag it in or press Enter. A first sheet goes into the folder, anything else above the selected layer.',
        )}
      </Box>
    </Box>
  );
}

/** Items whose name or kind holds every typed word; names that begin so come first, and while nothing is typed what the pile takes next. */
export function findItems(items: Item[], text: string, next: string[]): Item[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const hit = items.filter((item) =>
    words.every((word) => `${item.name} ${item.kind}`.toLowerCase().includes(word)),
  );
  const start = words[0];
  const rank = ({ kind }: Item) => (next.includes(kind) ? next.indexOf(kind) : next.length);
  if (start === undefined) return hit.sort((one, two) => rank(one) - rank(two));
  return hit.sort(
    (one, two) =>
      Number(two.name.toLowerCase().startsWith(start)) - Number(one.name.toLowerCase().startsWith(start)),
  );
}

interface MatchProps {
  id: string;
  item: Item;
  chosen: boolean;
  onAdd: (item: Item) => void;
  onGrab: (item: Item, event: PointerEvent) => void;
}

/** One item that fits what was typed: its look, its name, how thick it is. */
function Match({ id, item, chosen, onAdd, onGrab }: MatchProps) {
  const unit = useUnit((choice) => choice.unit);
  return (
    <Box
      component="li"
      role="option"
      id={id}
      aria-selected={chosen}
      onClick={() => onAdd(item)}
      onPointerDown={(event) => onGrab(item, event)}
      sx={{
        display: 'grid',
        gridTemplateColumns: '44px 1fr 130px 110px',
        alignItems: 'center',
        fontSize: 14,
        gap: 1,
        padding: '5px 6px',
        cursor: 'grab',
        touchAction: 'none',
        userSelect: 'none',
        borderBottom: `1px solid ${colour.hairline}`,
        background: chosen ? colour.accentWash : 'transparent',
      }}
    >
      <ToolLook item={item} width={44} height={30} />
      <b>{item.name}</b>
      <Box sx={{ color: colour.quiet }}>{item.kind}</Box>
      <Box sx={{ color: colour.quiet, textAlign: 'right' }}>
        {formatThickness(item.thickness.mm, unit)} {item.thickness.source === 'gauge' ? '●' : '○'}
      </Box>
    </Box>
  );
}
