/** The few words that mean something of their own here. */
export const GLOSSARY: Record<string, string> = {
  assumed: 'Nobody has measured it, read it off the part or been told it. A guess, until its tick is pressed.',
  'as shown': 'You have looked at this very value at the rig, and it is what stands here.',
  always: 'In the states named, with everybody doing everything right.',
  'when shore fails': 'The pedestal going dead is enough; nobody has to do anything wrong.',
  'relies on memory':
    'Nothing but a person prevents it: one or two controls set otherwise than the state says, and it is there.',
  remote: 'Three or more controls set wrongly at once, or a failure and a slip together.',
  passing: 'Only for the moment in which something changes over.',
  'faulty pedestal': 'Only where the park’s post is wired wrong. It meets every rig that is plugged in there.',
  'off grid': 'Without shore and without a generator: from the battery alone.',
  'transfer point': 'Where a circuit is switched between what comes from outside and the inverter.',
  'basis of a value': 'How somebody knows it: measured, read off the part, told, or only assumed.',
};
