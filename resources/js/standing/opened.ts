/** What is said of places in a job file, by map and id. */
export type Values = Record<string, Record<string, unknown>>;

/** What somebody has opened to say more about it. */
export type Opened = { kind: 'rig' } | { kind: 'zone' | 'item' | 'thing' | 'route'; id: string };
