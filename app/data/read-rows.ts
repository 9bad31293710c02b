/** The rows of a file with a heading line, separated by commas or semicolons; or why they cannot be read. */
export async function readRows(
  file: File,
  most: number,
): Promise<{ rows: Record<string, string>[] } | { fault: string }> {
  const { default: Papa } = await import('papaparse')
  const { data, errors } = Papa.parse<Record<string, string>>((await file.text()).replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  })
  const broken = errors.find((e) => e.type !== 'Delimiter')
  if (broken) return { fault: `Row ${(broken.row ?? 0) + 1}: ${broken.message}` }
  if (!data.length) return { fault: 'There are no rows in this file.' }
  if (data.length > most) return { fault: `At most ${most} rows at a time; this file has ${data.length}.` }
  return { rows: data }
}
