import { t } from '../words/t';

/** Kinds of rigs. */
export const KINDS: Record<string, string> = {
  travel_trailer: t('jobs.travelTrailer'),
  fifth_wheel: t('jobs.fifthWheel'),
  motorhome: t('jobs.motorhome'),
  van: t('jobs.van'),
  other: t('jobs.otherRig'),
};
