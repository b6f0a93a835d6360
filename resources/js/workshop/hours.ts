/** Days of the week as they are counted: 1 is Monday. */
export const WEEK = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** "8:00-12:00 12:30-16:30" of minutes of the day. */
export function clockOf(spans: number[][]): string {
  const clock = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
  return spans.map(([from, to]) => `${clock(from!)}-${clock(to!)}`).join(' ');
}

/** Minutes of the day of "8:00-12:00 12:30-16:30"; none for nothing, null for what is no hours. */
export function minutesOf(text: string): number[][] | null {
  const spans: number[][] = [];
  for (const span of text
    .replace(/\s*[-–]\s*/g, '-')
    .split(/[\s,]+/)
    .filter(Boolean)) {
    const m = /^(\d{1,2})(?::(\d{2}))?-(\d{1,2})(?::(\d{2}))?$/.exec(span);
    if (!m) return null;
    const from = Number(m[1]) * 60 + Number(m[2] ?? 0);
    const to = Number(m[3]) * 60 + Number(m[4] ?? 0);
    if (from >= to || to > 24 * 60 || Number(m[2] ?? 0) > 59 || Number(m[4] ?? 0) > 59) return null;
    spans.push([from, to]);
  }
  spans.sort((a, b) => a[0]! - b[0]!);
  return spans.some((s, n) => n > 0 && s[0]! < spans[n - 1]![1]!) ? null : spans;
}
