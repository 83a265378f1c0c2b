/** Days looked ahead: about nine months. */
export const HORIZON_DAYS = 274
/** Scenarios drawn for the quantile of need and the chance of running out. */
export const SCENARIOS = 150
