import { t } from '../words/t';

/** The few words that mean something of their own here. */
export const GLOSSARY: Record<string, string> = {
  assumed: t('ui.nobodyHasMeasuredItRead'),
  'as shown': t('ui.youHaveLookedAtThis'),
  always: t('ui.inTheStatesNamedWith'),
  'when shore fails': t('ui.thePedestalGoingDeadIs'),
  'relies on memory': t('ui.nothingButAPersonPrevents'),
  remote: t('ui.threeOrMoreControlsSet'),
  passing: t('ui.onlyForTheMomentIn'),
  'faulty pedestal': t('ui.onlyWhereTheParksPost'),
  'off grid': t('ui.withoutShoreAndWithoutA'),
  'transfer point': t('ui.whereACircuitIsSwitched'),
  'basis of a value': t('ui.howSomebodyKnowsItMeasured'),
};
