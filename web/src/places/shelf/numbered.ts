/** The number in a name that tells things apart that are alike: "Plain folder 2", and "Second plain folder" as it was once written. */
export const NUMBERED =
  /^(first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|\d+(st|nd|rd|th))\s+|\s+\d+$/i;
