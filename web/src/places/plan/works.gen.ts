/** Pieces of a plan and what is done to them, written by `lofty publish`. */
export const WORKS = ["trim", "cut", "ink", "mist", "soak", "warm", "emboss", "set", "powder", "heat", "cool", "dry flat", "trim down", "stamp", "colour", "sand", "wax", "spray", "dry", "score", "fold", "tuck", "glue", "assemble", "address"] as const;
export const BY_HAND = ["trim", "ink", "warm", "powder", "heat", "trim down", "stamp", "colour", "sand", "wax", "spray", "score", "fold", "tuck", "glue", "assemble", "address"] as const;
export const PRESSED = ["cut", "emboss"] as const;
export const PIECE_KINDS = ["base", "layer", "panel", "window", "frame", "die cut", "tag", "stencil", "envelope", "liner", "page"] as const;
export const FOLDS = ["side", "top", "tent", "gate", "envelope", "flap", "hinge"] as const;
