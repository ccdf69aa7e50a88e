/** Pieces of a plan and what is done to them, written by `lofty publish`. */
export const WORKS = ["trim", "trim down", "score", "cut", "mist", "emboss", "ink", "powder", "heat", "colour", "spray", "dry", "glue", "fold", "assemble", "address"] as const;
export const PRESSED = ["cut", "emboss"] as const;
export const PIECE_KINDS = ["base", "layer", "panel", "window", "frame", "die cut", "tag", "stencil", "envelope", "liner", "page"] as const;
export const FOLDS = ["side", "top", "tent", "gate", "envelope", "flap", "hinge"] as const;
