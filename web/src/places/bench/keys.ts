import type { Ink } from '../../api/gen/types.gen';
import { FIX_KEYS } from '../../looks/calls/fixes';
import { commands } from './commands';
import { t } from '../../words/words';

/** What the bench does that is not a change of the sandwich alone. */
export interface BenchActions {
  inks: Ink[];
  onAdd: () => void;
  onHelp: () => void;
  onSwitch: () => void;
  /** Applies the fix of a key; one that is still being judged is waited for. */
  onFixKey: (key: string) => void;
  onLook: (step: 1 | -1) => void;
}

/** A key of the bench: what it is called in the help, what it means, what it does. */
export interface BenchKey {
  shown: string[];
  means: string;
  /** Hotkeys by what they do; without any, the key belongs to a look, which listens for it itself. */
  does?: Record<string, (event: KeyboardEvent, bench: BenchActions) => void>;
  /** Named at the foot of the bench too, as a button: with this word, by the first of its keys. */
  hint?: string;
  /** Greyed while there is nothing to do. */
  needs?: 'past' | 'future';
  /** By the character, wherever it is on the keyboard. */
  character?: boolean;
}

export const BENCH_KEYS: BenchKey[] = [
  {
    shown: ['↑', '↓'],
    means: t('select a layer'),
    does: { up: () => commands.selectBy(1), down: () => commands.selectBy(-1) },
  },
  {
    shown: ['Alt ↑', 'Alt ↓'],
    means: t('move it'),
    does: { 'alt+up': () => commands.nudge(1), 'alt+down': () => commands.nudge(-1) },
  },
  { shown: ['a'], means: t('add from the shelf'), hint: t('add'), does: { a: (_, bench) => bench.onAdd() } },
  { shown: ['x'], means: t('take it out'), hint: t('take out'), does: { 'x, delete': commands.takeOut } },
  { shown: ['t'], means: t('turn it over'), hint: t('turn'), does: { t: commands.turnOver } },
  {
    shown: ['r', 'Shift r'],
    means: t('turn it by 15°, and back'),
    does: { r: () => commands.rotate(1), 'shift+r': () => commands.rotate(-1) },
  },
  {
    shown: ['m', 'Shift m'],
    means: t('mist the sheet, dry it'),
    hint: t('mist'),
    does: { m: () => commands.mist(0), 'shift+m': () => commands.mist(null) },
  },
  {
    shown: ['i'],
    means: t('ink it: the next ink, then none'),
    does: { i: (_, bench) => commands.ink(bench.inks) },
  },
  {
    shown: ['1', '…', '9'],
    means: t('how many'),
    does: { '1,2,3,4,5,6,7,8,9': (event) => commands.count(Number(event.key)) },
  },
  {
    shown: ['f', 'g', 'h', 'j', 'k'],
    means: t('apply a fix'),
    does: {
      [FIX_KEYS.join(',')]: (event: KeyboardEvent, bench: BenchActions) => {
        bench.onFixKey(event.key);
      },
    },
  },
  {
    shown: ['[', ']'],
    means: t('the view before, the next'),
    does: { bracketleft: (_, bench) => bench.onLook(-1), bracketright: (_, bench) => bench.onLook(1) },
  },
  { shown: ['+', '−', '0'], means: t('zoom the pressed sheet in and out, see all of it') },
  { shown: ['Tab', '← ↑ ↓ →'], means: t('select the lamp, the probe or the slider, and move it') },
  { shown: ['← ↑ ↓ →'], means: t('on the bed: move the work a little, ten times as far with Shift') },
  {
    shown: [',', '.', 'Enter'],
    means: t('on the bed: turn it by 5°, with Shift by 1°; place it as advised'),
  },
  {
    shown: ['u'],
    means: t('undo'),
    hint: t('undo'),
    needs: 'past',
    does: { 'u, ctrl+z, meta+z': commands.undo },
  },
  {
    shown: ['Shift u'],
    means: t('redo'),
    hint: t('redo'),
    needs: 'future',
    does: { 'shift+u, ctrl+shift+z, meta+shift+z': commands.redo },
  },
  { shown: ['s'], means: t('another sandwich'), does: { s: (_, bench) => bench.onSwitch() } },
  { shown: ['Esc'], means: t('end a drag, close a panel') },
  {
    shown: ['?'],
    means: t('this list'),
    hint: t('keys'),
    character: true,
    does: { 'shift+slash, ?': (_, bench) => bench.onHelp() },
  },
];
