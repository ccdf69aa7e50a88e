import type { Item, Press, ShelfWrite } from '../../api/client';

export type NewKind = Item['kind'] | 'press' | 'ink';

interface Start {
  mm: number;
  material?: Item['material'];
  relief?: { height_mm: number; span_mm: number; hinge_margin_mm?: number; raised_share?: number };
  blade?: { height_mm: number; length_mm: number };
}

/** What each kind starts from: figures typical for its class, to be corrected on the shelf. */
export const STARTS: Partial<Record<NewKind, Start>> = {
  press: { mm: 17.7 },
  bed: { mm: 9, material: 'hard plastic' },
  spacer: { mm: 1.9, material: 'hard plastic' },
  'hard plate': { mm: 3, material: 'hard plastic' },
  'soft plate': { mm: 3, material: 'soft plastic' },
  'deep plate': { mm: 4.1, material: 'hard plastic' },
  platform: { mm: 12, material: 'hard plastic' },
  'rubber mat': { mm: 2.2, material: 'rubber' },
  'silicone sheet': { mm: 1.4, material: 'silicone' },
  'foam sheet': { mm: 2, material: 'foam' },
  'plain folder': {
    mm: 2.6,
    material: 'folder plastic',
    relief: { height_mm: 0.45, span_mm: 2.2, hinge_margin_mm: 9 },
  },
  'deep folder': {
    mm: 4.9,
    material: 'folder plastic',
    relief: { height_mm: 1.1, span_mm: 4.5, hinge_margin_mm: 10 },
  },
  'cutting folder': {
    mm: 2.7,
    material: 'folder plastic',
    relief: { height_mm: 0.4, span_mm: 2.2, hinge_margin_mm: 9 },
    blade: { height_mm: 0.5, length_mm: 300 },
  },
  'thin die': { mm: 0.95, material: 'steel', blade: { height_mm: 0.5, length_mm: 500 } },
  'texture plate': {
    mm: 1.9,
    material: 'hard plastic',
    relief: { height_mm: 0.25, span_mm: 1.6, raised_share: 0.5 },
  },
  'letterpress plate': {
    mm: 3.1,
    material: 'photopolymer',
    relief: { height_mm: 0.8, span_mm: 0.6, raised_share: 0.12 },
  },
  motif: { mm: 0.25, material: 'paper', relief: { height_mm: 0.25, span_mm: 3, raised_share: 0.9 } },
  sheet: { mm: 0.28, material: 'paper' },
  ink: { mm: 1 },
};

const DENSITY = 770; // g/m2 for a millimetre of ordinary card: a bulk of 1.3 cm3/g

/** A press as they commonly are, until one is measured. */
export function typicalPress(name: string, opening: number): Press {
  return { name, opening: { mm: opening, sd_mm: 0.15, source: 'typical' } } as Press;
}

/** A new thing of a kind, ready to be sent; the service fills in what is left out. */
export function newThing(kind: NewKind, name: string, mm: number): ShelfWrite {
  if (kind === 'press') return { press: typicalPress(name, mm) };
  if (kind === 'ink') return { ink: { name, type: 'pigment' } } as ShelfWrite;
  const start = STARTS[kind];
  const thickness = { mm, sd_mm: Math.min(0.1, mm * 0.05), source: 'typical' as const };
  const stock =
    kind === 'sheet'
      ? { grammage_gsm: Math.round(mm * DENSITY), modulus_along_mpa: 4500, modulus_across_mpa: 2200 }
      : null;
  const small = kind === 'motif' || kind === 'thin die';
  const item = {
    kind,
    name,
    thickness,
    width_mm: small ? 60 : 112,
    length_mm: small ? 60 : 155,
    material: start?.material ?? 'hard plastic',
    relief: start?.relief ?? null,
    blade: start?.blade ?? null,
    stock,
  };
  return { item } as ShelfWrite;
}
