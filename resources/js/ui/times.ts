/** Day and hour as the reader's own machine writes them, without the year while it is this one. */
export function moment(at: string): string {
  return new Date(at).toLocaleString(undefined, {
    ...years(at),
    month: 'short',
    day: 'numeric',
    hour: 'numeric',
    minute: '2-digit',
  });
}

export function day(at: string): string {
  return new Date(at).toLocaleDateString(undefined, { ...years(at), month: 'short', day: 'numeric' });
}

function years(at: string): { year?: 'numeric' } {
  return new Date(at).getFullYear() === new Date().getFullYear() ? {} : { year: 'numeric' };
}
