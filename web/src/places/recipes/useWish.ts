import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Effect, ShelfEntry, Wish } from '../../api/gen/types.gen';

/** What a person chose beyond the effect; remembered in the browser, for each effect by itself where it belongs to one. */
export interface Choices {
  press: string | undefined;
  stock: Record<string, string>;
  tool: Record<string, string>;
  front: Record<string, Wish['front']>;
  ink: Record<string, string>;
  without: Record<string, Wish['without'][number][]>;
  mist: Wish['mist'];
}

interface State extends Choices {
  choose: (change: Partial<Choices>) => void;
}

export const useChoices = create<State>()(
  persist(
    (set) => ({
      press: undefined,
      stock: {},
      tool: {},
      front: {},
      ink: {},
      without: {},
      mist: 'free',
      choose: (change) => set(change),
    }),
    { name: 'lofty-wish' },
  ),
);

export interface Resolved {
  pressId: string | undefined;
  stockId: string | undefined;
  wish: Wish | undefined;
}

/** The choices as a wish that the service takes: what is no longer on the shelf is left out, what is open gets what suits the effect. */
export function resolve(effect: Effect, choices: Choices, shelf: ShelfEntry[]): Resolved {
  const presses = shelf.filter((entry) => entry.press);
  const stocks = stocksFor(effect, shelf);
  const press =
    presses.find((entry) => entry.id === choices.press) ??
    presses.find((entry) => entry.press?.size === 'standard') ??
    presses[0];
  const all = shelf.filter((entry) => entry.item?.kind === 'sheet');
  const stock = all.find((entry) => entry.id === choices.stock[effect.key]) ?? stocks[0];
  const tool = toolsFor(effect, shelf).find((entry) => entry.id === choices.tool[effect.key]);
  const ink = inkFor(effect, choices, shelf);
  const front = choices.front[effect.key] ?? 'either';
  if (!press || !stock) return { pressId: press?.id, stockId: stock?.id, wish: undefined };
  const wish: Wish = {
    effect: effect.key,
    stock: stock.id,
    tool: tool?.id ?? null,
    front: front === 'either' || effect.looks.includes(front) ? front : 'either',
    mist: effect.mist ? choices.mist : 'free',
    most_passes: 20,
    feed: null,
    ink: ink?.ink ?? null,
    without: (choices.without[effect.key] ?? []).filter((kind) => kind !== tool?.item?.kind),
  };
  return { pressId: press.id, stockId: stock.id, wish };
}

/** The ink that was chosen; as long as nothing was, the first that suits. An empty choice is "bare". */
export function inkFor(effect: Effect, choices: Choices, shelf: ShelfEntry[]): ShelfEntry | undefined {
  const chosen = choices.ink[effect.key];
  const suiting = shelf.filter((entry) => entry.ink && effect.inks.includes(entry.ink.type));
  return chosen === undefined ? suiting[0] : suiting.find((entry) => entry.id === chosen);
}

const CARD = 0.2; // mm; what is thinner is paper

/** Stocks that suit an effect come first: those it asks for, plain card otherwise; measured ones before others. */
export function stocksFor(effect: Effect, shelf: ShelfEntry[]): ShelfEntry[] {
  const sheets = shelf.filter((entry) => entry.item?.kind === 'sheet');
  const suits = (entry: ShelfEntry) => {
    const stock = entry.item?.stock;
    if (!stock) return 2;
    if (effect.cored && (!stock.core_colour || stock.core_colour === stock.face_colour)) return 2;
    if (effect.finishes.length > 0) return effect.finishes.includes(stock.finish) ? 0 : 2;
    const thin = (entry.item?.thickness.mm ?? 0) < (effect.sheet_under_mm ?? CARD);
    return stock.finish === 'plain' && thin === (effect.sheet_under_mm !== null) ? 0 : 1;
  };
  const rough = (entry: ShelfEntry) => (entry.item?.thickness.source === 'gauge' ? 0 : 0.5);
  return [...sheets].sort((one, other) => suits(one) + rough(one) - suits(other) - rough(other));
}

export function toolsFor(effect: Effect, shelf: ShelfEntry[]): ShelfEntry[] {
  return shelf.filter((entry) => entry.item && effect.tools.includes(entry.item.kind));
}
