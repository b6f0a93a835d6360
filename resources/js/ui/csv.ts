/** A field as RFC 4180 writes it; what a spreadsheet would take for a formula is kept from being one. */
const quoted = (field: string | number): string => {
  const text = typeof field === 'string' && /^[=+\-@]/.test(field) ? `'${field}` : String(field);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

/** Rows as comma-separated values. */
export const csv = (rows: (string | number)[][]): string => rows.map((row) => row.map(quoted).join(',')).join('\r\n');

/** The same to be kept as a file. */
export const csvHref = (text: string): string => `data:text/csv;charset=utf-8,${encodeURIComponent(text)}`;
