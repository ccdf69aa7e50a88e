import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Item, Sandwich } from '../../api/gen/types.gen';
import { AddPanel } from '../bench/AddPanel';
import { BenchKeys } from '../bench/BenchKeys';
import { KeyHints } from '../bench/KeyHints';
import type { BenchActions } from '../bench/keys';
import { KeysHelp } from '../bench/KeysHelp';
import { LayerStrip } from '../bench/LayerStrip';
import { added, counted, placeFor } from '../../sandwich/changes';
import { EdgeView } from '../../sandwich/EdgeView';
import { saveNow, useEditor } from '../../sandwich/store';
import { useStackDrag } from '../../sandwich/useStackDrag';
import { NARROW } from '../../shared/useScreen';
import { t } from '../../words/words';

interface Props {
  shown: Sandwich;
  /** What may be laid under it; null where nothing is. */
  paper: Item | null;
  still: boolean;
}

/** The drill's pile, drawn and built as on the Bench, where it is not only to be looked at; it is kept nowhere. */
export function DrillPile({ shown, paper, still }: Props) {
  const opened = useEditor((editor) => editor.sandwich);
  const preview = useEditor((editor) => editor.preview);
  const selected = useEditor((editor) => editor.selected);
  const [adding, setAdding] = useState(false);
  const [help, setHelp] = useState(false);
  const [trueScale, setTrueScale] = useState(false);
  const [lent, setLent] = useState(false);
  const view = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let here = true;
    // what lay on the bench is kept first
    void saveNow().then(() => {
      if (!here) return;
      useEditor.getState().lend(shown);
      setLent(true);
    });
    return () => {
      here = false;
      useEditor.getState().close();
    };
  }, [shown]);
  const sandwich = (lent && (preview ?? opened)) || shown;
  const opening = sandwich.press.opening.mm;
  const closePanel = useCallback(() => setAdding(false), []);
  const grab = useStackDrag(view, opening, trueScale, closePanel);
  const grabLayer = useCallback(
    (layer: string, event: PointerEvent) => {
      if (!still) grab({ kind: 'layer', id: layer }, event);
    },
    [grab, still],
  );
  const { select, edit } = useEditor.getState();
  const add = (item: Item) => {
    const now = useEditor.getState();
    if (!now.sandwich) return;
    const { edits, id } = added(now.sandwich, item, placeFor(now.sandwich, item, now.selected));
    edit(edits, id);
    setAdding(false);
  };
  const actions: BenchActions = {
    inks: [],
    onAdd: () => setAdding(true),
    onHelp: () => setHelp(true),
    onSwitch: () => undefined,
    onFixKey: () => undefined,
    onLook: () => undefined,
  };
  return (
    <Box sx={{ width: 580, flexShrink: 0, [NARROW]: { width: '100%' } }}>
      <BenchKeys enabled={!still && !help && !adding} bench={actions} />
      {adding ? (
        <Box sx={{ height: 560 }}>
          <AddPanel
            next={[]}
            onAdd={add}
            onClose={closePanel}
            onGrab={(item, event) => grab({ kind: 'item', item }, event)}
          />
        </Box>
      ) : (
        <>
          <EdgeView
            sandwich={sandwich}
            assessment={undefined}
            opening={opening}
            selected={still ? undefined : selected}
            dragging={preview !== undefined}
            trueScale={trueScale}
            view={view}
            onSelect={select}
            onGrab={grabLayer}
          />
          {!still && paper && <Paper sandwich={sandwich} paper={paper} />}
          {!still && <LayerStrip sandwich={sandwich} selected={selected} />}
          {!still && (
            <KeyHints trueScale={trueScale} bench={actions} onTrueScale={() => setTrueScale(!trueScale)} />
          )}
        </>
      )}
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </Box>
  );
}

/** Sheets of paper under the pile, one more or one less. */
function Paper({ sandwich, paper }: { sandwich: Sandwich; paper: Item }) {
  const edit = useEditor((editor) => editor.edit);
  const lies = sandwich.layers.find(
    (layer) => layer.role === 'shim' && sandwich.items[layer.item]?.name === paper.name,
  );
  const count = lies?.count ?? 0;
  const more = () => {
    if (lies) edit(counted(sandwich, lies.id, count + 1));
    else edit([{ op: 'put', item: paper, at: sandwich.layers.length > 1 ? 1 : 0, role: 'shim' }]);
  };
  const less = () => {
    if (!lies) return;
    edit(count > 1 ? counted(sandwich, lies.id, count - 1) : [{ op: 'remove', layer: lies.id }]);
  };
  useHotkeys('+', more, { useKey: true, splitKey: '&' });
  useHotkeys('-', less, { useKey: true, splitKey: '&' });
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: '10px', paddingLeft: '16px' }}>
      <span>{t('Paper under it')}</span>
      <Button onClick={less} disabled={count === 0} aria-label={t('One sheet less')} sx={{ minWidth: 34 }}>
        −
      </Button>
      <b data-testid="paper">{count}</b>
      <Button onClick={more} aria-label={t('One sheet more')} sx={{ minWidth: 34 }}>
        +
      </Button>
    </Box>
  );
}
