/** Kinds of rigs. */
export const KINDS: Record<string, string> = {
  travel_trailer: 'travel trailer',
  fifth_wheel: 'fifth wheel',
  motorhome: 'motorhome',
  van: 'van',
  other: 'other rig',
};
