/** A field as RFC 4180 has it; one that a spreadsheet would take for a formula stands behind an apostrophe. */
function field(value: string | number): string {
  const text = typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : String(value)
  return /[",;\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
}

/** Rows as a file of fields with commas between: RFC 4180, CRLF. */
export const csvOf = (rows: readonly (readonly (string | number)[])[]): string =>
  rows.map((r) => `${r.map(field).join(',')}\r\n`).join('')

/** A field as it was before it was kept from being a formula. */
export const withoutGuard = (text: string): string => text.replace(/^'(?=[=+\-@\t\r])/, '')
