const ORDINAL =
  '(first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|\\d+(st|nd|rd|th))';

/** What in a name tells things apart that are alike: "Plain folder (second)", and "Second plain folder" as it was once written. */
export const NUMBERED = new RegExp(`^${ORDINAL}\\s+|\\s+\\(${ORDINAL}\\)$`, 'i');
