import type { Kind } from '../../words/figures';

/** What a form needs of a JSON Schema. */
export interface Schema {
  $ref?: string;
  $defs?: Record<string, Schema>;
  type?: string;
  enum?: unknown[];
  anyOf?: Schema[];
  items?: Schema;
  properties?: Record<string, Schema>;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  default?: unknown;
  'x-asked'?: { apart?: boolean; label?: string; kind?: string | null; help?: string; rare?: boolean };
  [more: string]: unknown;
}

/** One field of a form, or a group of them. */
export interface Field {
  name: string;
  label: string;
  help: string;
  rare: boolean;
  /** Can be left empty. */
  optional: boolean;
  sort: 'number' | 'choice' | 'flag' | 'text' | 'colour' | 'group';
  kind: Kind;
  least: number;
  most: number;
  choices: string[];
  fields: Field[];
  /** What it holds when it is filled in first. */
  initial: unknown;
}

const SMALLEST = 1e-6; // of a field whose limit itself is not allowed

/** The fields of a thing, as its schema describes them; what has a place of its own is left out. */
export function fieldsOf(root: Schema, part: Schema = root): Field[] {
  return Object.entries(part.properties ?? {})
    .filter(([, property]) => property['x-asked'] && !property['x-asked'].apart)
    .map(([name, property]) => fieldOf(root, name, property));
}

function fieldOf(root: Schema, name: string, property: Schema): Field {
  const { label = name, help = '', kind, rare = false } = property['x-asked'] ?? {};
  const found = resolved(root, property.anyOf?.find((one) => one.type !== 'null') ?? property);
  const fields = found.properties ? fieldsOf(root, found) : [];
  return {
    name,
    label,
    help,
    rare,
    optional: property.anyOf?.some((one) => one.type === 'null') ?? false,
    sort: sortOf(name, found),
    kind: (kind ?? 'number') as Kind,
    least:
      found.minimum ?? (found.exclusiveMinimum !== undefined ? found.exclusiveMinimum + SMALLEST : -Infinity),
    most: found.maximum ?? Infinity,
    choices: (found.enum ?? []).map(String),
    fields,
    initial:
      fields.length > 0
        ? initially(root, found)
        : (property.default ?? found.enum?.[0] ?? found.minimum ?? null),
  };
}

/** A part as it starts when it is added to a thing: every field's default, or the least that it may be. */
function initially(root: Schema, part: Schema): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(part.properties ?? {}).map(([name, property]) => [
      name,
      property.default !== undefined
        ? property.default
        : (STARTS[name] ?? fieldOf(root, name, property).initial),
    ]),
  );
}

/** Figures without a default, as they are for card and a tool for card. */
const STARTS: Record<string, number> = {
  height_mm: 0.5,
  span_mm: 2,
  length_mm: 300,
  grammage_gsm: 216,
  modulus_along_mpa: 4500,
  modulus_across_mpa: 2200,
};

function sortOf(name: string, found: Schema): Field['sort'] {
  if (found.properties) return 'group';
  if (found.enum) return 'choice';
  if (found.type === 'boolean') return 'flag';
  if (found.type === 'number' || found.type === 'integer') return 'number';
  return name.endsWith('colour') ? 'colour' : 'text';
}

function resolved(root: Schema, part: Schema): Schema {
  const name = part.$ref?.split('/').at(-1);
  return name ? (root.$defs?.[name] ?? part) : part;
}
