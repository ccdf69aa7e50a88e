import { figure, type Kind, type Unit } from './figures';

/** A figure in a text, in its kind's stored unit. */
interface Quantity {
  value: number;
  kind: Kind;
  digits?: number | null;
}

/** A text of the program: its template in English, and what fills the holes. */
export interface Message {
  say: string;
  fill?: Record<string, string | Quantity | Message>;
}

/** The language's templates by the English ones; empty for English. */
export type Catalogue = Readonly<Record<string, string>>;

const HOLE = /\{(\w+)(:cap|:small)?\}/g;
let catalogue: Catalogue = {};

/** Read in another language from now on; the page is drawn anew after it. */
export function readIn(templates: Catalogue): void {
  catalogue = templates;
}

/** A text that came from the program, for a reader of a unit. */
export function words(message: Message, unit: Unit): string {
  return filled(message.say, (hole) => {
    const value = message.fill?.[hole];
    if (value === undefined || typeof value === 'string') return value ?? '';
    if (isMessage(value)) return words(value, unit);
    const text = figure(value.value, value.kind, unit, value.digits);
    return catalogue[text] ?? text;
  });
}

/** A label of the page: its template, written out where it stands so that the catalogue finds it, and what fills its holes. */
export function t(template: string, fill: Record<string, string | number> = {}): string {
  return filled(template, (hole) => String(fill[hole] ?? ''));
}

/** Keys that are shown as they are called: the catalogue takes them from here. */
export const terms = <Word extends string>(...words: Word[]): readonly Word[] => words;

/** A key as it is called in the reader's language. */
export const term = (word: string): string => catalogue[word] ?? word;

/** An answer with every text in it put into words, to be saved as a file that anyone can read. */
export function readOut(content: unknown, unit: Unit): unknown {
  if (Array.isArray(content)) return content.map((part) => readOut(part, unit));
  if (typeof content !== 'object' || content === null) return content;
  if ('say' in content && typeof content.say === 'string') return words(content as Message, unit);
  return Object.fromEntries(Object.entries(content).map(([key, part]) => [key, readOut(part, unit)]));
}

function filled(template: string, valueOf: (hole: string) => string): string {
  return (catalogue[template] ?? template).replace(HOLE, (_, hole: string, form: string | undefined) => {
    const text = valueOf(hole);
    const first =
      form === ':cap' ? text.charAt(0).toUpperCase() : form === ':small' ? text.charAt(0).toLowerCase() : '';
    return first === '' ? text : first + text.slice(1);
  });
}

function isMessage(value: Message | Quantity): value is Message {
  return 'say' in value;
}
