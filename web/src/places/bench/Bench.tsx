import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Assessment, Sandwich } from '../../api/gen/types.gen';
import { assessmentQuery, categoryQuery } from '../../api/queries';
import { EdgeView } from '../../sandwich/EdgeView';
import { sameStack } from '../../sandwich/changes';
import { useEditor } from '../../sandwich/store';
import { useStackDrag } from '../../sandwich/useStackDrag';
import { Notice } from '../../shared/Notice';
import { HAND, NARROW, useScreen } from '../../shared/useScreen';
import { useSwipe } from '../../shared/useSwipe';
import { colour } from '../../theme/tokens';
import { AddPanel } from './AddPanel';
import { BenchHeader } from './BenchHeader';
import { KeyHints } from './KeyHints';
import { KeysHelp } from './KeysHelp';
import { LayerStrip } from './LayerStrip';
import { LookTabs, SIDES, type Side } from './LookTabs';
import { LOOK_TITLES, LOOKS, shownAs } from './looks';
import { VerdictLine } from './VerdictLine';
import { useBenchEdits } from './useBenchEdits';
import { useLook } from './useLook';
import { useStartRun } from '../press/useStartRun';
import { SANDWICH_MENU } from './SandwichMenu';
import { ConflictBar } from './SaveLine';
import { BenchKeys } from './BenchKeys';
import type { BenchActions } from './keys';
import { t } from '../../words/words';

interface Props {
  id: string;
  sandwich: Sandwich;
  /** Keys of items that are no longer on the shelf. */
  gone: string[];
}

/** The bench: the edge view and one look at it; side by side, one over the other, or one at a time, as the screen has room. */
export function Bench({ id, sandwich, gone }: Props) {
  const preview = useEditor((editor) => editor.preview);
  const selected = useEditor((editor) => editor.selected);
  const { select } = useEditor.getState();
  const { look, setLook } = useLook();
  const screen = useScreen();
  const [pileShown, setPileShown] = useState(true);
  const inHand = screen === 'hand';
  const side: Side = inHand && pileShown ? 'pile' : look;
  const showSide = (next: Side) => {
    setPileShown(next === 'pile');
    if (next !== 'pile') setLook(next);
  };
  const sides: readonly Side[] = inHand ? SIDES : LOOKS;
  const turnTo = (step: 1 | -1) =>
    showSide(sides[(sides.indexOf(side) + step + sides.length) % sides.length] ?? 'verdict');
  const swipe = useSwipe(turnTo);
  const [adding, setAdding] = useState(false);
  const [help, setHelp] = useState(false);
  const [trueScale, setTrueScale] = useState(false);
  const view = useRef<HTMLDivElement>(null);
  const shown = preview ?? sandwich;
  // while the work is dragged on the bed its load follows the finger there; the stack stays as it is, and is judged when it is let go
  const judged = look === 'feed' && sameStack(shown, sandwich) ? sandwich : shown;
  const assessment = useQuery(assessmentQuery(judged));
  const shelf = useQuery(categoryQuery('ink'));
  const toPress = useStartRun();
  const closePanel = useCallback(() => setAdding(false), []);
  const opening = assessment.data?.nip.opening_mm ?? sandwich.press.opening.mm;
  const grab = useStackDrag(view, opening, trueScale, closePanel);
  const grabLayer = useCallback(
    (layer: string, event: PointerEvent) => grab({ kind: 'layer', id: layer }, event),
    [grab],
  );

  const { add, fix, fixByKey } = useBenchEdits(sandwich, assessment.data, closePanel);
  useHotkeys('escape', closePanel, { enabled: adding && preview === undefined, enableOnFormTags: true });
  const actions: BenchActions = {
    inks: shelf.data?.flatMap((entry) => (entry.ink ? [entry.ink] : [])) ?? [],
    onAdd: () => setAdding(true),
    onHelp: () => setHelp(true),
    onSwitch: () => document.getElementById(SANDWICH_MENU)?.click(),
    onFixKey: (key) => void fixByKey(key),
    onLook: turnTo,
  };

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <ConflictBar />
      <BenchKeys enabled={!help && !adding} bench={actions} />
      {inHand && (
        <Box sx={{ padding: '0 12px' }}>
          <LookTabs shown={sides} look={side} onLook={showSide} />
        </Box>
      )}
      <Box
        {...(inHand ? swipe : {})}
        sx={{
          display: 'flex',
          flex: 1,
          minHeight: 0,
          [NARROW]: { flexDirection: 'column', overflowY: 'auto' },
        }}
      >
        <PileSide hidden={inHand && (side !== 'pile' || adding)}>
          <BenchHeader id={id} sandwich={sandwich} />
          {inHand && <VerdictLine assessment={assessment.data} onMore={() => showSide('verdict')} />}
          <EdgeView
            sandwich={judged}
            assessment={assessment.data}
            opening={opening}
            selected={selected}
            dragging={judged !== sandwich}
            trueScale={trueScale}
            view={view}
            onSelect={select}
            onGrab={grabLayer}
          />
          <LayerStrip sandwich={sandwich} selected={selected} />
          <KeyHints trueScale={trueScale} bench={actions} onTrueScale={() => setTrueScale(!trueScale)} />
        </PileSide>
        <LookSide title={LOOK_TITLES[look]} hidden={inHand && side === 'pile' && !adding}>
          {adding && (
            <Box sx={{ height: '100%', display: preview ? 'none' : 'block' }}>
              <AddPanel
                next={assessment.data?.next_kinds ?? []}
                onAdd={add}
                onClose={closePanel}
                onGrab={(item, event) => grab({ kind: 'item', item }, event)}
              />
            </Box>
          )}
          {(!adding || preview) && (
            <>
              {!inHand && <LookTabs shown={LOOKS} look={look} onLook={setLook} />}
              <AboveLook sandwich={sandwich} gone={gone} assessment={assessment} />
              {shownAs(look, {
                id,
                sandwich,
                shown,
                moving: preview !== undefined,
                assessment: assessment.data,
                selected,
                onSelect: select,
                onFix: fix,
                onPress: () => toPress(),
              })}
            </>
          )}
        </LookSide>
      </Box>
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </Box>
  );
}

interface AboveProps {
  sandwich: Sandwich;
  gone: string[];
  assessment: { data?: Assessment | undefined; error: Error | null };
}

/** What is to be known before the look: things that are gone, a verdict that is not there yet. */
function AboveLook({ sandwich, gone, assessment }: AboveProps) {
  return (
    <>
      {gone.length > 0 && (
        <Box sx={{ color: colour.quiet, fontSize: 13 }}>
          {t('No longer on the shelf, kept as is: {names}.', {
            names: gone.map((key) => sandwich.items[key]?.name ?? sandwich.press.name).join(', '),
          })}
        </Box>
      )}
      {assessment.error && (
        <Box role="alert" sx={{ color: colour.stop, fontSize: 13.5 }}>
          {assessment.error.message}
        </Box>
      )}
      {!assessment.data && !assessment.error && (
        <Notice title={t('Working it out')} text={t('The first verdict takes a moment.')} />
      )}
    </>
  );
}

/** The side of the bench that the pile fills. */
function PileSide({ hidden, children }: { hidden: boolean; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={t('Sandwich')}
      sx={{
        width: 580,
        flexShrink: 0,
        display: hidden ? 'none' : 'flex',
        flexDirection: 'column',
        overflowY: 'auto',
        [NARROW]: { width: '100%', overflowY: 'visible' },
      }}
    >
      {children}
    </Box>
  );
}

interface LookSideProps {
  title: string;
  hidden: boolean;
  children: ReactNode;
}

/** The side of the bench that one look fills. */
function LookSide({ title, hidden, children }: LookSideProps) {
  return (
    <Box
      component="section"
      aria-label={title}
      tabIndex={0}
      sx={{
        flex: 1,
        minWidth: 0,
        display: hidden ? 'none' : 'block',
        background: colour.panel,
        borderLeft: `1px solid ${colour.hairline}`,
        padding: '12px 24px 16px',
        overflowY: 'auto',
        [NARROW]: { borderLeft: 0, borderTop: `1px solid ${colour.hairline}`, overflowY: 'visible' },
        [HAND]: { padding: '8px 12px 16px', overflowX: 'auto' },
      }}
    >
      {children}
    </Box>
  );
}
