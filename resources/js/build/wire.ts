import { t } from '../words/t';

/** A wire that nobody knew, as a line of the logbook says it. */
export interface Wire {
  where?: string;
  jacket?: string;
  conductors?: string;
  to?: string;
  volts?: number;
  cut?: boolean;
  sha256?: string;
}

/** What is known of it, in a line; where it was found goes before. */
export const wireFacts = (wire: Wire): string =>
  [
    wire.jacket,
    wire.conductors,
    wire.to && t('build.leadsTo', { to: wire.to }),
    wire.volts !== undefined && t('build.voltsOn', { volts: wire.volts }),
    wire.cut && t('build.isCut'),
  ]
    .filter(Boolean)
    .join(' · ');
