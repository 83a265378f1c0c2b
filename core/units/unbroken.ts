/** A number with its unit: `18 °C`, `1.4 %`, `25–30 days`, `1,200 mL`. */
const QUANTITY =
  /([\d.,–]*\d (?:°[CF]|%|kg|g|oz|lb|mm|cm|m|in|ft|mL|L|min|h|d|days?|weeks?|months?|years?|hours?|minutes?|meals?)(?![\p{L}\d]))/u

/**
 * Parts of a sentence, those in turn that may be broken at their spaces and those that may not: a number at the end of
 * a line, with its unit on the next, is misread.
 */
export const unbrokenParts = (text: string): string[] => text.split(QUANTITY)
