/** A code of three letters (ISO 4217) that this machine knows. */
export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code) && Intl.supportedValuesOf('currency').includes(code)
}

/** `€12.50`; whole sums of a hundred and more without the small change. */
export const formatMoney = (value: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', {
    ...{ style: 'currency', currency },
    ...(Number.isInteger(value) && Math.abs(value) >= 100 && { maximumFractionDigits: 0 }),
  }).format(value)
