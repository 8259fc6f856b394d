/** Rows by what each belongs to, in their order. */
export function grouped<Row>(rows: readonly Row[], of: (row: Row) => number): Map<number, Row[]> {
  const groups = new Map<number, Row[]>();
  for (const row of rows) {
    const group = groups.get(of(row));
    if (group) group.push(row);
    else groups.set(of(row), [row]);
  }
  return groups;
}
