/** Colours and type of the whole page: a workshop with good light. */
export const colour = {
  paper: '#f5f1e8',
  panel: '#fbf9f4',
  ink: '#22302b',
  quiet: '#59635c',
  hairline: '#d8d2c4',
  accent: '#1f6f63',
  accentWash: '#d9e6df',
  warn: '#8f5510',
  stop: '#9c2f2a',
  stopWash: '#efd9d3',
  metal: '#d9d4c8',
  metalDeep: '#bfb9ab',
  bladeUntouched: '#999991',
  bladeLine: '#1f7063',
  bladePart: '#cc801a',
  bladeThrough: '#22302b',
} as const;

export const type = {
  head: "'Bricolage Grotesque Variable', 'Helvetica Neue', sans-serif",
  text: "'Instrument Sans Variable', 'Helvetica Neue', sans-serif",
} as const;
